import { setCourseKits } from "@db/queries/courses";
import { classSession, course } from "@db/schema";
import { dayOf } from "@formats/time";
import { inArray } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { saved } from "../house/saved";
import { refuseUnfit } from "./models/fits";

/** Writes a course down with the evenings that are new in it; those it has keep their day. The same sent twice counts once. */
export const saveCourse: UseCase<"saveCourse"> = async (context, { course: form, revision, evenings }) => {
	const { tx, now, studio } = context;
	const { kitIds, ...row } = form;
	const next = await saved(form.title, tx, course, row, revision);
	await setCourseKits(tx, form.id, kitIds);
	const ids = evenings.map(({ id }) => id);
	const known =
		ids.length > 0
			? await tx.select({ id: classSession.id }).from(classSession).where(inArray(classSession.id, ids))
			: [];
	const fresh = evenings.flatMap((one, i) =>
		known.some(({ id }) => id === one.id) ? [] : [{ ...one, room: form.room, path: ["evenings", i] }],
	);
	await refuseUnfit(tx, context, dayOf(now, studio.timeZone), fresh);
	if (fresh.length > 0)
		await tx.insert(classSession).values(fresh.map(({ room: _, path: __, ...one }) => ({ ...one, courseId: form.id })));
	return { courseId: form.id, revision: next };
};
