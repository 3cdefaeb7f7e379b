import type { GlassFamily } from "../glass/family";
import type { KilnBody } from "../kiln/kiln";
import { buildSchedule } from "./build";
import type { PieceToFire } from "./demand";
import type { FuseLevel } from "./level";
import { type MergedDemand, mergeDemands } from "./merge";
import { nameSegments } from "./name-segments";
import type { Segment } from "./schedule";
import { type Schools, USUAL_SCHOOLS } from "./schools";

export const SCHEDULE_VERSION = 1;

/** A schedule as it is kept: what it is for, how it was decided, and its segments. Versions of it are never changed. */
export interface ScheduleDocument {
	version: typeof SCHEDULE_VERSION;
	name: string;
	familyId: string;
	level: FuseLevel;
	/** What it was made for: warnings measure against these. At least one. */
	pieces: PieceToFire[];
	schools: Schools;
	/** Flow index wanted at the peak; null for the level's usual aim. */
	aim: number | null;
	/** A mould in it bears no more than this, °C; null without one. */
	mouldMaxC: number | null;
	segments: Segment[];
	note: string;
}

/** Limits of a document, said in the refusals of its schema. */
export const SCHEDULE_LIMITS = {
	segments: 24,
	pieces: 200,
	hottestC: 1000,
	coolestC: 20,
	fastestCPerH: 2000,
	longestHoldMin: 2880,
} as const;

/** A made-up piece for a schedule that nothing was chosen for: one even sheet stack, two singles high. */
export const PLAIN_PIECE: PieceToFire = {
	id: "two sheets, even",
	level: "full",
	thickestMm: 6,
	effectiveMm: 6,
	acrossMm: 100,
	fired: false,
	blackBesideWhite: false,
	multiLevel: false,
	trappedSpanMm: 0,
};

/** Pieces of one document share its level: a piece whose own level differs is fired to the document's. */
export const demandOfDocument = (document: ScheduleDocument): MergedDemand | undefined =>
	mergeDemands(
		document.pieces.map((piece) => ({ ...piece, level: document.level })),
		document.schools,
	);

/** Segments made anew from what the document is for; undefined where it has no piece. */
export function rebuilt(
	document: ScheduleDocument,
	family: GlassFamily,
	kiln: KilnBody | undefined,
): Segment[] | undefined {
	const demand = demandOfDocument(document);
	if (!demand) return undefined;
	const { heat, soak, dots } = document.schools;
	const options = { family: { ...family, soakSchool: soak }, heat, dots, ...(kiln && { kiln }) };
	return buildSchedule(demand, document.aim === null ? options : { ...options, aim: document.aim }).segments;
}

export function newSchedule(
	name: string,
	family: GlassFamily,
	kiln: KilnBody | undefined,
	pieces: PieceToFire[] = [PLAIN_PIECE],
	schools: Schools = USUAL_SCHOOLS,
): ScheduleDocument {
	const document: ScheduleDocument = {
		version: SCHEDULE_VERSION,
		name,
		familyId: family.id,
		level: pieces[0]?.level ?? "full",
		pieces,
		schools: { ...schools, soak: family.soakSchool ?? schools.soak },
		aim: null,
		mouldMaxC: null,
		segments: [],
		note: "",
	};
	return { ...document, segments: rebuilt(document, family, kiln) ?? [] };
}

/** Pure edits of the segments; every one gives them their names again. */
export const withSegment = (document: ScheduleDocument, index: number, change: Partial<Segment>): ScheduleDocument => ({
	...document,
	segments: nameSegments(document.segments.map((one, i) => (i === index ? { ...one, ...change } : one))),
});

/** A new segment after `index`, half way to the one that follows; −1 puts it first. */
export function withSegmentAfter(document: ScheduleDocument, index: number): ScheduleDocument {
	const { segments } = document;
	const before = segments[index]?.targetC ?? 20;
	const next = segments[index + 1];
	const targetC = Math.round((before + (next?.targetC ?? before)) / 2);
	const made: Segment = { name: "up", rateCPerH: next?.rateCPerH ?? 150, targetC, holdMin: 0 };
	return {
		...document,
		segments: nameSegments([...segments.slice(0, index + 1), made, ...segments.slice(index + 1)]),
	};
}

/** Without one segment; a schedule keeps its last one. */
export const withoutSegment = (document: ScheduleDocument, index: number): ScheduleDocument =>
	document.segments.length < 2
		? document
		: { ...document, segments: nameSegments(document.segments.filter((_, i) => i !== index)) };
