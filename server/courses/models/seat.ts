import type { Transaction } from "@db/connect";
import { lockSessions, seatsOf, waitersOf } from "@db/queries/courses";
import { enrolment, waitingPlace } from "@db/schema";
import { and, eq } from "drizzle-orm";
import { Refusal } from "../../house/refusal";

/** Seats students in evenings, the lowest free seat first; who finds none waits, in the order of the list. */
export async function seat(tx: Transaction, sessionIds: readonly string[], studentIds: readonly string[], now: Date) {
	const rows = await lockSessions(tx, sessionIds);
	if (rows.length < sessionIds.length) throw new Refusal("missing", "A chosen class is not in the book.");
	const told = { enrolled: 0, waiting: 0, already: 0 };
	for (const { session, course } of rows) {
		const seats = await seatsOf(tx, session.id);
		const waiters = await waitersOf(tx, session.id);
		const taken = new Set(seats.map((one) => one.seat));
		const there = new Set(seats.map(({ studentId }) => studentId));
		for (const [i, studentId] of studentIds.entries()) {
			if (there.has(studentId)) {
				told.already++;
				continue;
			}
			const waits = waiters.some((one) => one.studentId === studentId);
			if (taken.size >= course.places) {
				if (waits) told.already++;
				else {
					// A list keeps its order: those of one press come one after another.
					const since = new Date(now.getTime() + i);
					await tx.insert(waitingPlace).values({ sessionId: session.id, studentId, since });
					told.waiting++;
				}
				continue;
			}
			let free = 1;
			while (taken.has(free)) free++;
			taken.add(free);
			await tx.insert(enrolment).values({ sessionId: session.id, studentId, seat: free });
			if (waits)
				await tx
					.delete(waitingPlace)
					.where(and(eq(waitingPlace.sessionId, session.id), eq(waitingPlace.studentId, studentId)));
			told.enrolled++;
		}
	}
	return told;
}
