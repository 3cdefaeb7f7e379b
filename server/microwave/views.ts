import { sessionBriefs } from "@db/queries/sessions";
import { kiln, microwaveRun, oven } from "@db/schema";
import { dayOf } from "@formats/time";
import { wallClockMs } from "@formats/wall-clock";
import { and, asc, desc, eq } from "drizzle-orm";
import type { View } from "../house/view";

/** Blocks, ovens and their record, newest run first, and when today's lesson ends. */
export const microwave: View<"microwave"> = async ({ db, studio, now }) => {
	const today = dayOf(now, studio.timeZone);
	const lesson = (await sessionBriefs(db, today)).find(({ isToday }) => isToday);
	const rows = await db
		.select({ run: microwaveRun, oven: oven.name })
		.from(microwaveRun)
		.innerJoin(oven, eq(oven.id, microwaveRun.ovenId))
		.orderBy(desc(microwaveRun.startedAt))
		.limit(200);
	return {
		blocks: await db
			.select({ id: kiln.id, name: kiln.name, uses: kiln.uses })
			.from(kiln)
			.where(and(eq(kiln.kind, "microwaveBlock"), eq(kiln.retired, false)))
			.orderBy(asc(kiln.sort)),
		ovens: await db.select().from(oven).orderBy(asc(oven.name)),
		runs: rows.map(({ run: { pieceId: _, ...run }, oven: name }) => ({
			...run,
			oven: name,
			startedAt: run.startedAt.toISOString(),
			heatedAt: run.heatedAt?.toISOString() ?? null,
			openedAt: run.openedAt?.toISOString() ?? null,
		})),
		lessonEndsAt: lesson ? new Date(wallClockMs(lesson.day, lesson.endsAt, studio.timeZone)).toISOString() : null,
	};
};
