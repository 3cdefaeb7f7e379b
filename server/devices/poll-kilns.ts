import type { Database } from "@db/connect";
import { firing, kiln, kilnReading } from "@db/schema";
import { and, desc, eq, isNotNull, sql } from "drizzle-orm";
import { CHANGED } from "../perform";
import { standInLine } from "./kiln-line";

const TICK_MS = 1000;
/** Seconds of kiln time between readings of a hot kiln, of wall time for an idle one. */
const HOT_EVERY_S = 10;
const IDLE_EVERY_S = 60;

/** Reads every kiln in turn, for ever; a round that fails is tried again at the next tick. Returns the stop. */
export function pollKilns(db: Database): () => void {
	const lastReadMs = new Map<string, number>();
	let stopped = false;
	const round = async () => {
		if (stopped) return;
		try {
			await readDue(db, lastReadMs, new Date());
		} catch (error) {
			console.error("kiln readings:", error instanceof Error ? error.message : error);
		}
		if (!stopped) setTimeout(round, TICK_MS).unref();
	};
	void round();
	return () => {
		stopped = true;
	};
}

/** One round. Instants are cut to the tick, so that two copies of the server write one row between them. */
export async function readDue(db: Database, lastReadMs: Map<string, number>, now: Date): Promise<number> {
	const at = new Date(Math.floor(now.getTime() / TICK_MS) * TICK_MS);
	let written = 0;
	for (const { id } of await db.select({ id: kiln.id }).from(kiln)) {
		const [last] = await db
			.select()
			.from(firing)
			.where(and(eq(firing.kilnId, id), isNotNull(firing.startedAt)))
			.orderBy(desc(firing.startedAt))
			.limit(1);
		const hot = last?.state === "running";
		const everyMs = hot ? Math.max(TICK_MS, (HOT_EVERY_S / last.speedUp) * 1000) : IDLE_EVERY_S * 1000;
		if (at.getTime() - (lastReadMs.get(id) ?? 0) < everyMs) continue;
		lastReadMs.set(id, at.getTime());
		const reading = standInLine(last).read(id, at);
		const rows = await db
			.insert(kilnReading)
			.values({
				kilnId: id,
				at,
				firingId: hot ? last.id : null,
				elapsedS: hot ? reading.elapsedS : null,
				airC: reading.airC,
				setC: reading.setC,
			})
			.onConflictDoNothing()
			.returning({ at: kilnReading.at });
		written += rows.length;
	}
	if (written > 0) await db.execute(sql`select pg_notify(${CHANGED}, 'readings')`);
	return written;
}
