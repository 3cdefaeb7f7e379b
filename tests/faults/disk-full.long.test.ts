import { execFileSync } from "node:child_process";
import { mkdirSync, mkdtempSync, rmSync, statfsSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { connect, migrateTo } from "@db/connect";
import { afterAll, beforeAll, describe, expect, it, vi } from "vitest";
import { seedDemo } from "../../demo/seed";
import { buildIfChanged } from "../../scripts/build";
import { type Cluster, startCluster } from "../../scripts/cluster";
import { kit } from "../support/kit";
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

		const schedules = async () =>
			(await (await fetch(`${server.address}/api/see/kits`, { headers: { Cookie: cookie } })).json()).kits.length;
		const before = await schedules();
		writeFileSync(ballast(), Buffer.alloc(Math.max(0, free() - 64 * 1024)));
		const { sql, close } = connect(cluster.url, 1);
		let refusedWith = 0;
		let words = "";
		// Rows until the last pages of the database's own log are used up.
		for (let i = 0; i < 400 && refusedWith === 0; i++) {
			const answer = await post(
				server.address,
				"/api/do/saveKit",
				{ kitId: crypto.randomUUID(), revision: 0, document: kit([]) },
				{ Cookie: cookie },
			).catch(() => undefined);
			if (answer && answer.status >= 500) {
				refusedWith = answer.status;
				words = (await answer.json()).problems[0].sentence;
			}
			await sql`select 1`.catch(() => {});
			await new Promise((done) => setTimeout(done, 60));
		}
		expect(refusedWith).toBe(503);
		expect(words).toMatch(/disk is full|may have been kept/);
		await close();

		rmSync(ballast());
		if (!cluster.runs()) cluster = await startCluster(join(disk, "studio"), true);
		await vi.waitFor(async () => expect((await fetch(`${server.address}/api/health/ready`)).status).toBe(200), WAIT);
		const kept = await schedules();
		expect(kept).toBeGreaterThanOrEqual(before);
		const again = await post(
			server.address,
			"/api/do/saveKit",
			{ kitId: crypto.randomUUID(), revision: 0, document: kit([]) },
			{ Cookie: cookie },
		);
		expect(again.status).toBe(200);
		expect(await schedules()).toBe(kept + 1);
	});
});
