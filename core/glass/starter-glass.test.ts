import { describe, expect, it } from "vitest";
import { byId } from "../by-id";
import { emptyKit } from "../kit/kit";
import { STARTERS, starterKit } from "../kit/starters";
import { readKit } from "../stack/read-kit";
import { FAMILY_90, FAMILY_96 } from "./family";
import { starterGlass } from "./starter-glass";

describe("the starter list of glass", () => {
	it("is enough to lay every starter kit from, in either family, without a stop", () => {
		for (const family of [FAMILY_90, FAMILY_96]) {
			const glasses = starterGlass(family.id);
			const book = { families: new Map([[family.id, family]]), glasses: byId(glasses) };
			let n = 0;
			for (const starter of STARTERS) {
				const kit = starterKit(starter, glasses, () => `p${++n}`) ?? emptyKit();
				expect(kit.parts.length, starter).toBeGreaterThan(0);
				expect(readKit(kit, book).findings.filter(({ severity }) => severity === "stop")).toEqual([]);
			}
		}
	});
});
