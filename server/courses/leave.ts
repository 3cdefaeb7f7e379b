import { lockSessions } from "@db/queries/courses";
import { enrolment, piece, waitingPlace } from "@db/schema";
import { and, eq, inArray } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";

/** A student gives up their place, or the wait for one. Whoever has a piece of that class stays in it. */
export const leave: UseCase<"leave"> = async ({ tx }, { sessionIds, studentId }) => {
	await lockSessions(tx, sessionIds);
	const [made] = await tx
		.select({ code: piece.code })
		.from(piece)
		.where(and(eq(piece.studentId, studentId), inArray(piece.sessionId, sessionIds)))
		.limit(1);
	if (made)
		throw new Refusal(
			"conflict",
			`Their piece ${made.code} is of this class: they stay in it. Mark them absent instead.`,
		);
	const placed = await tx
		.delete(enrolment)
		.where(and(eq(enrolment.studentId, studentId), inArray(enrolment.sessionId, sessionIds)))
		.returning({ id: enrolment.sessionId });
	const waited = await tx
		.delete(waitingPlace)
		.where(and(eq(waitingPlace.studentId, studentId), inArray(waitingPlace.sessionId, sessionIds)))
		.returning({ id: waitingPlace.sessionId });
	return { left: placed.length + waited.length };
};
