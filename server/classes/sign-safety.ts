import { enrolment } from "@db/schema";
import { and, eq, inArray } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";

/** Marks students as having heard and signed the safety talk. */
export const signSafety: UseCase<"signSafety"> = async ({ tx, now }, { sessionId, studentIds }) => {
	const signed = await tx
		.update(enrolment)
		.set({ safetySignedAt: now })
		.where(and(eq(enrolment.sessionId, sessionId), inArray(enrolment.studentId, studentIds)))
		.returning();
	if (signed.length !== studentIds.length) throw new Refusal("missing", "A chosen student is not in this class.");
	return { signed: signed.length };
};
