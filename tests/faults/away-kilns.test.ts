import { randomUUID } from "node:crypto";
import { mkdtempSync, rmSync } from "node:fs";
import { readdir } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { newSchedule, PLAIN_PIECE } from "@core/firing/document";
import { FAMILY_90 } from "@core/glass/family";
import { DEFAULT_KILN } from "@core/kiln/kiln";
import { GENERIC_MAP } from "@core/kiln/register-map";
import { type Connection, connect, migrateTo } from "@db/connect";
import { firing, kiln, kilnReading, user } from "@db/schema";
import { KilnListener } from "@server/devices/kiln-listener";
import { perform } from "@server/house/perform";
import { serveKilns } from "@standins/kiln-server";
import { and, asc, eq } from "drizzle-orm";
import { afterAll, beforeAll, expect, it, vi } from "vitest";
import { seedDemo } from "../../demo/seed";
import { type Cluster, freePort, placeFor, startCluster } from "../../scripts/cluster";

/** The database is away for ten minutes of the clock while two kilns are hot. The clock is held and stepped. */
const STEP_MS = 10_000;
const AWAY_STEPS = 60;

let folder = "";
let unkept = "";
let cluster: Cluster;
let connection: Connection;
let standIn: { close(): Promise<void> };
let listener: KilnListener;
const ids: string[] = [];

beforeAll(async () => {
	folder = await placeFor(mkdtempSync(join(tmpdir(), "zephyr-away-kilns-")));
	unkept = mkdtempSync(join(tmpdir(), "zephyr-unkept-"));
	cluster = await startCluster(folder, false);
	connection = connect(cluster.url, 4);
	const { db } = connection;
	await migrateTo(db, "db/migrations");
	await seedDemo(db, new Date());
	await db.update(firing).set({ state: "opened" }).where(eq(firing.state, "running"));
	process.env.ZEPHYR_UNKEPT = unkept;
	const port = await freePort(3);
	process.env.ZEPHYR_STAND_IN_PORT = String(port);
	process.env.ZEPHYR_STAND_INS = "2";
	standIn = await serveKilns(port, 2);
	listener = new KilnListener(db);
	const kilns = await db.select().from(kiln).where(eq(kiln.kind, "electric")).orderBy(asc(kiln.sort));
	const [person] = await db.select().from(user).where(eq(user.role, "instructor"));
	const asking = {
		actor: { id: person?.id ?? "", sessionId: "", name: person?.name ?? "", role: "instructor" as const },
		now: new Date(),
		headers: new Headers(),
	};
	vi.useFakeTimers({ toFake: ["Date"], now: Date.now() });
	const document = newSchedule("away", FAMILY_90, DEFAULT_KILN, [PLAIN_PIECE]);
	for (const [i, { id }] of kilns.slice(0, 2).entries()) {
		const line = { driver: "modbus" as const, host: "stand-in", port: i + 1, unit: 1, map: GENERIC_MAP };
		await db.update(kiln).set({ line }).where(eq(kiln.id, id));
		const firingId = randomUUID();
		await perform(db, "planFiring", { firingId, kilnId: id, scheduleId: null, document, what: "away" }, asking);
		await perform(db, "startFiring", { firingId, speedUp: 1, somebodyThere: true }, { ...asking, now: new Date() });
		ids.push(firingId);
	}
}, 600_000);
afterAll(async () => {
	vi.useRealTimers();
	listener?.close();
	await standIn?.close();
	await connection?.close();
	await cluster?.stop();
	for (const one of [folder, unkept]) rmSync(one, { recursive: true, force: true });
});

async function listen(steps: number): Promise<void> {
	for (let i = 0; i < steps; i++) {
		vi.setSystemTime(Date.now() + STEP_MS);
		await listener.round(new Date());
	}
}

it("no reading of ten minutes is lost, nor of a listener that ends meanwhile: they wait in a file and come into the book", async () => {
	await listen(6);
	const fromMs = Date.now();
	await cluster.stop();
	await listen(AWAY_STEPS / 2);
	expect(await readdir(unkept)).toHaveLength(2);
	await listen(AWAY_STEPS / 2);
	const toMs = Date.now();
	cluster = await startCluster(folder, false);
	await vi.waitFor(async () => expect((await connection.db.select().from(kiln)).length).toBeGreaterThan(0), {
		timeout: 100_000,
		interval: 200,
	});
	// Another listener takes over: what waits is on the disk, not in its memory.
	listener.close();
	listener = new KilnListener(connection.db);
	await listen(2);
	expect(await readdir(unkept)).toEqual([]);
	for (const firingId of ids) {
		const rows = await connection.db
			.select()
			.from(kilnReading)
			.where(and(eq(kilnReading.firingId, firingId)))
			.orderBy(asc(kilnReading.at));
		const meanwhile = rows.filter(({ at }) => at.getTime() > fromMs && at.getTime() <= toMs);
		expect(meanwhile).toHaveLength(AWAY_STEPS);
		expect(meanwhile.every(({ airC, elapsedS }) => airC !== null && elapsedS !== null)).toBe(true);
		expect(meanwhile.at(-1)?.airC).toBeGreaterThan((meanwhile[0]?.airC ?? 0) + 15);
	}
}, 600_000);
