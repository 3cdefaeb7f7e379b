import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { folderOf, markBegun, others, whichStudio } from "./which";

let data = "";
beforeEach(() => {
	data = mkdtempSync(join(tmpdir(), "which-"));
});
afterEach(() => rmSync(data, { recursive: true, force: true }));

describe("which studio is opened", () => {
	it("the demo until one's own was begun, then that; either by name", () => {
		expect(whichStudio([], data)).toBe("demo");
		expect(whichStudio(["--own"], data)).toBe("own");
		markBegun(data);
		markBegun(data);
		expect(whichStudio([], data)).toBe("own");
		expect(whichStudio(["--fresh", "--demo"], data)).toBe("demo");
	});
	it("each has a folder of its own; the demo's is where it always was", () => {
		expect(folderOf("demo", data)).toBe(join(data, "studio"));
		expect(folderOf("own", data)).not.toBe(folderOf("demo", data));
	});
	it("leaves what else was given", () => {
		expect(others(["--own", "copy.dump"])).toEqual(["copy.dump"]);
	});
});
