import { byId } from "@core/by-id";
import { groupBy } from "@core/group-by";
import type { PieceEvent, PieceEventData } from "@core/journey/events";
import { type Journey, journeyOf, mayHappen } from "@core/journey/journey";
import { eventsOf, lockPieces, ownersOfEvents, writeStates } from "@db/queries/pieces";
import { pieceEvent } from "@db/schema";
import type { Context } from "../../house/context";
import { inTheBook, Refusal } from "../../house/refusal";

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

type PieceRow = Awaited<ReturnType<typeof lockPieces>>[number];
type EventRow = Awaited<ReturnType<typeof eventsOf>>[number];

/** One step of one piece; see {@link recordSteps}. */
export async function recordStep(context: Context, step: Step): Promise<Recorded> {
	const [recorded] = await recordSteps(context, [step]);
	return inTheBook(recorded, "piece");
}

/**
 * The only way a piece's state changes, one step each of any number of pieces in a handful of round trips: locks them, counts
 * a repeated event once, refuses what was decided on an older state (409) or is not allowed now, appends the events and
 * writes the states derived from all of them. Nothing is written where one is refused.
 */
export async function recordSteps(context: Context, steps: readonly Step[]): Promise<Recorded[]> {
	if (steps.length === 0) return [];
	const { tx, now, actor } = context;
	const ids = steps.map(({ pieceId }) => pieceId);
	const rows = new Map((await lockPieces(tx, ids)).map((row) => [row.id, row]));
	const events = groupBy(await eventsOf(tx, ids), ({ pieceId }) => pieceId);
	const owners = await ownersOfEvents(
		tx,
		steps.map(({ eventId }) => eventId),
	);
	const known = byId(owners);
	const taken = steps.map((step) => {
		const row = inTheBook(rows.get(step.pieceId), "piece");
		const owner = known.get(step.eventId);
		if (owner && (owner.pieceId !== row.id || owner.data.type !== step.data.type))
			throw new Refusal(
				"conflict",
				"This was sent under the number of something else that is done: nothing was written.",
			);
		if (owner) return { row, journey: row.journey, event: undefined, eventId: step.eventId };
		return { ...next(row, (events.get(row.id) ?? []).map(eventOf), step, now), eventId: step.eventId };
	});
	const fresh = taken.flatMap(({ row, journey, event, eventId }) => (event ? [{ row, journey, event, eventId }] : []));
	if (fresh.length > 0) {
		await tx.insert(pieceEvent).values(
			fresh.map(({ row, eventId, event: { seq, at: _, ...data } }) => ({
				id: eventId,
				pieceId: row.id,
				seq,
				data,
				happenedAt: now,
				recordedAt: now,
				actorId: actor.id,
				actorName: actor.name,
			})),
		);
		await writeStates(
			tx,
			fresh.map(({ row, journey }) => ({ id: row.id, ...stateColumns(journey) })),
		);
	}
	return taken.map(({ row, journey, event }) => ({ journey, code: row.code, repeated: event === undefined }));
}

/** The step as the piece's next event, and where it leads; refused where it cannot be. */
function next(row: PieceRow, before: readonly PieceEvent[], step: Step, now: Date) {
	if (step.seq !== undefined && step.seq !== row.seq)
		throw new Refusal("conflict", changedSince(row.code, before, step.seq));
	if (step.data.type !== "undone") {
		const allowed = mayHappen(row.journey, step.data.type);
		if (!allowed.ok) throw new Refusal("conflict", allowed.problems);
	}
	const event: PieceEvent = { ...step.data, seq: row.seq + 1, at: now.toISOString() };
	return { row, event, journey: journeyOf([...before, event]) };
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

export const eventOf = (row: EventRow): PieceEvent => ({ ...row.data, seq: row.seq, at: row.happenedAt.toISOString() });

const HAPPENED: Record<PieceEventData["type"], string> = {
	issued: "was issued",
	handedIn: "was handed in",
	reglued: "was glued again",
	levelled: "went to another tray",
	measured: "was measured again",
	remoulded: "goes on another mould",
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
