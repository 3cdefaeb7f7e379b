import { addDays } from "@core/calendar/days";
import { lockSessions, shiftPromises } from "@db/queries/courses";
import { classSession } from "@db/schema";
import { dayOf } from "@formats/time";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";
import { refuseUnfit } from "./models/fits";

/** Evenings of a course come so many days later or sooner, and with them what was promised. All of them or none. */
export const moveSessions: UseCase<"moveSessions"> = async (context, { sessions, days }) => {
	const { tx, now, studio } = context;
	const ids = sessions.map(({ id }) => id);
	const rows = await lockSessions(tx, ids);
	if (rows.length < ids.length) throw new Refusal("missing", "One of these evenings was deleted meanwhile.");
	const seen = new Map(sessions.map(({ id, revision }) => [id, revision]));
	const changed = rows.find(({ session }) => session.revision !== seen.get(session.id));
	if (changed)
		throw new Refusal(
			"conflict",
			`Somebody moved “${changed.course.title}” meanwhile. It is shown as it is now: look, and move it again if it has to be.`,
		);
	const wished = rows.map(({ session, course }) => ({
		id: session.id,
		day: addDays(session.day, days),
		startsAt: session.startsAt.slice(0, 5),
		endsAt: session.endsAt.slice(0, 5),
		room: course.room,
		path: ["sessions", ids.indexOf(session.id)],
	}));
	await refuseUnfit(tx, context, dayOf(now, studio.timeZone), wished, ids);
	for (const { session } of rows)
		await tx
			.update(classSession)
			.set({
				day: addDays(session.day, days),
				promisedDay: session.promisedDay && addDays(session.promisedDay, days),
				revision: session.revision + 1,
			})
			.where(eq(classSession.id, session.id));
	return { moved: rows.length, promises: await shiftPromises(tx, ids, days) };
};
