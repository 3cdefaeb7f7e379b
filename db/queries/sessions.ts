import type { SessionBrief } from "@contract/classes";
import { and, asc, count, eq, inArray, isNull, sql } from "drizzle-orm";
import type { Reader } from "../connect";
import { classSession, course, enrolment, piece } from "../schema";

/** Classes from two weeks back to eight weeks on, in order. */
export async function sessionBriefs(reader: Reader, today: string): Promise<SessionBrief[]> {
	const rows = await reader
		.select({ session: classSession, title: course.title, students: sql<number>`count(${enrolment.studentId})::int` })
		.from(classSession)
		.innerJoin(course, eq(course.id, classSession.courseId))
		.leftJoin(enrolment, eq(enrolment.sessionId, classSession.id))
		.where(
			and(
				isNull(classSession.cancelledAt),
				sql`${classSession.day} between ${today}::date - 14 and ${today}::date + 56`,
			),
		)
		.groupBy(classSession.id, course.title)
		.orderBy(asc(classSession.day), asc(classSession.startsAt));
	return rows.map(({ session, title, students }) => ({
		id: session.id,
		title,
		day: session.day,
		startsAt: session.startsAt.slice(0, 5),
		endsAt: session.endsAt.slice(0, 5),
		promisedDay: session.promisedDay,
		students,
		isToday: session.day === today,
	}));
}

/** The class that pieces were issued in, by the piece; those of no class are left out. */
export async function classOf(
	reader: Reader,
	pieceIds: readonly string[],
): Promise<Record<string, { title: string; day: string }>> {
	if (pieceIds.length === 0) return {};
	const rows = await reader
		.select({ id: piece.id, title: course.title, day: classSession.day })
		.from(piece)
		.innerJoin(classSession, eq(classSession.id, piece.sessionId))
		.innerJoin(course, eq(course.id, classSession.courseId))
		.where(inArray(piece.id, [...pieceIds]));
	return Object.fromEntries(rows.map(({ id, title, day }) => [id, { title, day }]));
}

export async function countClasses(reader: Reader): Promise<number> {
	const [row] = await reader.select({ n: count() }).from(classSession);
	return row?.n ?? 0;
}

/** The class asked for, else today's, else the next, else the last. */
export function chooseSession(
	sessions: readonly SessionBrief[],
	wanted: string | null,
	today: string,
): SessionBrief | null {
	return (
		sessions.find(({ id }) => id === wanted) ??
		sessions.find(({ isToday }) => isToday) ??
		sessions.find(({ day }) => day > today) ??
		sessions.at(-1) ??
		null
	);
}
