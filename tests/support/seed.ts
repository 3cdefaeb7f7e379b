import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { join, resolve } from "node:path";
import { connect, migrateTo } from "../../db/connect";
import { isFree, placeFor, startCluster, stopCluster } from "../../scripts/cluster";
import { fingerprintOf } from "../../scripts/fingerprint";
import { databaseUrl } from "./copied";

/** A throw-away cluster with the demo studio in a database that every test file copies for itself. */
export interface Seeded {
	/** Of its owner, to make databases with. */
	clusterUrl: string;
	template: string;
	signIns: { email: string; password: string; role: string }[];
	/** Stops the cluster, unless somebody else had started it. */
	close(): Promise<void>;
}

interface Note {
	/** Of all that makes the demo what it is. */
	key: string;
	atMs: number;
	template: string;
	signIns: Seeded["signIns"];
}

/** All that seeds, the use cases too. */
const SEEDS = ["core", "contract", "formats", "db", "server", "standins", "demo", "package-lock.json"];
/** The demo is told back from the moment it is seeded: what dries or is hot in it is so for a while, ms. */
const FRESH_MS = 20 * 60_000;

const FOLDER = resolve("data", "test");
const NOTE = join(FOLDER, "seeded.json");

/** The one that is there, where the same would be seeded and it is fresh; else a new one. */
export async function seeded(): Promise<Seeded> {
	mkdirSync(FOLDER, { recursive: true });
	const place = await placeFor(FOLDER);
	await stopStranded(place);
	const cluster = await startCluster(place, false);
	const admin = connect(cluster.url, 1);
	try {
		const names = (await admin.sql<{ name: string }[]>`select datname as name from pg_database`).map(
			({ name }) => name,
		);
		const key = fingerprintOf(SEEDS);
		const known = readNote();
		const fresh = known?.key === key && Date.now() - known.atMs < FRESH_MS && names.includes(known.template);
		if (!cluster.ranBefore)
			for (const name of names)
				if (/^(demo|test|e2e)_/.test(name) && !(fresh && name === known.template))
					await admin.sql.unsafe(`drop database if exists "${name}" with (force)`);
		const { template, signIns } = fresh ? known : await seed(cluster.url, admin.sql, key);
		const close = async () => {
			if (!cluster.ranBefore) await cluster.stop();
		};
		return { clusterUrl: cluster.url, template, signIns, close };
	} finally {
		await admin.close();
	}
}

async function seed(clusterUrl: string, admin: ReturnType<typeof connect>["sql"], key: string): Promise<Note> {
	// The whole application: loaded only where something is seeded.
	const { seedDemo } = await import("../../demo/seed");
	const now = new Date();
	const template = `demo_${now.getTime()}`;
	await admin.unsafe(`create database ${template}`);
	const { db, close } = connect(databaseUrl(clusterUrl, template), 1);
	await migrateTo(db, "db/migrations");
	const signIns = await seedDemo(db, now);
	await close();
	const note = { key, atMs: now.getTime(), template, signIns };
	writeFileSync(NOTE, JSON.stringify(note), { mode: 0o600 });
	return note;
}

function readNote(): Note | undefined {
	return existsSync(NOTE) ? (JSON.parse(readFileSync(NOTE, "utf8")) as Note) : undefined;
}

/** One that a killed check left running listens in a network that is gone: at its port nobody answers. */
async function stopStranded(place: string): Promise<void> {
	const file = join(place, "port");
	if (existsSync(file) && (await isFree(Number(readFileSync(file, "utf8"))))) await stopCluster(place);
}

// The check's own part: seeds once for all parts that follow, and leaves the cluster running; `stop` ends it.
if (process.argv[1]?.endsWith("seed.ts")) {
	if (process.argv[2] === "stop") await stopCluster(await placeFor(FOLDER));
	else console.log((await seeded()).template);
}
