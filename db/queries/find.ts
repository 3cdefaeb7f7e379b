import { desc, eq, ilike, inArray } from "drizzle-orm";
import type { Reader } from "../connect";
import { glass, kiln, kitDesign, piece, student } from "../schema";

const MOST = 8;
/** Students whose name matches; of theirs the newest pieces are shown. */
const MOST_STUDENTS = 40;

/** A text as a pattern that finds it anywhere; its own wildcards mean themselves. Served by the trigram indexes. */
const anywhere = (text: string) => `%${text.replace(/[\\%_]/g, "\\$&")}%`;

/** Pieces by a part of their code or of their student's name, newest first. */
export async function findPieces(reader: Reader, text: string) {
	const like = anywhere(text);
	const shown = { code: piece.code, student: student.name, since: piece.since };
	const students = reader
		.select({ id: student.id })
		.from(student)
		.where(ilike(student.name, like))
		.limit(MOST_STUDENTS)
		.as("students");
	const [byCode, byStudent] = await Promise.all([
		reader
			.select(shown)
			.from(piece)
			.leftJoin(student, eq(student.id, piece.studentId))
			.where(ilike(piece.code, like))
			.orderBy(desc(piece.since))
			.limit(MOST),
		reader
			.select(shown)
			.from(piece)
			.innerJoin(student, eq(student.id, piece.studentId))
			.where(inArray(piece.studentId, reader.select({ id: students.id }).from(students)))
			.orderBy(desc(piece.since))
			.limit(MOST),
	]);
	const all = new Map([...byCode, ...byStudent].map((one) => [one.code, one]));
	return [...all.values()].sort((a, b) => b.since.getTime() - a.since.getTime()).slice(0, MOST);
}

export const findKits = (reader: Reader, text: string) =>
	reader
		.select({ id: kitDesign.id, name: kitDesign.name })
		.from(kitDesign)
		.where(ilike(kitDesign.name, anywhere(text)))
		.limit(MOST);

export const findGlass = (reader: Reader, text: string) =>
	reader
		.select()
		.from(glass)
		.where(ilike(glass.name, anywhere(text)))
		.limit(MOST);

export const findKilns = (reader: Reader, text: string) =>
	reader
		.select({ id: kiln.id, name: kiln.name })
		.from(kiln)
		.where(ilike(kiln.name, anywhere(text)))
		.limit(MOST);
