import { loadCourse, sessionsOfCourse, setCourseKits } from "@db/queries/courses";
import { classSession, course } from "@db/schema";
import { dayOf } from "@formats/time";
import { inArray } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { saved } from "../house/saved";
import { refuseUnfit } from "./models/fits";

/** Writes a course down with the evenings that are new in it; those it has keep their day, and need the room it is given. The same sent twice counts once. */
export const saveCourse: UseCase<"saveCourse"> = async (context, { course: form, revision, evenings }) => {
	const { tx, now, studio } = context;
	const { kitIds, largeKitIds, ...row } = form;
	const today = dayOf(now, studio.timeZone);
	const before = await loadCourse(tx, form.id);
	const next = await saved(form.title, tx, course, row, revision);
	await setCourseKits(tx, form.id, kitIds, largeKitIds);
	const ids = evenings.map(({ id }) => id);
	const known =
		ids.length > 0
			? await tx.select({ id: classSession.id }).from(classSession).where(inArray(classSession.id, ids))
			: [];
	const fresh = evenings.flatMap((one, i) =>
		known.some(({ id }) => id === one.id) ? [] : [{ ...one, room: form.room, path: ["evenings", i] }],
	);
	const moved = before && before.room !== form.room ? await sessionsOfCourse(tx, form.id) : [];
	const inNewRoom = moved
		.filter(({ day, cancelled }) => day >= today && !cancelled)
		.map((one) => ({ ...one, room: form.room, path: ["course"], clashAt: "room" }));
	await refuseUnfit(tx, context, today, [...fresh, ...inNewRoom]);
	if (fresh.length > 0)
		await tx.insert(classSession).values(fresh.map(({ room: _, path: __, ...one }) => ({ ...one, courseId: form.id })));
	return { courseId: form.id, revision: next };
};
