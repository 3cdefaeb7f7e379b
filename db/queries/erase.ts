import type { PieceEventData } from "@core/journey/events";
import type { Journey } from "@core/journey/journey";
import { eq, inArray } from "drizzle-orm";
import type { Transaction } from "../connect";
import { firing, firingPlace, piece, pieceEvent } from "../schema";

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

/** The only change an event ever sees: a name that is taken out of what was written. */
export const writeEvent = (tx: Transaction, id: string, data: PieceEventData) =>
	tx.update(pieceEvent).set({ data }).where(eq(pieceEvent.id, id));

export const writeJourney = (tx: Transaction, id: string, journey: Journey) =>
	tx.update(piece).set({ journey }).where(eq(piece.id, id));

export const writeFiringNote = (tx: Transaction, id: string, note: string) =>
	tx.update(firing).set({ note }).where(eq(firing.id, id));
