import { execFileSync } from "node:child_process";
import { mkdtempSync, readdirSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, expect, it } from "vitest";
import { placeFor, startCluster } from "../../scripts/cluster";

let folder = "";
beforeAll(async () => {
	folder = await placeFor(mkdtempSync(join(tmpdir(), "zephyr-checksums-")));
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

it("a cluster has checksums from the start; one that was made without has them after the next", async () => {
	const top = "/usr/lib/postgresql";
	const programs = join(top, readdirSync(top).sort((a, b) => Number(b) - Number(a))[0] ?? "", "bin");
	const asPostgres = (name: string, ...args: string[]) =>
		process.getuid?.() === 0
			? execFileSync("runuser", ["-u", "postgres", "--", join(programs, name), ...args], { encoding: "utf8", cwd: "/" })
			: execFileSync(join(programs, name), args, { encoding: "utf8" });
	const checksums = () => /checksum version:\s+(\d)/.exec(asPostgres("pg_controldata", "-D", join(folder, "pg")))?.[1];
	const onceStarted = async () => {
		await (await startCluster(folder, true)).stop();
		return checksums();
	};
	expect(await onceStarted()).toBe("1");
	asPostgres("pg_checksums", "--disable", "-D", join(folder, "pg"));
	expect(checksums()).toBe("0");
	expect(await onceStarted()).toBe("1");
});
