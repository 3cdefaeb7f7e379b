import { and, eq, inArray, sql } from "drizzle-orm";
import type { Reader, Transaction } from "../connect";
import { cutEvent, cutRun, cutTick, kitVersion } from "../schema";

/** Kits cut for a class, with their kit's frozen version and what is done of each cut. */
export async function cutRunsOf(reader: Reader, sessionId: string) {
	const rows = await reader
		.select({ run: cutRun, kit: kitVersion })
		.from(cutRun)
		.innerJoin(kitVersion, eq(kitVersion.id, cutRun.kitVersionId))
		.where(eq(cutRun.sessionId, sessionId))
		.orderBy(kitVersion.frozenAt);
	if (rows.length === 0) return [];
	const ids = rows.map(({ run }) => run.id);
	const ticks = await reader.select().from(cutTick).where(inArray(cutTick.cutRunId, ids));
	return rows.map(({ run, kit }) => ({
		run,
		kit,
		done: new Map(ticks.filter((tick) => tick.cutRunId === run.id).map((tick) => [tick.lineKey, tick.done])),
	}));
}

/** Counts an event once, whoever else counts at the same time. Returns how many are done now. */
export async function countCut(tx: Transaction, event: typeof cutEvent.$inferInsert): Promise<number> {
	const { cutRunId, lineKey, more } = event;
	const [fresh] = await tx.insert(cutEvent).values(event).onConflictDoNothing().returning({ id: cutEvent.id });
	if (fresh)
		await tx
			.insert(cutTick)
			.values({ cutRunId, lineKey, done: Math.max(0, more) })
			.onConflictDoUpdate({
				target: [cutTick.cutRunId, cutTick.lineKey],
				set: { done: sql`greatest(0, ${cutTick.done} + ${more})` },
			});
	const [tick] = await tx
		.select({ done: cutTick.done })
		.from(cutTick)
		.where(and(eq(cutTick.cutRunId, cutRunId), eq(cutTick.lineKey, lineKey)));
	return tick?.done ?? 0;
}
