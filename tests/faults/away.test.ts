import { mkdirSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { connect, migrateTo } from "@db/connect";
import { afterAll, beforeAll, describe, expect, it, vi } from "vitest";
import { seedDemo } from "../../demo/seed";
import { buildIfChanged } from "../../scripts/build";
import { type Cluster, placeFor, startCluster } from "../../scripts/cluster";
import { cookieOf, post, somebody } from "../support/person";
import { type RunningServer, startServer } from "../support/server";

/** The database is away: at once, for a while, and back again. In ./check faults it is away for a minute. */
const AWAY_MS = Number(process.env.ZEPHYR_FAULTS_AWAY_MS ?? 500);
const WAIT = { timeout: 100_000, interval: 100 };

let folder = "";
let cluster: Cluster;
let server: RunningServer;
let cookie = "";
let email = "";
beforeAll(async () => {
	buildIfChanged();
	folder = await placeFor(mkdtempSync(join(tmpdir(), "zephyr-away-")));
	cluster = await startCluster(folder, false);
	const { db, close } = connect(cluster.url, 1);
	await migrateTo(db, "db/migrations");
	await seedDemo(db, new Date());
	({ email } = await somebody(db, "instructor"));
	await close();
	mkdirSync(logs(), { recursive: true });
	server = await startServer(cluster.url, { more: { ZEPHYR_LOG_FOLDER: logs() } });
	cookie = await cookieOf(server.address, email);
});
afterAll(async () => {
	await server?.end();
	await cluster?.stop();
	rmSync(folder, { recursive: true, force: true });
});

const logs = () => join(folder, "log");

const get = (path: string) =>
	fetch(`${server.address}${path}`, { headers: { Cookie: cookie, Accept: "text/html" }, redirect: "manual" });

describe("a database that is away", () => {
	it("is said so in words, on pages and to programs; when it is back everything goes on and open pages ask again", async () => {
		const stream = await get("/api/live");
		let heard = "";
		void (async () => {
			const decoder = new TextDecoder();
			for await (const chunk of stream.body as unknown as AsyncIterable<Uint8Array>) heard += decoder.decode(chunk);
		})().catch(() => {});
		expect((await get("/account")).status).toBe(200);

		await cluster.stop();
		await vi.waitFor(async () => expect((await get("/api/health/ready")).status).toBe(503), WAIT);
		expect((await get("/api/health/live")).status).toBe(200);
		const page = await get("/account");
		expect([page.status, page.headers.get("retry-after")]).toEqual([503, "5"]);
		expect(await page.text()).toContain("The studio’s book is away");
		const view = await get("/api/see/today");
		expect([view.status, view.headers.get("retry-after")]).toEqual([503, "5"]);
		const action = await post(server.address, "/api/do/signSafety", {}, { Cookie: cookie });
		expect(action.status).toBe(503);
		expect((await action.json()).problems[0].sentence.join("")).toContain("may have been kept");
		expect((await get("/sign-in")).status).toBe(503);
		await new Promise((done) => setTimeout(done, AWAY_MS));

		const before = heard.length;
		cluster = await startCluster(folder, false);
		await vi.waitFor(async () => expect((await get("/api/health/ready")).status).toBe(200), WAIT);
		expect((await get("/account")).status).toBe(200);
		// What it missed nobody knows: every view is named.
		await vi.waitFor(() => expect(heard.slice(before)).toContain('"frame"'), WAIT);
		expect(heard.slice(before)).toContain('"books"');
		await stream.body?.cancel().catch(() => {});
	});

	it("is in the log as lines with a code and a request’s number, without anybody’s name, address or session", () => {
		const text = readFileSync(join(logs(), "server.log"), "utf8");
		const lines = text
			.trim()
			.split("\n")
			.map((line) => JSON.parse(line));
		const account = lines.find(({ msg }) => msg === "GET /account");
		expect(account).toMatchObject({
			level: "error",
			process: "server",
			request: expect.stringMatching(/^[0-9a-f]{8}$/),
		});
		expect(lines.some(({ code }) => /ECONNREFUSED|57P0\d|CONNECTION/.test(code ?? ""))).toBe(true);
		const token = /session_token=([^.%;]+)/.exec(cookie)?.[1] ?? "";
		expect(token.length).toBeGreaterThan(10);
		for (const secret of [token, email]) expect(text).not.toContain(secret);
	});
});
