import type { PieceEventData } from "@core/journey/events";
import type { Journey } from "@core/journey/journey";
import { and, eq, inArray, ne, sql } from "drizzle-orm";
import type { PgColumn } from "drizzle-orm/pg-core";
import type { Transaction } from "../connect";
import { course, firing, firingNote, firingPlace, piece, pieceEvent, signUp, student } from "../schema";

/** Everything that somebody may have written about a student: on their pieces, what happened to these, their firings. */
export async function textsAbout(tx: Transaction, studentId: string) {
	const pieces = await tx
		.select({ id: piece.id, journey: piece.journey })
		.from(piece)
		.where(eq(piece.studentId, studentId))
		.for("update");
	const ids = pieces.map(({ id }) => id);
	if (ids.length === 0) return { pieces, events: [], firings: [] };
	const events = await tx
		.select({ id: pieceEvent.id, data: pieceEvent.data })
		.from(pieceEvent)
		.where(inArray(pieceEvent.pieceId, ids));
	const places = tx.select({ id: firingPlace.firingId }).from(firingPlace).where(inArray(firingPlace.pieceId, ids));
	const firings = await tx.select({ id: firing.id, note: firing.note }).from(firing).where(inArray(firing.id, places));
	return { pieces, events, firings };
}

/** Where somebody's whole name stands in what is noted of others: students, courses, people who signed up. */
export async function notesNaming(tx: Transaction, person: { id: string; name: string }) {
	const names = (text: PgColumn) => sql`position(lower(${person.name}) in lower(${text})) > 0`;
	const others = and(ne(student.id, person.id), names(student.note));
	return {
		students: await tx.select({ id: student.id, text: student.note }).from(student).where(others),
		courses: await tx.select({ id: course.id, text: course.about }).from(course).where(names(course.about)),
		signUps: await tx.select({ id: signUp.id, text: signUp.note }).from(signUp).where(names(signUp.note)),
		firings: await tx.select({ id: firing.id, text: firing.note }).from(firing).where(names(firing.note)),
		firingNotes: await tx
			.select({ id: firingNote.id, text: firingNote.text })
			.from(firingNote)
			.where(names(firingNote.text)),
	};
}

export const writeNoteOf = {
	students: (tx: Transaction, id: string, note: string) => tx.update(student).set({ note }).where(eq(student.id, id)),
	courses: (tx: Transaction, id: string, about: string) => tx.update(course).set({ about }).where(eq(course.id, id)),
	signUps: (tx: Transaction, id: string, note: string) => tx.update(signUp).set({ note }).where(eq(signUp.id, id)),
	firings: (tx: Transaction, id: string, note: string) => tx.update(firing).set({ note }).where(eq(firing.id, id)),
	firingNotes: (tx: Transaction, id: string, text: string) =>
		tx.update(firingNote).set({ text }).where(eq(firingNote.id, id)),
};

/** The only change an event ever sees: a name that is taken out of what was written. */
export const writeEvent = (tx: Transaction, id: string, data: PieceEventData) =>
	tx.update(pieceEvent).set({ data }).where(eq(pieceEvent.id, id));

export const writeJourney = (tx: Transaction, id: string, journey: Journey) =>
	tx.update(piece).set({ journey }).where(eq(piece.id, id));

/** Whoever fetched a piece of somebody else’s under this name. */
export const forgetCollector = (tx: Transaction, name: string) =>
	tx.update(piece).set({ collectedBy: null }).where(sql`position(lower(${name}) in lower(${piece.collectedBy})) > 0`);

export const writeFiringText = (tx: Transaction, id: string, note: string) =>
	tx.update(firing).set({ note }).where(eq(firing.id, id));
