import { execFileSync } from "node:child_process";
import { randomBytes, randomUUID } from "node:crypto";
import { mkdirSync, mkdtempSync, rmSync, statfsSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { connect, migrateTo } from "@db/connect";
import { afterAll, beforeAll, describe, expect, it, vi } from "vitest";
import { seedDemo } from "../../demo/seed";
import { buildIfChanged } from "../../scripts/build";
import { type Cluster, startCluster } from "../../scripts/cluster";
import { cookieOf, post, somebody } from "../support/person";
import { type RunningServer, startServer } from "../support/server";

/**
 * A small file system of its own that fills up under the database. It takes root to make one: without, the file says so and
 * tests nothing.
 */
const SIZE = "700m";
const WAIT = { timeout: 100_000, interval: 200 };
const disk = mkdtempSync(join(tmpdir(), "zephyr-disk-"));
const mayMount = (() => {
	try {
		execFileSync("mount", ["-t", "tmpfs", "-o", `size=${SIZE},mode=755`, "tmpfs", disk], { stdio: "ignore" });
		return true;
	} catch {
		return false;
	}
})();

let cluster: Cluster;
let server: RunningServer;
let cookie = "";
beforeAll(async () => {
	if (!mayMount) return;
	buildIfChanged();
	mkdirSync(join(disk, "studio"));
	cluster = await startCluster(join(disk, "studio"), true);
	const { db, close } = connect(cluster.url, 1);
	await migrateTo(db, "db/migrations");
	await seedDemo(db, new Date());
	const { email } = await somebody(db, "instructor");
	await close();
	server = await startServer(cluster.url, { more: { ZEPHYR_DATA_FOLDER: disk } });
	cookie = await cookieOf(server.address, email);
});
afterAll(async () => {
	if (mayMount) {
		await server?.end();
		await cluster?.stop();
		execFileSync("umount", ["-l", disk]);
	}
	rmSync(disk, { recursive: true, force: true });
});

const ballast = () => join(disk, "ballast");
const free = () => {
	const { bavail, bsize } = statfsSync(disk);
	return bavail * bsize;
};

describe.runIf(mayMount)("a disk that fills up", () => {
	it("is an alarm before it is a failure; full, what is sent is refused in words and nothing is half kept; with room it goes on", async () => {
		const house = async (): Promise<string[]> =>
			(await (await fetch(`${server.address}/api/see/frame`, { headers: { Cookie: cookie } })).json()).house;
		await vi.waitFor(async () => expect((await house()).join()).toContain("MB are free"), WAIT);

		const count = async () =>
			(await (await fetch(`${server.address}/api/see/kits`, { headers: { Cookie: cookie } })).json()).kits.length;
		const { kits } = await (await fetch(`${server.address}/api/see/kits`, { headers: { Cookie: cookie } })).json();
		const { kit } = await (
			await fetch(`${server.address}/api/see/kit?id=${kits[0].id}`, { headers: { Cookie: cookie } })
		).json();
		const save = () =>
			post(
				server.address,
				"/api/do/saveKit",
				{
					kitId: randomUUID(),
					revision: 0,
					// What cannot be packed: each is some pages of the database.
					document: { ...kit.document, note: randomBytes(1000).toString("hex") },
				},
				{ Cookie: cookie },
			).catch(() => undefined);
		expect((await save())?.status).toBe(200);
		const before = await count();
		writeFileSync(ballast(), Buffer.alloc(Math.max(0, free() - 32 * 1024)));
		let refused: Response | undefined;
		let kept = before;
		for (let i = 0; i < 1000 && !refused; i++) {
			const answer = await save();
			if (answer?.ok) kept++;
			else if (answer && answer.status >= 500) refused = answer;
			await new Promise((done) => setTimeout(done, 55));
		}
		expect(refused?.status).toBe(503);
		expect(await refused?.text()).toMatch(/disk is full|may have been kept/);

		rmSync(ballast());
		if (!cluster.runs()) cluster = await startCluster(join(disk, "studio"), true);
		await vi.waitFor(async () => expect((await fetch(`${server.address}/api/health/ready`)).status).toBe(200), WAIT);
		// All that was acknowledged is there; the one that was not may be, where the disk gave way after it was kept.
		expect([kept, kept + 1]).toContain(await count());
		expect((await save())?.status).toBe(200);
	});
});
