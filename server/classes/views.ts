import { loadGlass } from "@db/queries/glass";
import { choicesOfSession } from "@db/queries/sign-ups";
import { enrolment, piece, student } from "@db/schema";
import { asc, eq } from "drizzle-orm";
import type { View } from "../house/view";
import { kitBriefs } from "../kits/models/briefs";
import { briefs } from "../pieces/models/briefs";
import { sessionOf } from "./models/session";

export const bench: View<"bench"> = async (context, params) => {
	const { db } = context;
	const { sessions, session } = await sessionOf(context, params.session);
	const books = await loadGlass(db);
	const kits = await kitBriefs(context);
	if (!session) return { ...books, sessions, session, seats: [], kits };
	const rows = await db
		.select({ enrolment, name: student.name })
		.from(enrolment)
		.innerJoin(student, eq(student.id, enrolment.studentId))
		.where(eq(enrolment.sessionId, session.id))
		.orderBy(asc(enrolment.seat));
	const owners = await db
		.select({ id: piece.id, studentId: piece.studentId })
		.from(piece)
		.where(eq(piece.sessionId, session.id));
	const pieces = await briefs(context, eq(piece.sessionId, session.id));
	const chose = await choicesOfSession(db, session.id);
	const seats = rows.map((row) => ({
		studentId: row.enrolment.studentId,
		name: row.name,
		seat: row.enrolment.seat,
		safetySigned: row.enrolment.safetySignedAt !== null,
		chose: chose.get(row.enrolment.studentId) ?? [],
		pieces: pieces.filter((one) =>
			owners.some(({ id, studentId }) => id === one.id && studentId === row.enrolment.studentId),
		),
	}));
	return { ...books, sessions, session, seats, kits };
};
