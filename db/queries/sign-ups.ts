import type { Namesake, SignUpBrief } from "@contract/sign-up";
import { and, asc, count, eq, inArray, isNotNull, ne, sql } from "drizzle-orm";
import type { Reader, Transaction } from "../connect";
import { classSession, course, kitDesign, signUp, student } from "../schema";

/** Who has a sign-up's e-mail in the studio's book: the same person, or of one family. */
const samePeople = sql<Namesake[]>`(
	select coalesce(json_agg(json_build_object('id', one.id, 'name', one.name) order by one.name), '[]')
	from student one where lower(one.email) = lower(sign_up.email))`;

const namesOf = async (reader: Reader, kitIds: readonly string[]): Promise<Map<string, string>> =>
	new Map(
		kitIds.length === 0
			? []
			: (
					await reader
						.select({ id: kitDesign.id, name: kitDesign.name })
						.from(kitDesign)
						.where(inArray(kitDesign.id, [...new Set(kitIds)]))
				).map(({ id, name }) => [id, name]),
	);

/** Who asked for a place in a course and was not answered, first come first. */
export async function signUpsOf(reader: Reader, courseId: string): Promise<SignUpBrief[]> {
	const rows = await reader
		.select({ signUp, known: samePeople })
		.from(signUp)
		.where(and(eq(signUp.courseId, courseId), ne(signUp.state, "confirmed")))
		.orderBy(asc(signUp.at));
	const names = await namesOf(
		reader,
		rows.flatMap((row) => row.signUp.kitIds),
	);
	return rows.map(({ signUp: { id, at, name, email, phone, adult, note, kitIds, state }, known }) => ({
		id,
		at: at.toISOString(),
		name,
		email,
		phone,
		adult,
		note,
		kits: kitIds.flatMap((one) => names.get(one) ?? []),
		waiting: state === "waiting",
		known,
	}));
}

/** The same for the course of one of its evenings. */
export async function choicesOfSession(reader: Reader, sessionId: string): Promise<Map<string, string[]>> {
	const [row] = await reader
		.select({ courseId: classSession.courseId })
		.from(classSession)
		.where(eq(classSession.id, sessionId));
	return row ? choicesOf(reader, row.courseId) : new Map();
}

/** Names of the kits that a course's students chose when they signed up, by student. */
export async function choicesOf(reader: Reader, courseId: string): Promise<Map<string, string[]>> {
	const rows = await reader
		.select({ studentId: signUp.studentId, kitIds: signUp.kitIds })
		.from(signUp)
		.where(and(eq(signUp.courseId, courseId), isNotNull(signUp.studentId)));
	const names = await namesOf(
		reader,
		rows.flatMap(({ kitIds }) => kitIds),
	);
	return new Map(rows.map(({ studentId, kitIds }) => [studentId ?? "", kitIds.flatMap((one) => names.get(one) ?? [])]));
}

/** The course at a sign-up address. */
export async function courseByKey(reader: Reader, key: string) {
	const [row] = await reader
		.select()
		.from(course)
		.where(and(eq(course.signUpKey, key), eq(course.retired, false)));
	return row;
}

/** Nobody else signs up for a course until the transaction ends: the last place is given once. */
export const lockCourse = (tx: Transaction, id: string) =>
	tx.select({ id: course.id }).from(course).where(eq(course.id, id)).for("update");

/** How many asked for a place in a course and hold one until they are answered, and how many in all wait for an answer. */
export async function openSignUps(reader: Reader, courseId: string): Promise<{ asked: number; all: number }> {
	const [row] = await reader
		.select({ all: count(), asked: sql<number>`count(*) filter (where ${signUp.state} = 'asked')::int` })
		.from(signUp)
		.where(and(eq(signUp.courseId, courseId), ne(signUp.state, "confirmed")));
	return { asked: row?.asked ?? 0, all: row?.all ?? 0 };
}

/** The students of an e-mail, however it is written: a family may share one. */
export const studentsByEmail = (reader: Reader, email: string): Promise<Namesake[]> =>
	reader
		.select({ id: student.id, name: student.name })
		.from(student)
		.where(sql`lower(${student.email}) = lower(${email})`);

export async function lockSignUp(tx: Transaction, id: string) {
	const [row] = await tx.select().from(signUp).where(eq(signUp.id, id)).for("update");
	return row;
}

/** Takes a person's sign-ups out; all of their e-mail unless somebody else has it too. */
export async function forgetSignUps(tx: Transaction, person: { id: string; name: string; email: string }) {
	const others = (await studentsByEmail(tx, person.email)).some(({ id }) => id !== person.id);
	const ofEmail = sql`lower(${signUp.email}) = lower(${person.email})`;
	const ofName = sql`lower(${signUp.name}) = lower(${person.name})`;
	await tx.delete(signUp).where(others ? and(ofEmail, ofName) : ofEmail);
}
