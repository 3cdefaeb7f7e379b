import { execFileSync } from "node:child_process";
import { readdirSync, readFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { gunzipSync } from "node:zlib";
import { customs } from "@contract/documents/customs";
import { connect } from "@db/connect";
import { contentsOf } from "@db/queries/contents";
import { copyBook } from "@server/jobs/copy-book";
import { afterAll, afterEach, beforeAll, describe, expect, it } from "vitest";
import { buildIfChanged } from "../../scripts/build";
import { type Cluster, freePort, placeFor, startCluster } from "../../scripts/cluster";
import { clearFolder } from "../support/clear-folder";
import { endAll, runScript } from "../support/run-start";
import { studioAt } from "../support/studio";

/**
 * Books as the last three versions wrote them: each their own program’s demo, its kilns’ readings thinned, as pg_dump writes it in
 * plain SQL without comments and settings. When a migration is added, the version before it comes here and the oldest goes.
 */
const BOOKS = "tests/faults/books";
const versions = readdirSync(BOOKS).sort();
const data = resolve("data", "older-books-test");
/** What a migration may add to, and must not lose from. */
const KEPT = [
	"piece",
	"student",
	"kit_design",
	"firing",
	"firing_place",
	"class_session",
	"kiln",
	"kiln_reading",
	"mould",
];

let folder = "";
let port = 0;
beforeAll(async () => {
	buildIfChanged();
	await clearFolder(data);
	folder = await placeFor(join(data, "studio"));
	port = await freePort(16);
});
afterEach(endAll);
afterAll(async () => {
	await clearFolder(folder);
	await clearFolder(data);
});

/** A copy of an older version’s book, made beside the present one. */
async function copyOf(cluster: Cluster, version: string) {
	const url = cluster.url.replace(/\/[^/]+$/, "/older");
	const admin = connect(cluster.url, 1);
	await admin.sql.unsafe("create database older template template0");
	execFileSync(join(cluster.programs, "psql"), ["-q", "-v", "ON_ERROR_STOP=1", "-d", url], {
		input: gunzipSync(readFileSync(join(BOOKS, version))),
		stdio: ["pipe", "ignore", "inherit"],
	});
	const older = connect(url, 1);
	const held = await contentsOf(older.sql);
	await older.close();
	const copy = await copyBook({ url, programs: cluster.programs, folder: join(data, "copies") }, version.slice(0, 4));
	await admin.sql.unsafe("drop database older with (force)");
	await admin.close();
	return { copy, held };
}

const rowsOf = ({ contents }: Awaited<ReturnType<typeof contentsOf>>) =>
	Object.fromEntries(KEPT.map((name) => [name, contents[`public.${name}`]?.rows]));

describe("./restore", () => {
	it("knows the last three versions", () => expect(versions).toHaveLength(3));

	it.each(versions)(
		"reads back a copy of %s; ./start brings it to this version, and nothing is lost",
		async (version) => {
			const cluster = await startCluster(folder, true);
			const { copy, held } = await copyOf(cluster, version);
			await cluster.stop();
			const env = { ZEPHYR_DATA: data, ZEPHYR_PORT: String(port) };
			const restore = runScript("restore", env, [copy], "put it in place");
			expect([await restore.ended, restore.output()]).toEqual([0, expect.stringContaining("Done.")]);
			const run = runScript("start", env);
			await run.until("Ctrl+C stops");
			expect(run.output()).toContain("-before-migration.dump");
			expect(run.output()).not.toContain("Loading the demo studio");
			expect((await fetch(`http://127.0.0.1:${port}/api/health/ready`)).status).toBe(200);
			await run.end("SIGINT");
			const again = await startCluster(folder, true);
			const { sql, close } = connect(again.url, 1);
			const now = await contentsOf(sql);
			expect(now.schema).toBeGreaterThan(held.schema);
			expect(rowsOf(now)).toEqual({ ...rowsOf(held), kiln_reading: expect.any(Number) });
			const [row] = await sql`select customs from studio`;
			expect(customs.safeParse(row?.customs).error).toBeUndefined();
			await close();
			const studio = await studioAt(again.url);
			for (const view of ["today", "frame", "kits", "kilns", "fire", "open", "load", "settings", "people"] as const)
				expect([view, typeof (await studio.see(view))]).toEqual([view, "object"]);
			await studio.close();
			await again.stop();
		},
	);
});
