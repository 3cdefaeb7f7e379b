import type { Attendee, CalendarSession } from "@contract/courses";
import { byId } from "@core/by-id";
import { and, asc, count, desc, eq, gte, inArray, isNull, lte, max, min, type SQL, sql } from "drizzle-orm";
import type { Reader, Transaction } from "../connect";
import {
	classSession,
	course,
	courseKit,
	enrolment,
	kitVersion,
	photo,
	piece,
	pieceEvent,
	student,
	waitingPlace,
} from "../schema";
import { withTheStudio } from "./pieces";

const minutes = (time: string): string => time.slice(0, 5);

/** Evenings with what a calendar says of them, in order. */
export async function calendarSessions(reader: Reader, where: SQL | undefined): Promise<CalendarSession[]> {
	const rows = await reader
		.select({ session: classSession, course })
		.from(classSession)
		.innerJoin(course, eq(course.id, classSession.courseId))
		.where(where)
		.orderBy(asc(classSession.day), asc(classSession.startsAt));
	if (rows.length === 0) return [];
	const ids = rows.map(({ session }) => session.id);
	const [students, waiting, pieces] = await Promise.all([
		reader
			.select({ id: enrolment.sessionId, n: count() })
			.from(enrolment)
			.where(inArray(enrolment.sessionId, ids))
			.groupBy(enrolment.sessionId),
		reader
			.select({ id: waitingPlace.sessionId, n: count() })
			.from(waitingPlace)
			.where(inArray(waitingPlace.sessionId, ids))
			.groupBy(waitingPlace.sessionId),
		reader
			.select({ id: piece.sessionId, n: count() })
			.from(piece)
			.where(and(inArray(piece.sessionId, ids), withTheStudio()))
			.groupBy(piece.sessionId),
	]);
	const of = (all: { id: string | null; n: number }[], id: string) => all.find((one) => one.id === id)?.n ?? 0;
	return rows.map(({ session, course: its }) => ({
		id: session.id,
		revision: session.revision,
		courseId: its.id,
		title: its.title,
		room: its.room,
		day: session.day,
		startsAt: minutes(session.startsAt),
		endsAt: minutes(session.endsAt),
		promisedDay: session.promisedDay,
		students: of(students, session.id),
		waiting: of(waiting, session.id),
		places: its.places,
		cancelled: session.cancelledAt !== null,
		pieces: of(pieces, session.id),
	}));
}

export const sessionsBetween = (reader: Reader, from: string, to: string) =>
	calendarSessions(reader, and(gte(classSession.day, from), lte(classSession.day, to)));

export const sessionsOfCourse = (reader: Reader, courseId: string) =>
	calendarSessions(reader, eq(classSession.courseId, courseId));

/** Courses that are taught, by title, with their next evening from a day on. */
export async function courseBriefs(reader: Reader, today: string) {
	return reader
		.select({
			id: course.id,
			title: course.title,
			room: course.room,
			places: course.places,
			evenings: count(classSession.id),
			next: min(
				sql<string>`case when ${classSession.day} >= ${today} and ${classSession.cancelledAt} is null then ${classSession.day}::text end`,
			),
		})
		.from(course)
		.leftJoin(classSession, eq(classSession.courseId, course.id))
		.where(eq(course.retired, false))
		.groupBy(course.id)
		.orderBy(asc(course.title));
}

export async function loadCourse(reader: Reader, id: string) {
	const [row] = await reader.select().from(course).where(eq(course.id, id));
	if (!row) return undefined;
	const kits = await reader.select().from(courseKit).where(eq(courseKit.courseId, id)).orderBy(asc(courseKit.kitId));
	return {
		...row,
		kitIds: kits.map(({ kitId }) => kitId),
		largeKitIds: kits.filter(({ isLarge }) => isLarge).map(({ kitId }) => kitId),
	};
}

export async function setCourseKits(
	tx: Transaction,
	courseId: string,
	kitIds: readonly string[],
	largeKitIds: readonly string[],
): Promise<void> {
	await tx.delete(courseKit).where(eq(courseKit.courseId, courseId));
	if (kitIds.length > 0)
		await tx
			.insert(courseKit)
			.values(kitIds.map((kitId) => ({ courseId, kitId, isLarge: largeKitIds.includes(kitId) })));
}

/** Nobody else puts an evening anywhere until the transaction ends: a free room is still free when it is taken. */
export const lockCalendar = (tx: Transaction) => tx.execute(sql`select pg_advisory_xact_lock(hashtext('calendar'))`);

/** Evenings of these days that are not called off, to be held against others. */
export const slotsOn = (reader: Reader, days: readonly string[]) =>
	reader
		.select({
			id: classSession.id,
			day: classSession.day,
			startsAt: sql<string>`to_char(${classSession.startsAt}, 'HH24:MI')`,
			endsAt: sql<string>`to_char(${classSession.endsAt}, 'HH24:MI')`,
			room: course.room,
			title: course.title,
		})
		.from(classSession)
		.innerJoin(course, eq(course.id, classSession.courseId))
		.where(and(inArray(classSession.day, [...days]), isNull(classSession.cancelledAt)));

/** Evenings for as long as the transaction lasts, in the order of their ids: two at once wait for each other. */
export const lockSessions = (tx: Transaction, ids: readonly string[]) =>
	tx
		.select({ session: classSession, course })
		.from(classSession)
		.innerJoin(course, eq(course.id, classSession.courseId))
		.where(inArray(classSession.id, [...ids]))
		.orderBy(asc(classSession.id))
		.for("no key update", { of: classSession });

/** What was promised of an evening's pieces comes so many days later. Returns of how many. */
export async function shiftPromises(tx: Transaction, sessionIds: readonly string[], days: number): Promise<number> {
	const moved = await tx
		.update(piece)
		.set({ promisedDay: sql`${piece.promisedDay} + ${days}::int` })
		.where(and(inArray(piece.sessionId, [...sessionIds]), withTheStudio(), sql`${piece.promisedDay} is not null`))
		.returning({ id: piece.id });
	return moved.length;
}

export const seatsOf = (reader: Reader, sessionId: string) =>
	reader
		.select({ studentId: enrolment.studentId, seat: enrolment.seat })
		.from(enrolment)
		.where(eq(enrolment.sessionId, sessionId));

export const waitersOf = (reader: Reader, sessionId: string) =>
	reader.select().from(waitingPlace).where(eq(waitingPlace.sessionId, sessionId)).orderBy(asc(waitingPlace.since));

/** Everybody of some evenings, who has a place first, by name; then who waits, first come first. */
export async function attendeesOf(reader: Reader, sessionIds: readonly string[]): Promise<Attendee[]> {
	if (sessionIds.length === 0) return [];
	const ids = [...sessionIds];
	const shown = { studentId: student.id, name: student.name, email: student.email, note: student.note };
	const [placed, waiting] = await Promise.all([
		reader
			.select({ ...shown, enrolment })
			.from(enrolment)
			.innerJoin(student, eq(student.id, enrolment.studentId))
			.where(inArray(enrolment.sessionId, ids))
			.orderBy(asc(student.name)),
		reader
			.select({ ...shown, sessionId: waitingPlace.sessionId })
			.from(waitingPlace)
			.innerJoin(student, eq(student.id, waitingPlace.studentId))
			.where(inArray(waitingPlace.sessionId, ids))
			.orderBy(asc(waitingPlace.since)),
	]);
	const all = new Map<string, Attendee>();
	const of = ({ studentId, name, email, note }: Pick<Attendee, "studentId" | "name" | "email" | "note">) => {
		const known = all.get(studentId) ?? { studentId, name, email, note, chose: [], evenings: {} };
		all.set(studentId, known);
		return known;
	};
	for (const row of placed)
		of(row).evenings[row.enrolment.sessionId] = { seat: row.enrolment.seat, attended: row.enrolment.attended };
	for (const row of waiting) of(row).evenings[row.sessionId] = "waiting";
	return [...all.values()];
}

/** All students with what they were in and made. */
export async function studentRows(reader: Reader) {
	const [rows, classes, pieces] = await Promise.all([
		reader.select().from(student).orderBy(asc(student.name)),
		reader
			.select({ id: enrolment.studentId, n: count(), last: max(classSession.day) })
			.from(enrolment)
			.innerJoin(classSession, eq(classSession.id, enrolment.sessionId))
			.groupBy(enrolment.studentId),
		reader
			.select({ id: piece.studentId, n: count(), open: sql<number>`count(*) filter (where ${withTheStudio()})::int` })
			.from(piece)
			.groupBy(piece.studentId),
	]);
	const classesOf = byId(classes);
	const piecesOf = byId(pieces);
	return rows.map((row) => ({
		...row,
		classes: classesOf.get(row.id)?.n ?? 0,
		last: classesOf.get(row.id)?.last ?? null,
		pieces: piecesOf.get(row.id)?.n ?? 0,
		open: piecesOf.get(row.id)?.open ?? 0,
	}));
}

export async function loadStudent(reader: Reader, id: string) {
	const [row] = await reader.select().from(student).where(eq(student.id, id));
	return row;
}

/** Classes of a student, newest first. */
export async function classesOf(reader: Reader, studentId: string) {
	const shown = { sessionId: classSession.id, courseId: course.id, title: course.title, day: classSession.day };
	const [placed, waiting] = await Promise.all([
		reader
			.select({ ...shown, attended: enrolment.attended })
			.from(enrolment)
			.innerJoin(classSession, eq(classSession.id, enrolment.sessionId))
			.innerJoin(course, eq(course.id, classSession.courseId))
			.where(eq(enrolment.studentId, studentId)),
		reader
			.select(shown)
			.from(waitingPlace)
			.innerJoin(classSession, eq(classSession.id, waitingPlace.sessionId))
			.innerJoin(course, eq(course.id, classSession.courseId))
			.where(eq(waitingPlace.studentId, studentId)),
	]);
	return [
		...placed.map((one) => ({ ...one, waiting: false })),
		...waiting.map((one) => ({ ...one, attended: null, waiting: true })),
	].sort((a, b) => b.day.localeCompare(a.day));
}

/** Pieces of a student over the years, newest first, each with its newest photo. */
export async function piecesOf(reader: Reader, studentId: string) {
	const issued =
		sql<Date>`(select min(${pieceEvent.happenedAt}) from ${pieceEvent} where ${pieceEvent.pieceId} = ${piece.id})`.mapWith(
			pieceEvent.happenedAt,
		);
	const newestPhoto = sql<
		string | null
	>`(select ${photo.id} from ${photo} where ${photo.pieceId} = ${piece.id} order by ${photo.takenAt} desc limit 1)`;
	return reader
		.select({ code: piece.code, kit: kitVersion.name, state: piece.state, issued, photoId: newestPhoto })
		.from(piece)
		.leftJoin(kitVersion, eq(kitVersion.id, piece.kitVersionId))
		.where(eq(piece.studentId, studentId))
		.orderBy(desc(issued))
		.limit(300);
}
