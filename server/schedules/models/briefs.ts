import type { ScheduleBrief, ScheduleVersion } from "@contract/schedules";
import type { Reader } from "@db/connect";
import { firing, schedule, scheduleVersion } from "@db/schema";
import { asc, count, desc, eq } from "drizzle-orm";

/** Schedules that were kept, by name. */
export const scheduleBriefs = (db: Reader): Promise<ScheduleBrief[]> =>
	db
		.select({ id: schedule.id, revision: schedule.revision, document: schedule.document, retired: schedule.retired })
		.from(schedule)
		.orderBy(asc(schedule.name));

/** What of one schedule was fired, the newest first. */
export async function scheduleVersions(db: Reader, id: string): Promise<ScheduleVersion[]> {
	const rows = await db
		.select({ version: scheduleVersion, firings: count(firing.id) })
		.from(scheduleVersion)
		.leftJoin(firing, eq(firing.scheduleVersionId, scheduleVersion.id))
		.where(eq(scheduleVersion.keptId, id))
		.groupBy(scheduleVersion.id)
		.orderBy(desc(scheduleVersion.version));
	return rows.map(({ version: { version, frozenAt, document }, firings }) => ({
		version,
		frozenAt: frozenAt.toISOString(),
		firings,
		document,
	}));
}
