import { type FuseLevel, keepsSurface } from "../firing/level";
import type { RouteStep } from "../kit/kit";
import { ok, problem, type Result } from "../result";
import type { AsMade, PieceEvent, PieceEventData, PieceEventType } from "./events";

export const STATES = [
	"new",
	"issued",
	"queued",
	"placed",
	"inKiln",
	"coldWork",
	"ready",
	"collected",
	"spoiled",
] as const;
export type JourneyState = (typeof STATES)[number];

/** Whose a piece is, or what it is for. */
export const PIECE_KINDS = ["student", "lot", "sample", "outside"] as const;
export type PieceKind = (typeof PIECE_KINDS)[number];

export const STATE_WORDS: Record<JourneyState, string> = {
	new: "not yet issued",
	issued: "on the bench",
	queued: "waits for a kiln",
	placed: "in a planned load",
	inKiln: "in the kiln",
	coldWork: "cold work",
	ready: "ready",
	collected: "collected",
	spoiled: "spoiled",
};

/** Where a piece is, derived from its events and nothing else. */
export interface Journey {
	state: JourneyState;
	/** Sequence number of the last event counted; also what a person who edits has seen. */
	seq: number;
	route: RouteStep[];
	/** Index into the route of the firing that comes next. */
	step: number;
	/** Level of the firing that comes next; the hand-in may have changed it. */
	level: FuseLevel;
	/** It goes through the same firing of its route once more. */
	again?: boolean;
	/** Of a kit of loose ones, how many were good when it was judged last. */
	good?: number;
	/** Level the piece has had, once it was fused. */
	hadLevel: FuseLevel | undefined;
	/** Not before this instant may it be fired (glue). Only time changes dry; no event does. */
	readyFrom: string | undefined;
	asMade: AsMade | undefined;
	/** Before which firing of its route it was measured. */
	madeAt?: { step: number; again: boolean };
	firingId: string | undefined;
	firings: number;
	spot: string | undefined;
	since: string;
}

const START: Journey = {
	state: "new",
	seq: 0,
	route: [],
	step: 0,
	level: "full",
	hadLevel: undefined,
	readyFrom: undefined,
	asMade: undefined,
	firingId: undefined,
	firings: 0,
	spot: undefined,
	since: "",
};

const FROM: Record<Exclude<PieceEventType, "undone">, readonly JourneyState[]> = {
	issued: ["new"],
	handedIn: ["issued"],
	reglued: ["queued"],
	levelled: ["queued"],
	measured: ["queued"],
	remoulded: ["queued"],
	placed: ["queued"],
	takenOut: ["placed"],
	firingStarted: ["placed"],
	judged: ["inKiln"],
	coldWorked: ["coldWork"],
	shelved: ["ready"],
	collected: ["ready"],
	photographed: STATES,
	noted: STATES,
};

/** These belong to a whole load and are mended there, or carry nothing to undo. */
const NOT_UNDONE: readonly PieceEventType[] = [
	"issued",
	"placed",
	"takenOut",
	"firingStarted",
	"photographed",
	"noted",
	"undone",
];

/** Folds the events, oldest first; undone ones are skipped. */
export function journeyOf(events: readonly PieceEvent[]): Journey {
	const undone = undoneSeqs(events);
	return events.reduce<Journey>((journey, event) => {
		const next = undone.has(event.seq) ? journey : apply(journey, event);
		return { ...next, seq: event.seq };
	}, START);
}

export const undoneSeqs = (events: readonly PieceEvent[]): Set<number> =>
	new Set(events.flatMap((event) => (event.type === "undone" ? [event.undoes] : [])));

/** May this happen to the piece now? The problem says in what state it is. */
export function mayHappen(journey: Journey, type: Exclude<PieceEventType, "undone">): Result<true> {
	if (FROM[type].includes(journey.state)) return ok(true);
	return problem([], `This piece is ${STATE_WORDS[journey.state]}: that step is not possible now.`);
}

/** The steps allowed from a state, for a screen that offers them. */
export const allowedSteps = (state: JourneyState): PieceEventType[] =>
	(Object.keys(FROM) as (keyof typeof FROM)[]).filter((type) => FROM[type].includes(state));

/** The event that an undo would take back: the last one of its own kind still in force; undefined if there is none. */
export function lastUndoable(events: readonly PieceEvent[]): PieceEvent | undefined {
	const undone = undoneSeqs(events);
	const last = events.findLast(
		(event) => !undone.has(event.seq) && !["undone", "photographed", "noted"].includes(event.type),
	);
	return last && !NOT_UNDONE.includes(last.type) ? last : undefined;
}

function apply(journey: Journey, event: PieceEventData & { at: string }): Journey {
	const moved = (change: Partial<Journey>): Journey => ({ ...journey, since: event.at, ...change });
	switch (event.type) {
		case "issued":
			return moved({ state: "issued", route: event.route, level: event.route[0]?.level ?? "full" });
		case "handedIn":
			return moved({
				...{ state: "queued", level: event.level, readyFrom: event.readyFrom },
				...measured(journey, event.asMade),
			});
		case "measured":
			return { ...journey, ...measured(journey, event.asMade) };
		case "remoulded":
			return {
				...journey,
				route: journey.route.map((one, i) => (i === journey.step ? { ...one, mouldId: event.mouldId } : one)),
			};
		case "reglued":
			return moved({ readyFrom: event.readyFrom });
		case "levelled":
			return { ...journey, level: event.level };
		case "placed":
			return moved({ state: "placed", firingId: event.firingId });
		case "takenOut":
			return moved({ state: "queued", firingId: undefined });
		case "firingStarted":
			return moved({ state: "inKiln", firings: journey.firings + 1 });
		case "judged":
			return judged(journey, event);
		case "coldWorked":
			return journey.route[journey.step] ? moved({ state: "queued", readyFrom: event.at }) : moved({ state: "ready" });
		case "shelved":
			return { ...journey, spot: event.spot };
		case "collected":
			return moved({ state: "collected", spot: undefined });
		default:
			return journey;
	}
}

const measured = ({ step, again = false }: Journey, asMade: AsMade): Partial<Journey> => ({
	asMade,
	madeAt: { step, again },
});

function judged(journey: Journey, event: Extract<PieceEventData, { type: "judged" }> & { at: string }): Journey {
	const fused = event.level === "none" ? journey.hadLevel : event.level;
	const hadLevel = fused !== undefined && keepsSurface(fused) ? (journey.hadLevel ?? fused) : fused;
	const counted = event.good === undefined ? {} : { good: event.good };
	const base = { ...journey, ...counted, since: event.at, firingId: undefined, hadLevel };
	const step = journey.step + 1;
	const onward = { step, again: false, level: journey.route[step]?.level ?? journey.level };
	switch (event.next) {
		case "ready":
			return { ...base, ...onward, state: "ready" };
		case "coldWork":
			return { ...base, ...onward, state: "coldWork" };
		case "nextFiring":
			return { ...base, ...onward, state: "queued", readyFrom: event.at };
		case "refire":
			return { ...base, again: true, state: "queued", readyFrom: event.at };
		case "spoiled":
			return { ...base, state: "spoiled" };
	}
}

/** Dry, or never wet: may go into a load at `now` (ISO instants). */
export const mayBeLoaded = (journey: Pick<Journey, "state" | "readyFrom">, now: string): boolean =>
	journey.state === "queued" && (journey.readyFrom === undefined || Date.parse(journey.readyFrom) <= Date.parse(now));
