import { daysBetween } from "@core/calendar/days";
import { lockSessions, shiftPromises } from "@db/queries/courses";
import { classSession } from "@db/schema";
import { dayOf } from "@formats/time";
import type { UseCase } from "../house/context";
import { inTheBook } from "../house/refusal";
import { saved } from "../house/saved";
import { refuseUnfit } from "./models/fits";

/** One evening gets another day, hour or promise; what was promised of its pieces comes as much later or sooner. */
export const saveSession: UseCase<"saveSession"> = async (context, { session: form, revision }) => {
	const { tx, now, studio } = context;
	const [found] = await lockSessions(tx, [form.id]);
	const { session: before, course } = inTheBook(found, "class");
	const today = dayOf(now, studio.timeZone);
	const isMoved =
		before.day !== form.day ||
		before.startsAt.slice(0, 5) !== form.startsAt ||
		before.endsAt.slice(0, 5) !== form.endsAt;
	if (isMoved) await refuseUnfit(tx, context, today, [{ ...form, room: course.room, path: ["session"] }]);
	// As the database writes times, so that the same save sent again is seen to be the same.
	const row = { ...form, startsAt: `${form.startsAt}:00`, endsAt: `${form.endsAt}:00` };
	const next = await saved(course.title, tx, classSession, row, revision);
	const days = before.promisedDay && form.promisedDay ? daysBetween(before.promisedDay, form.promisedDay) : 0;
	// Only the save that counted shifts them: sent again, the row is at this revision already.
	const shifted = days !== 0 && before.revision === revision;
	return { sessionId: form.id, revision: next, promises: shifted ? await shiftPromises(tx, [form.id], days) : 0 };
};
