import { appendFileSync, existsSync, rmSync } from "node:fs";
import { join, resolve } from "node:path";
import { type Connection, connect } from "@db/connect";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { buildIfChanged } from "../../scripts/build";
import { freePort, placeFor, startCluster } from "../../scripts/cluster";
import { clearFolder } from "../support/clear-folder";
import { endAll, type Run, runScript } from "../support/run-start";

/** What the start command does with the book: copies of it, older and newer ones, one that somebody else keeps. */
const data = resolve("data", "start-long-test");
let folder = "";
let port = 0;

/** What undoes the newest migration, so that it can be made again. */
const UNDO_NEWEST = ["alter table firing drop column lay"];
const start = (env: Record<string, string> = {}): Run =>
	runScript("start", { ZEPHYR_DATA: data, ZEPHYR_PORT: String(port), ...env });

/** Asks the book while nothing else has it open. */
async function inBook(
	ask: (sql: Connection["sql"]) => Promise<Record<string, unknown>[]>,
): Promise<Record<string, unknown>[]> {
	const cluster = await startCluster(folder, true);
	const { sql, close } = connect(cluster.url, 1);
	const rows = [...(await ask(sql))];
	await close();
	await cluster.stop();
	return rows;
}

beforeAll(async () => {
	buildIfChanged();
	await clearFolder(data);
	folder = await placeFor(join(data, "studio"));
	port = await freePort(16);
	const first = start();
	await first.until("Ctrl+C stops");
	await first.end("SIGINT");
});
afterEach(endAll);
afterAll(async () => {
	await clearFolder(folder);
	await clearFolder(data);
});

describe("the book", () => {
	it("runs against a database that somebody else keeps", async () => {
		const cluster = process.env.ZEPHYR_TEST_CLUSTER ?? "";
		const name = `test_elsewhere_${process.pid}`;
		const admin = connect(cluster, 1);
		await admin.sql.unsafe(`create database ${name}`);
		const other = await freePort(16);
		const elsewhere = { ZEPHYR_DATABASE_URL: cluster.replace(/\/[^/]+$/, `/${name}`), ZEPHYR_PORT: String(other) };
		const run = start({ ...elsewhere, ZEPHYR_DATA: `${data}-elsewhere` });
		await run.until("Ctrl+C stops");
		expect(run.output()).toContain("Opening the database");
		expect(existsSync(join(`${data}-elsewhere`, "studio", "pg"))).toBe(false);
		expect((await fetch(`http://127.0.0.1:${other}/api/health/ready`)).status).toBe(200);
		expect(await run.end("SIGTERM")).toBe(0);
		await admin.sql.unsafe(`drop database ${name} with (force)`);
		await admin.close();
		rmSync(await placeFor(join(`${data}-elsewhere`, "studio")), { recursive: true, force: true });
		rmSync(`${data}-elsewhere`, { recursive: true, force: true });
		const wrong = start({ ZEPHYR_DATABASE_URL: "not an address" });
		expect(await wrong.ended).toBe(1);
		expect(wrong.output()).toContain("ZEPHYR_DATABASE_URL is not an address");
	});

	it("copies the book by hand, reads the copy back into its place, and refuses one that was changed", async () => {
		const env = { ZEPHYR_DATA: data, ZEPHYR_PORT: String(port) };
		// Somebody is signed in as the copy is made; their account is shut afterwards.
		const [shut] = await inBook((sql) => sql`select id from "user" where role = 'assistant' limit 1`);
		await inBook(
			(sql) => sql`insert into session (id, token, user_id, expires_at, created_at, updated_at)
				values ('kept-in-a-copy', 'token-of-a-copy', ${String(shut?.id)}, now() + interval '9 days', now(), now())`,
		);
		const backup = runScript("backup", env);
		expect(await backup.ended).toBe(0);
		await inBook((sql) => sql`delete from session where id = 'kept-in-a-copy'`);
		await inBook((sql) => sql`update "user" set disabled_at = now() where id = ${String(shut?.id)}`);
		const copy = /is in (\S+\.dump)/.exec(backup.output())?.[1] ?? "";
		expect(existsSync(copy)).toBe(true);
		const unsure = runScript("restore", env, [copy], "no");
		expect(await unsure.ended).toBe(1);
		expect(unsure.output()).toContain("Nothing was changed.");
		const sure = runScript("restore", env, [copy], "put it in place");
		expect(await sure.ended).toBe(0);
		expect(sure.output()).toContain("is kept as the database zephyr_until_");
		expect(await inBook((sql) => sql`select id from session`)).toEqual([]);
		const [stays] = await inBook((sql) => sql`select disabled_at from "user" where id = ${String(shut?.id)}`);
		expect(stays?.disabled_at).not.toBeNull();
		await inBook((sql) => sql`update "user" set disabled_at = null where id = ${String(shut?.id)}`);
		const run = start();
		await run.until("Ctrl+C stops");
		expect(run.output()).not.toContain("Loading the demo studio");
		await run.end("SIGINT");
		appendFileSync(copy, "x");
		const changed = runScript("restore", env, [copy], "put it in place");
		expect(await changed.ended).toBe(1);
		expect(changed.output()).toContain("its hash differs");
	});

	it("copies the book before a migration, and refuses one that a newer program wrote", async () => {
		const cluster = await startCluster(folder, true);
		const { sql, close } = connect(cluster.url, 1);
		const [newest] =
			await sql`select id, created_at from drizzle.__drizzle_migrations order by created_at desc limit 1`;
		await sql`update drizzle.__drizzle_migrations set created_at = 9999999999999 where id = ${newest?.id}`;
		const older = start();
		expect(await older.ended).toBe(1);
		expect(older.output()).toContain("written by a newer Zephyr Flats");
		// As if this program’s newest migration had not been there yet.
		const again = await startCluster(folder, true);
		const later = connect(again.url, 1);
		await later.sql`delete from drizzle.__drizzle_migrations where id = ${newest?.id}`;
		for (const undo of UNDO_NEWEST) await later.sql.unsafe(undo);
		await later.close();
		await close();
		await again.stop();
		const run = start();
		await run.until("Ctrl+C stops");
		expect(run.output()).toContain("-before-migration.dump");
		await run.end("SIGINT");
	});
});
