import type { PieceEvent, PieceEventData } from "@core/journey/events";
import { type Journey, journeyOf, mayHappen } from "@core/journey/journey";
import type { Transaction } from "@db/connect";
import { piece, pieceEvent } from "@db/schema";
import { and, eq, inArray } from "drizzle-orm";
import type { Context } from "./perform";
import { Refusal } from "./refusal";

export interface Step {
	pieceId: string;
	/** The device's own id: a repeated one counts once. */
	eventId: string;
	/** The state the person saw; left out by steps that change nothing others could have changed. */
	seq?: number;
	data: PieceEventData;
}

export interface Recorded {
	journey: Journey;
	code: string;
	/** The event was already there: nothing was written. */
	repeated: boolean;
}

/**
 * The only way a piece's state changes: locks the piece, counts a repeated event once, refuses what was decided on an
 * older state (409) or is not allowed now, appends the event and writes the state derived from all of them.
 */
export async function recordStep(context: Context, step: Step): Promise<Recorded> {
	const { tx, now, actor } = context;
	const [row] = await tx.select().from(piece).where(eq(piece.id, step.pieceId)).for("update");
	if (!row) throw new Refusal("missing", "This piece is not in the book.");
	const events = await eventsOf(tx, row.id);
	const [known] = await tx
		.select({ pieceId: pieceEvent.pieceId })
		.from(pieceEvent)
		.where(eq(pieceEvent.id, step.eventId));
	if (known && known.pieceId !== row.id) throw new Refusal("invalid", "This event id belongs to another piece.");
	if (known) return { journey: row.journey, code: row.code, repeated: true };
	if (step.seq !== undefined && step.seq !== row.seq)
		throw new Refusal("conflict", changedSince(row.code, events, step.seq));
	if (step.data.type !== "undone") {
		const allowed = mayHappen(row.journey, step.data.type);
		if (!allowed.ok) throw new Refusal("conflict", allowed.problems);
	}
	const event: PieceEvent = { ...step.data, seq: row.seq + 1, at: now.toISOString() };
	const journey = journeyOf([...events, event]);
	await tx.insert(pieceEvent).values({
		id: step.eventId,
		pieceId: row.id,
		seq: event.seq,
		data: step.data,
		happenedAt: now,
		recordedAt: now,
		actorId: actor.id,
	});
	await tx.update(piece).set(stateColumns(journey)).where(eq(piece.id, row.id));
	return { journey, code: row.code, repeated: false };
}

/** Columns beside the journey that lists are drawn from. */
export const stateColumns = (journey: Journey) => ({
	state: journey.state,
	seq: journey.seq,
	journey,
	readyFrom: journey.readyFrom ? new Date(journey.readyFrom) : null,
	spot: journey.spot ?? null,
	since: new Date(journey.since),
});

export async function eventsOf(tx: Transaction, pieceId: string): Promise<PieceEvent[]> {
	const rows = await tx.select().from(pieceEvent).where(eq(pieceEvent.pieceId, pieceId)).orderBy(pieceEvent.seq);
	return rows.map((row) => ({ ...row.data, seq: row.seq, at: row.happenedAt.toISOString() }));
}

/** Locks pieces in one order, so that two loads never wait for each other. */
export async function lockPieces(tx: Transaction, ids: readonly string[]) {
	return tx
		.select()
		.from(piece)
		.where(and(inArray(piece.id, [...ids])))
		.orderBy(piece.id)
		.for("update");
}

const HAPPENED: Record<PieceEventData["type"], string> = {
	issued: "was issued",
	handedIn: "was handed in",
	reglued: "was glued again",
	placed: "was put in a load",
	takenOut: "was taken out of a load",
	firingStarted: "went into the kiln",
	judged: "was judged",
	coldWorked: "came back from cold work",
	shelved: "was put on a pickup spot",
	collected: "was collected",
	photographed: "was photographed",
	noted: "got a note",
	undone: "had its last step undone",
};

function changedSince(code: string, events: readonly PieceEvent[], seq: number): string {
	const newer = events.filter((event) => event.seq > seq).map((event) => HAPPENED[event.type]);
	const what = newer.length > 0 ? newer.join(", then ") : "changed";
	return `${code} ${what} while you were working on it. Look at it again; what you typed is still here.`;
}
