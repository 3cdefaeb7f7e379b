import { erased, withoutName } from "@core/journey/without-name";
import { counted } from "@core/units/counted";
import {
	forgetCollector,
	notesNaming,
	textsAbout,
	writeEvent,
	writeFiringText,
	writeJourney,
	writeNoteOf,
} from "@db/queries/erase";
import { forgetSignUps } from "@db/queries/sign-ups";
import { enrolment, photo, piece, student, waitingPlace } from "@db/schema";
import { eq, inArray } from "drizzle-orm";
import { noteAudit } from "../house/audit";
import type { UseCase } from "../house/context";

/**
 * A person is forgotten: who they were, where they sat, their photos, and their name wherever somebody wrote it about their
 * pieces and the firings of these. What the pieces were, and when, stays.
 */
export const eraseStudent: UseCase<"eraseStudent"> = async ({ tx, ...asking }, { studentId }) => {
	const [row] = await tx.select().from(student).where(eq(student.id, studentId)).for("update");
	if (!row) return { erased: true }; // forgotten already: the same press sent twice
	const { pieces, events, firings } = await textsAbout(tx, studentId);
	for (const one of events) await writeEvent(tx, one.id, erased(one.data, row.name));
	for (const one of pieces) await writeJourney(tx, one.id, erased(one.journey, row.name));
	for (const one of firings) await writeFiringText(tx, one.id, withoutName(one.note, row.name));
	const notes = await notesNaming(tx, row);
	for (const where of ["students", "courses", "signUps", "firingNotes", "firings"] as const)
		for (const one of notes[where]) await writeNoteOf[where](tx, one.id, withoutName(one.text, row.name));
	const ids = pieces.map(({ id }) => id);
	if (ids.length > 0) await tx.delete(photo).where(inArray(photo.pieceId, ids));
	await tx.update(piece).set({ studentId: null, collectedBy: null }).where(eq(piece.studentId, studentId));
	await forgetCollector(tx, row.name);
	await tx.delete(enrolment).where(eq(enrolment.studentId, studentId));
	await tx.delete(waitingPlace).where(eq(waitingPlace.studentId, studentId));
	if (row.email) await forgetSignUps(tx, { ...row, email: row.email });
	await tx.delete(student).where(eq(student.id, studentId));
	await noteAudit(tx, "erased", `a student with ${counted(ids.length, "piece")}`, asking);
	return { erased: true };
};
