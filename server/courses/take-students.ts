import { byId } from "@core/by-id";
import { student } from "@db/schema";
import { eq, inArray } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";
import { seat } from "./models/seat";

/**
 * A list of students comes into the book: new ones are added, known ones get what is new of them, and all may be seated. Whoever was
 * changed by somebody else since the list was compared with the book is not overwritten. The same list sent twice counts once.
 */
export const takeStudents: UseCase<"takeStudents"> = async ({ tx, now }, { students, sessionIds }) => {
	const ids = students.map(({ id }) => id);
	const rows = await tx.select().from(student).where(inArray(student.id, ids)).orderBy(student.id).for("update");
	const known = byId(rows);
	const fresh = students.filter(({ id }) => !known.has(id));
	if (fresh.length > 0) await tx.insert(student).values(fresh.map((form) => ({ ...form, revision: 1 })));
	let changed = 0;
	for (const form of students) {
		const before = known.get(form.id);
		if (!before) continue;
		// What the list leaves out stays as it was.
		const after = {
			name: form.name,
			email: form.email ?? before.email,
			phone: form.phone || before.phone,
			note: form.note || before.note,
			adult: form.adult || before.adult,
		};
		if (Object.entries(after).every(([key, value]) => before[key as keyof typeof after] === value)) continue;
		if (before.revision !== form.revision)
			throw new Refusal(
				"conflict",
				`Somebody changed “${before.name}” since this list was compared with the book. Choose the list again.`,
			);
		await tx
			.update(student)
			.set({ ...after, revision: before.revision + 1 })
			.where(eq(student.id, form.id));
		changed++;
	}
	const told = sessionIds.length > 0 ? await seat(tx, sessionIds, ids, now) : { enrolled: 0, waiting: 0 };
	return { added: fresh.length, changed, enrolled: told.enrolled, waiting: told.waiting };
};
