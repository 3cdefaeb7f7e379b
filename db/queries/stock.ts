import { eq, inArray } from "drizzle-orm";
import type { Reader } from "../connect";
import { cutRun, cutTick, kitVersion } from "../schema";

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
