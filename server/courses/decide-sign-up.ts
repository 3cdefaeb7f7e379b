import { sessionsOfCourse } from "@db/queries/courses";
import { lockSignUp, studentsByEmail } from "@db/queries/sign-ups";
import { signUp, student } from "@db/schema";
import { sameName } from "@formats/columns";
import { dayOf } from "@formats/time";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";
import { seat } from "./models/seat";

/** Somebody who signed up comes into the book and gets a place in the evenings to come, or is told no and not kept. */
export const decideSignUp: UseCase<"decideSignUp"> = async ({ tx, now, studio }, { signUpId, letIn, as }) => {
	const row = await lockSignUp(tx, signUpId);
	if (!letIn) {
		if (row?.state === "confirmed")
			throw new Refusal("conflict", `${row.name} was let in meanwhile. Press “leaves” in the register instead.`);
		await tx.delete(signUp).where(eq(signUp.id, signUpId));
		return { enrolled: 0, waiting: 0 };
	}
	if (!row) throw new Refusal("missing", "This sign-up is gone: somebody said no meanwhile.");
	if (row.state === "confirmed") return { enrolled: 0, waiting: 0 }; // the same press sent twice
	const today = dayOf(now, studio.timeZone);
	const coming = (await sessionsOfCourse(tx, row.courseId)).filter(({ day, cancelled }) => day >= today && !cancelled);
	if (coming.length === 0)
		throw new Refusal("conflict", "All evenings of this course are over or called off: there is nothing to join.");
	const { name, email, phone, adult, note } = row;
	const known = await studentsByEmail(tx, email);
	if (as && !known.some(({ id }) => id === as))
		throw new Refusal("conflict", `Nobody in the book has the e-mail ${email} any more under that name. Look again.`);
	const same = as === undefined ? known.find((one) => sameName(one.name, name))?.id : as;
	const studentId = same ?? (await added(tx, { name, email, phone, adult, note }));
	await tx.update(signUp).set({ state: "confirmed", studentId }).where(eq(signUp.id, signUpId));
	const ids = coming.map(({ id }) => id);
	const { enrolled, waiting } = await seat(tx, ids, [studentId], now);
	return { enrolled, waiting };
};

async function added(tx: Parameters<typeof seat>[0], person: typeof student.$inferInsert): Promise<string> {
	const [row] = await tx.insert(student).values(person).returning({ id: student.id });
	return (row as NonNullable<typeof row>).id;
}
