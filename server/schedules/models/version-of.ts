import { isDeepStrictEqual } from "node:util";
import type { ScheduleDocument } from "@core/firing/document";
import type { Transaction } from "@db/connect";
import { freeze } from "@db/queries/revised";
import { lockSchedule } from "@db/queries/schedules";
import { scheduleVersion } from "@db/schema";

/** The frozen version of a kept schedule that is being fired; null where what is fired is not the schedule as it is kept. */
export async function versionOf(
	tx: Transaction,
	scheduleId: string | null,
	document: ScheduleDocument,
	now: Date,
): Promise<string | null> {
	const kept = scheduleId === null ? undefined : await lockSchedule(tx, scheduleId);
	if (!kept || !isDeepStrictEqual(kept.document, document)) return null;
	const { id } = await freeze(tx, scheduleVersion, kept, { document, frozenAt: now });
	return id;
}
