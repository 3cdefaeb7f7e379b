import { enrolment } from "@db/schema";
import { and, eq, inArray, isNull } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";

/** Marks students as having heard and signed the safety talk; who signed before keeps that time. */
export const signSafety: UseCase<"signSafety"> = async ({ tx, now }, { sessionId, studentIds }) => {
	const chosen = and(eq(enrolment.sessionId, sessionId), inArray(enrolment.studentId, studentIds));
	const known = await tx.select({ id: enrolment.studentId }).from(enrolment).where(chosen);
	if (known.length !== studentIds.length) throw new Refusal("missing", "A chosen student is not in this class.");
	await tx
		.update(enrolment)
		.set({ safetySignedAt: now })
		.where(and(chosen, isNull(enrolment.safetySignedAt)));
	return { signed: known.length };
};
