import { sql } from "drizzle-orm";
import type { Database, Reader } from "../connect";
import { type HeartbeatFacts, heartbeat } from "../schema";

/** A round of listening to the kilns; a copy of the studio that was made. */
export type Beat = "kilns" | "backup";

/** Says that it was just done. */
export const beat = (db: Database, name: Beat, facts: HeartbeatFacts = {}) =>
	db
		.insert(heartbeat)
		.values({ name, facts })
		.onConflictDoUpdate({ target: heartbeat.name, set: { at: sql`now()`, facts } });

/** Seconds since each was done, by the database's clock, and what was said then. */
export async function loadHeartbeats(
	reader: Reader,
): Promise<Partial<Record<Beat, HeartbeatFacts & { agoS: number }>>> {
	const rows = await reader
		.select({
			name: heartbeat.name,
			agoS: sql<number>`extract(epoch from now() - ${heartbeat.at})::float8`,
			facts: heartbeat.facts,
		})
		.from(heartbeat);
	return Object.fromEntries(rows.map(({ name, agoS, facts }) => [name, { ...facts, agoS }]));
}
