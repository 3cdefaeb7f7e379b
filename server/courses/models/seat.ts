import type { Transaction } from "@db/connect";
import { lockSessions, seatsOf, waitersOf } from "@db/queries/courses";
import { enrolment, waitingPlace } from "@db/schema";
import { and, eq } from "drizzle-orm";
import { Refusal } from "../../house/refusal";

/**
 * Seats students in evenings, the lowest free seat first; who finds none waits, in the order of the list. Counted by student:
 * who waits for any of the evenings waits.
 */
export async function seat(tx: Transaction, sessionIds: readonly string[], studentIds: readonly string[], now: Date) {
	const rows = await lockSessions(tx, sessionIds);
	if (rows.length < sessionIds.length) throw new Refusal("missing", "One of the chosen classes was deleted meanwhile.");
	const [enrolled, waiting] = [new Set<string>(), new Set<string>()];
	for (const { session, course } of rows) {
		const seats = await seatsOf(tx, session.id);
		const waiters = await waitersOf(tx, session.id);
		const taken = new Set(seats.map((one) => one.seat));
		const there = new Set(seats.map(({ studentId }) => studentId));
		for (const [i, studentId] of studentIds.entries()) {
			if (there.has(studentId)) continue;
			const waits = waiters.some((one) => one.studentId === studentId);
			if (taken.size >= course.places) {
				if (waits) continue;
				// A list keeps its order: those of one press come one after another.
				const since = new Date(now.getTime() + i);
				await tx.insert(waitingPlace).values({ sessionId: session.id, studentId, since });
				waiting.add(studentId);
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
			enrolled.add(studentId);
		}
	}
	const placed = [...enrolled].filter((id) => !waiting.has(id)).length;
	return { enrolled: placed, waiting: waiting.size, already: studentIds.length - placed - waiting.size };
}
