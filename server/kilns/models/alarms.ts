import type { AlarmBrief } from "@contract/kilns";
import type { Reader } from "@db/connect";
import { firing, kiln, kilnAlarm, user } from "@db/schema";
import { desc, eq, isNull, or, type SQL } from "drizzle-orm";

/** Alarms that go on, or that nobody has seen. */
export const openOrUnseen = (): SQL | undefined => or(isNull(kilnAlarm.endedAt), isNull(kilnAlarm.seenAt));

/** Alarms, newest first. */
export async function alarmBriefs(reader: Reader, where: SQL | undefined, most = 20): Promise<AlarmBrief[]> {
	const rows = await reader
		.select({ alarm: kilnAlarm, kiln: kiln.name, number: firing.number, seenBy: user.name })
		.from(kilnAlarm)
		.innerJoin(kiln, eq(kiln.id, kilnAlarm.kilnId))
		.leftJoin(firing, eq(firing.id, kilnAlarm.firingId))
		.leftJoin(user, eq(user.id, kilnAlarm.seenById))
		.where(where)
		.orderBy(desc(kilnAlarm.startedAt))
		.limit(most);
	return rows.map(({ alarm, kiln: name, number, seenBy }) => ({
		id: alarm.id,
		kilnId: alarm.kilnId,
		kiln: name,
		firing: number,
		kind: alarm.kind,
		sentence: alarm.sentence,
		startedAt: alarm.startedAt.toISOString(),
		endedAt: alarm.endedAt?.toISOString() ?? null,
		seenAt: alarm.seenAt?.toISOString() ?? null,
		seenBy,
	}));
}
