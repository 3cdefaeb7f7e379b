import type { ScheduleBrief } from "@contract/schedules";
import type { Reader } from "@db/connect";
import { firing, schedule, scheduleVersion } from "@db/schema";
import { asc, count, desc, eq } from "drizzle-orm";

export async function scheduleBriefs(db: Reader, id?: string): Promise<ScheduleBrief[]> {
	const rows = await db
		.select()
		.from(schedule)
		.where(id === undefined ? undefined : eq(schedule.id, id))
		.orderBy(asc(schedule.name));
	const versions = await db
		.select({ version: scheduleVersion, firings: count(firing.id) })
		.from(scheduleVersion)
		.leftJoin(firing, eq(firing.scheduleVersionId, scheduleVersion.id))
		.where(id === undefined ? undefined : eq(scheduleVersion.keptId, id))
		.groupBy(scheduleVersion.id)
		.orderBy(desc(scheduleVersion.version));
	return rows.map((row) => ({
		id: row.id,
		revision: row.revision,
		document: row.document,
		retired: row.retired,
		versions: versions
			.filter(({ version }) => version.keptId === row.id)
			.map(({ version, firings }) => ({
				version: version.version,
				frozenAt: version.frozenAt.toISOString(),
				firings,
				document: version.document,
			})),
	}));
}
