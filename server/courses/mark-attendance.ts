import { enrolment } from "@db/schema";
import { and, eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { inTheBook } from "../house/refusal";

/** Somebody came, did not come, or nobody has looked. */
export const markAttendance: UseCase<"markAttendance"> = async ({ tx }, { sessionId, studentId, attended }) => {
	const [row] = await tx
		.update(enrolment)
		.set({ attended })
		.where(and(eq(enrolment.sessionId, sessionId), eq(enrolment.studentId, studentId)))
		.returning({ attended: enrolment.attended });
	inTheBook(row, "student of this class");
	return { attended };
};
