import type { Ring } from "../../geometry/region";
import type { GlassFamily } from "../../glass/family";
import type { Mould } from "../../kit/mould";
import type { LoadKiln, LoadSchools, WaitingPiece } from "../load";
import type { Form } from "../outlines/form";
import { type BetweenHours, jobsOf, type PlanStep } from "./piece-jobs";
import type { MinuteSpan, PlanInput } from "./types";
import type { PlanWishes } from "./wishes";

/** From one instant to another, ms. */
export interface Span {
	from: number;
	to: number;
}

/** A piece that waits, as the studio's book has it. Instants ms. */
export interface BookPiece extends Omit<WaitingPiece, "body" | "mould"> {
	kitVersionId: string | null;
	/** What is left of its route, the present firing first. */
	route: PlanStep[];
	/** Of the class it belongs to; empty without one. */
	group: string;
	readyMs: number;
	/** The end of the promised day; null without a promise. */
	promisedMs: number | null;
}

/** A firing that runs or was announced. Instants ms. */
export interface BookedFiring extends Span {
	kilnId: string;
	/** Moulds that lie in it, by id: how many. */
	moulds: Record<string, number>;
}

/** A firing that was announced, by the ids of its pieces. */
export interface AnnouncedFiring {
	id: string;
	kilnId: string;
	startMs: number;
	pieceIds: string[];
}

/** A kiln that nobody fires for a while. Instants ms; without an end until somebody says so. */
export interface ClosedKiln {
	kilnId: string;
	from: number;
	to: number | null;
	why: string;
}

/** What a plan over kilns and days is made from, as it stands in the book. */
export interface PlanBook {
	/** The plan begins here. */
	fromMs: number;
	untilMs: number;
	pieces: BookPiece[];
	/** Of kits as laid, counter-clockwise, by the key that steps name them by. */
	outlines: Record<string, Ring>;
	kilns: (LoadKiln & { id: string; name: string })[];
	booked: BookedFiring[];
	/** Those that were announced and may move; the others are in `booked`. */
	announced?: AnnouncedFiring[];
	closed: ClosedKiln[];
	families: GlassFamily[];
	schools: LoadSchools;
	/** When somebody is there, and when kilns may be started. */
	there: Span[];
	mayStart: Span[];
	/** A kiln may fire so long alone, h; null: as long as it takes. */
	aloneHours: number | null;
	between: BetweenHours & { wrap: number };
	wishes: PlanWishes;
}

const MINUTE = 60_000;

/** The plan's input, its minutes counted from its beginning; equal outlines are one form. */
export function planInputOf(book: PlanBook): PlanInput {
	const minuteOf = (ms: number) => (ms - book.fromMs) / MINUTE;
	// Nothing begins some seconds before it is dry, before its kiln is free or before somebody is there.
	const taken = ({ from, to }: Span): MinuteSpan => ({ from: Math.floor(minuteOf(from)), to: Math.ceil(minuteOf(to)) });
	const free = ({ from, to }: Span): MinuteSpan => ({ from: Math.ceil(minuteOf(from)), to: Math.floor(minuteOf(to)) });
	const forms = new Map<string, Form>();
	const outlined = (step: PlanStep): PlanStep => ({
		...step,
		body: { ...step.body, outline: book.outlines[step.outlineKey ?? ""] },
	});
	return {
		pieces: book.pieces.map(({ route, group, readyMs, promisedMs, ...piece }) => ({
			...{ id: piece.id, code: piece.code, group },
			jobs: jobsOf(piece, route.map(outlined), book.between, forms),
			readyMin: Math.max(0, Math.ceil(minuteOf(readyMs))),
			// Down: who is home at midnight is home a day late.
			promisedMin: promisedMs === null ? null : Math.floor(minuteOf(promisedMs)),
			tailMin: Math.round((book.between.judge + book.between.wrap) * 60),
		})),
		kilns: book.kilns.map((kiln) => ({
			...kiln,
			booked: [...book.booked, ...book.closed.map((one) => ({ ...one, to: one.to ?? Number.POSITIVE_INFINITY }))]
				.filter(({ kilnId }) => kilnId === kiln.id)
				.map(taken)
				.sort((a, b) => a.from - b.from),
		})),
		moulds: mouldsOf(book).map(({ id, count }) => ({
			...{ id, count },
			booked: book.booked.flatMap(({ moulds, ...span }) => (moulds[id] ? [{ ...taken(span), taken: moulds[id] }] : [])),
		})),
		...(book.announced && {
			announced: book.announced.map(({ id, kilnId, startMs, pieceIds }) => ({
				...{ id, pieceIds },
				kiln: book.kilns.findIndex((kiln) => kiln.id === kilnId),
				startMin: Math.max(0, Math.round(minuteOf(startMs))),
			})),
		}),
		...{ families: book.families, schools: book.schools },
		there: book.there.map(free),
		mayStart: book.mayStart.map(free),
		horizonMin: Math.floor(minuteOf(book.untilMs)),
		aloneMin: book.aloneHours === null ? null : book.aloneHours * 60,
		wishes: book.wishes,
	};
}

/** Every mould that a piece is still fired on. */
const mouldsOf = ({ pieces }: PlanBook): Mould[] => [
	...new Map(pieces.flatMap(({ route }) => route.flatMap(({ mould }) => (mould ? [[mould.id, mould]] : [])))).values(),
];
