import { leastOf, mostOf } from "../extremes";
import type { FuseLevel } from "../firing/level";
import type { Ring } from "../geometry/region";
import type { AsMade } from "../journey/events";
import { effectiveThicknessMm, type Heights, type OwnHeights } from "../stack/effective-thickness";

/**
 * A piece of a kit as one firing of its route finds it on the shelf, by the kit alone. Lengths mm, mass g; all as laid for that firing,
 * with the heat of the firings before in it. An estimate.
 */
export interface KitBody extends Required<Omit<Heights, "alone">>, Pick<Heights, "alone"> {
	level: FuseLevel;
	/** The highest level so far; none for cold glass. */
	hadLevel?: FuseLevel;
	/** Laid upside down. */
	turnedOver: boolean;
	/** Opaque glass lies on the shelf: it picks up wash. */
	opaqueBelow: boolean;
	widthMm: number;
	heightMm: number;
	/** Longer side of its largest body: a kit of loose dots is as large as a dot. */
	acrossMm: number;
	/** Bodies that do not hold together. */
	bodies: number;
	/** Over the area that it covers. */
	meanMm: number;
	areaMm2: number;
	massG: number;
	/** Highest place above the shelf or the mould, with what is inside it and what carries it. */
	highMm: number;
	/** What a caliper reads before the firing, frit still loose: thickest without what is inside it, and thinnest. */
	laidThickestMm?: number | undefined;
	laidThinnestMm?: number | undefined;
	/** All of it lies in walls that hold its edge. */
	held?: boolean | undefined;
	/** Walls that stand round or beside it: what they take of the shelf with the glass, round the middle, and how high they are. */
	wall?: { outline: Ring; highMm: number } | undefined;
	/** Longest span of sheet over glass, under which air is caught; 0 where there is none. */
	trappedSpanMm: number;
	blackBesideWhite: boolean;
	/** Some of its glass was fused before. */
	fired: boolean;
	/** Glass is laid for this firing on what was fired before. */
	addsGlass: boolean;
	/** What this firing leaves of its relief, 0–1. */
	leaves: number;
}

/** One piece in one firing: what hand-in, trays, shelf, plan, schedule, start and opening go by. Lengths mm, mass g. */
export interface PieceBody
	extends Heights,
		Omit<
			KitBody,
			keyof Heights | "hadLevel" | "bodies" | "addsGlass" | "leaves" | "laidThickestMm" | "laidThinnestMm"
		> {
	hadLevel?: FuseLevel | undefined;
	/** As laid, counter-clockwise; left out where no kit is known: a box. */
	outline?: Ring | undefined;
	/** What it anneals as. */
	effectiveMm: number;
	/** Where its size and heights come from: the kit alone, somebody’s measuring, or a measuring from before glass was added. */
	from: "kit" | "measured" | "measuredBefore";
}

/** A place on a piece’s route: before which of its firings, for the first time or once more. */
export interface At {
	step: number;
	again: boolean;
}

/** What a piece is by its journey, and what is known of its kit. */
export interface KnownPiece {
	/** Of its kit, a body for each firing of the piece’s own route; empty where no kit is known. */
	kit: readonly KitBody[];
	/** As its kit is laid for the firing that is asked for. */
	outline?: Ring | undefined;
	made: AsMade | undefined;
	/** When it was measured. */
	madeAt: At;
}

/** The kit’s body at a place of the route; after the last firing, or fired again, as its own level left it. */
function kitAt(kit: readonly KitBody[], { step, again }: At): KitBody | undefined {
	const here = kit[step];
	const last = kit.at(-1);
	if (here) return again ? firedAgain(here) : here;
	return last && firedAgain(last);
}

/** What lies there once that firing is over: its relief as far as that is left, nothing that traps air, nothing new. */
function firedAgain(body: KitBody): KitBody {
	const levelled = <H extends OwnHeights>(its: H): H => {
		const left = (mm: number) => its.meanMm + (mm - its.meanMm) * body.leaves;
		const { thickestMm, thinnestMm, meanMm } = its;
		return { ...its, thickestMm: Math.max(left(thickestMm), meanMm), thinnestMm: Math.min(left(thinnestMm), meanMm) };
	};
	const alone = body.alone?.map(levelled);
	const heights = alone
		? {
				thickestMm: mostOf(alone.map(({ thickestMm }) => thickestMm)),
				thinnestMm: leastOf(alone.map(({ thinnestMm }) => thinnestMm)),
			}
		: levelled(body);
	return {
		...body,
		...{ thickestMm: heights.thickestMm, thinnestMm: heights.thinnestMm },
		...(alone && { alone }),
		...{ laidThickestMm: undefined, laidThinnestMm: undefined, trappedSpanMm: 0, fired: true, addsGlass: false },
	};
}

/** What a ruler and a caliper would say of it. */
const asMeasured = (body: KitBody) => {
	const { widthMm, heightMm, thickestMm, laidThickestMm = thickestMm, insertMm, thinnestMm, massG } = body;
	const { laidThinnestMm = thinnestMm } = body;
	return { widthMm, heightMm, thickestMm: laidThickestMm + insertMm, thinnestMm: laidThinnestMm, massG };
};

/** Loose frit stands nearly twice as high as it melts: what stands at least so many times as high is little else. */
const MOSTLY_FRIT = 1.6;

/** In a wall full of loose frit what stands higher is frit as well, and melts by as much less. Sheet among it may be what is higher. */
const meltsTo = ({ held, thickestMm, laidThickestMm = thickestMm }: KitBody): number =>
	held && laidThickestMm >= MOSTLY_FRIT * thickestMm ? thickestMm / laidThickestMm : 1;

/**
 * A piece as it goes into a firing: its kit’s body of that firing, corrected by as much as the piece was measured to differ from the kit
 * when somebody measured it; after a firing since, never to thinner or more even. Without a kit it is what was measured; without either there is nothing to say.
 * @param at the firing that is asked for
 * @param level what it goes to; the hand-in may have chosen another than the kit
 */
export function pieceBody(
	{ kit, outline, made, madeAt }: KnownPiece,
	at: At,
	level: FuseLevel,
	hadLevel: FuseLevel | undefined,
): PieceBody | undefined {
	const planned = kitAt(kit, at);
	const reference = made && kitAt(kit, madeAt);
	if (!planned) return made && byMeasure(made, level, hadLevel);
	const wasLaid = made && reference && differing(made, reference);
	const more = (key: "widthMm" | "heightMm") => wasLaid?.[key] ?? 0;
	const size = {
		widthMm: Math.max(LEAST_MM, planned.widthMm + more("widthMm")),
		heightMm: Math.max(LEAST_MM, planned.heightMm + more("heightMm")),
	};
	// One of several that are not alike may be the thinnest of them: it is believed as what was measured before is.
	const isOther = made !== undefined && reference?.alone !== undefined && isOfOne(made, reference);
	const isSince = at.step !== madeAt.step || at.again !== madeAt.again || isOther;
	const { higherMm, ...corrected } = heightsBy(planned, made, wasLaid, isSince);
	const isOne = planned.bodies <= 1;
	const heights: Heights = {
		...corrected,
		insertMm: planned.insertMm,
		aroundMm: planned.aroundMm,
		narrowMm: isOne ? Math.min(size.widthMm, size.heightMm) : planned.narrowMm,
		...(planned.alone && { alone: planned.alone.map((one) => asCorrected(one, planned, corrected)) }),
	};
	const areaMm2 = (planned.areaMm2 * size.widthMm * size.heightMm) / (planned.widthMm * planned.heightMm || 1);
	const massG =
		wasLaid?.massG !== undefined
			? Math.max(LEAST_MM, planned.massG + wasLaid.massG)
			: planned.massG * (areaMm2 / (planned.areaMm2 || 1)) * (meanOf(heights) / (meanOf(planned) || 1));
	const { turnedOver, opaqueBelow, trappedSpanMm, blackBesideWhite, held, wall } = planned;
	return {
		...{ level, hadLevel, turnedOver, opaqueBelow, outline, trappedSpanMm, blackBesideWhite },
		...(held && { held }),
		...(wall && { wall }),
		...heights,
		...size,
		...{ areaMm2, massG, meanMm: areaMm2 > 0 ? massG / G_PER_MM3 / areaMm2 : 0 },
		acrossMm: isOne ? Math.max(size.widthMm, size.heightMm) : planned.acrossMm,
		highMm: planned.highMm + higherMm / meltsTo(planned),
		fired: planned.fired || hadLevel !== undefined,
		effectiveMm: effectiveThicknessMm(heights, level, hadLevel),
		from: !made ? "kit" : addedSince(kit, madeAt, at) ? "measuredBefore" : "measured",
	};
}

/** Nothing is measured smaller or lighter, mm or g. */
const LEAST_MM = 0.1;

/**
 * Thickest and thinnest glass of a kit’s body as the piece was measured to differ from it, mm. A firing since may have levelled what was
 * measured: then only what makes it anneal for longer is believed. In a wall its weight says how deep it melts, better than a caliper in
 * loose frit.
 */
function heightsBy(
	planned: KitBody,
	made: AsMade | undefined,
	was: { thickestMm: number; thinnestMm: number } | undefined,
	isSince: boolean,
): { thickestMm: number; thinnestMm: number; higherMm: number } {
	const differs = { thickestMm: was?.thickestMm ?? 0, thinnestMm: was?.thinnestMm ?? 0 };
	const higherMm = isSince ? Math.max(0, differs.thickestMm) : differs.thickestMm;
	const thinnerMm = isSince ? Math.min(0, differs.thinnestMm) : differs.thinnestMm;
	const weighed = planned.held && !isSince && made?.massG ? made.massG / (planned.massG || 1) : undefined;
	const highest = weighed ? planned.thickestMm * weighed : planned.thickestMm + higherMm;
	const lowest = weighed ? planned.thinnestMm * weighed : planned.thinnestMm + thinnerMm;
	const thickestMm = Math.max(LEAST_MM, highest);
	return { thickestMm, thinnestMm: Math.min(thickestMm, Math.max(LEAST_MM, lowest)), higherMm };
}

/** One of its bodies, higher and thinner by as much as all of it was measured to be. */
function asCorrected(one: OwnHeights, planned: KitBody, now: Pick<Heights, "thickestMm" | "thinnestMm">): OwnHeights {
	const thickestMm = Math.max(LEAST_MM, one.thickestMm + now.thickestMm - planned.thickestMm);
	const thinnestMm = Math.max(LEAST_MM, one.thinnestMm + now.thinnestMm - planned.thinnestMm);
	return { ...one, thickestMm, thinnestMm: Math.min(thickestMm, thinnestMm) };
}

/** Was glass added after somebody measured it? */
const addedSince = (kit: readonly KitBody[], madeAt: At, at: At): boolean =>
	kit.slice(madeAt.step + 1, at.step + 1).some(({ addsGlass }) => addsGlass);

/** Density of glass, g/mm³. */
const G_PER_MM3 = 0.0025;

const meanOf = ({ thickestMm, thinnestMm }: Heights): number => (thickestMm + thinnestMm) / 2;

/** Is what was measured one of several loose bodies, not all of them as they are laid? */
function isOfOne(made: AsMade, { bodies, acrossMm, widthMm, heightMm }: KitBody): boolean {
	const longMm = Math.max(made.widthMm, made.heightMm);
	return bodies > 1 && Math.abs(longMm - acrossMm) < Math.abs(longMm - Math.max(widthMm, heightMm));
}

/**
 * By how much a height differs from the kit’s, mm. A caliper presses into loose frit: between what it melts to and how high it lies loose
 * nothing is known to differ, and nothing anneals for less.
 */
function beyond(madeMm: number, meltedMm: number, looseMm: number, share: number): number {
	if (madeMm > looseMm) return (madeMm - looseMm) * share;
	return Math.min(0, madeMm - meltedMm);
}

/** How a piece differed from its kit as it was measured; turned, where that is nearer to it. One of its dots tells heights alone. */
function differing(made: AsMade, kit: KitBody) {
	const plan = asMeasured(kit);
	const heights = {
		thickestMm: beyond(made.thickestMm, kit.thickestMm + kit.insertMm, plan.thickestMm, meltsTo(kit)),
		thinnestMm: beyond(made.thinnestMm, kit.thinnestMm, plan.thinnestMm, meltsTo(kit)),
	};
	if (isOfOne(made, kit)) return { widthMm: 0, heightMm: 0, massG: undefined, ...heights };
	const off = (w: number, h: number) => Math.abs(w - plan.widthMm) + Math.abs(h - plan.heightMm);
	const isTurned = off(made.heightMm, made.widthMm) < off(made.widthMm, made.heightMm);
	const [w, h] = isTurned ? [made.heightMm, made.widthMm] : [made.widthMm, made.heightMm];
	return {
		widthMm: w - plan.widthMm,
		heightMm: h - plan.heightMm,
		...heights,
		massG: made.massG === null ? undefined : made.massG - plan.massG,
	};
}

/** A piece that no kit is known of: a box as it was measured. */
function byMeasure(made: AsMade, level: FuseLevel, hadLevel: FuseLevel | undefined): PieceBody {
	const { widthMm, heightMm, thickestMm, thinnestMm } = made;
	const heights: Heights = { thickestMm, thinnestMm, insertMm: 0, aroundMm: 0, narrowMm: Math.min(widthMm, heightMm) };
	const areaMm2 = widthMm * heightMm;
	const meanMm =
		made.massG === null
			? meanOf(heights)
			: Math.min(thickestMm, Math.max(thinnestMm / 2, made.massG / G_PER_MM3 / areaMm2));
	return {
		...{ level, hadLevel, turnedOver: false, opaqueBelow: false },
		...heights,
		...{ widthMm, heightMm, areaMm2, meanMm, massG: meanMm * areaMm2 * G_PER_MM3 },
		acrossMm: Math.max(widthMm, heightMm),
		highMm: thickestMm,
		trappedSpanMm: 0,
		blackBesideWhite: false,
		fired: hadLevel !== undefined,
		effectiveMm: effectiveThicknessMm(heights, level, hadLevel),
		from: "measured",
	};
}
