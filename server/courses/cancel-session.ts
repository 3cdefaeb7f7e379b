import { lockSessions } from "@db/queries/courses";
import { classSession } from "@db/schema";
import { dayOf } from "@formats/time";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { inTheBook } from "../house/refusal";
import { refuseUnfit } from "./models/fits";

/** An evening is called off, or takes place after all where its room is still free. What was issued in it stays. */
export const cancelSession: UseCase<"cancelSession"> = async (context, { sessionId, cancelled }) => {
	const { tx, now, studio } = context;
	const [row] = await lockSessions(tx, [sessionId]);
	const { session, course } = inTheBook(row, "class");
	if ((session.cancelledAt !== null) === cancelled) return { cancelled };
	if (!cancelled) {
		const { id, day, startsAt, endsAt } = session;
		const slot = { id, day, startsAt: startsAt.slice(0, 5), endsAt: endsAt.slice(0, 5), room: course.room, path: [] };
		await refuseUnfit(tx, context, dayOf(now, studio.timeZone), [slot]);
	}
	await tx
		.update(classSession)
		.set({ cancelledAt: cancelled ? now : null, revision: session.revision + 1 })
		.where(eq(classSession.id, sessionId));
	return { cancelled };
};
