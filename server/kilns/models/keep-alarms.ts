import type { Alarm } from "@core/kiln/watch";
import type { Database } from "@db/connect";
import { kilnAlarm } from "@db/schema";
import { and, eq, isNull } from "drizzle-orm";

/** Opens alarms that are new, ends those that are over, and keeps the figures of those that go on. Returns whether one came or went. */
export async function keepAlarms(
	db: Database,
	{ kilnId, firingId }: { kilnId: string; firingId: string | null },
	alarms: readonly Alarm[],
	now: Date,
): Promise<boolean> {
	const open = await db
		.select()
		.from(kilnAlarm)
		.where(and(eq(kilnAlarm.kilnId, kilnId), isNull(kilnAlarm.endedAt)));
	let changed = false;
	for (const { id, kind, firingId: its } of open) {
		if (its === firingId && alarms.some((one) => one.kind === kind)) continue;
		await db.update(kilnAlarm).set({ endedAt: now }).where(eq(kilnAlarm.id, id));
		changed = true;
	}
	for (const { kind, sentence } of alarms) {
		const known = open.find((one) => one.kind === kind && one.firingId === firingId);
		if (known) {
			await db.update(kilnAlarm).set({ sentence }).where(eq(kilnAlarm.id, known.id));
			continue;
		}
		await db.insert(kilnAlarm).values({ kilnId, firingId, kind, sentence, startedAt: now }).onConflictDoNothing();
		changed = true;
	}
	return changed;
}

/** Raises one alarm, where it is not open already; ends none. Returns whether it was new. */
export async function raiseAlarm(
	db: Database,
	{ kilnId, firingId }: { kilnId: string; firingId: string | null },
	{ kind, sentence }: Alarm,
	now: Date,
): Promise<boolean> {
	const rows = await db
		.insert(kilnAlarm)
		.values({ kilnId, firingId, kind, sentence, startedAt: now })
		.onConflictDoNothing()
		.returning({ id: kilnAlarm.id });
	return rows.length > 0;
}
