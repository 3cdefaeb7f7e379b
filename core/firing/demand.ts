import type { FuseLevel } from "./level";
import { COOLING_LAG_K, rateForLag } from "./rates";
import { type Pace, WARM_UP_LAG_K, type WarmUpSchool } from "./schools";

/** What a schedule has to know of one piece. Lengths mm. */
export interface PieceToFire {
	id: string;
	level: FuseLevel;
	/** Thickest column of glass, with the fibre left inside it. */
	thickestMm: number;
	/** The thickness it has to be annealed as. */
	effectiveMm: number;
	/** Longer side of the footprint. */
	acrossMm: number;
	/** Has been fused in an earlier firing. */
	fired: boolean;
	blackBesideWhite: boolean;
	/** Its thickest glass is more than twice its thinnest. */
	multiLevel: boolean;
	/** Longest span of sheet lying on sheet, under which air is caught; 0 where there is none. */
	trappedSpanMm: number;
}

/** What one piece asks of a schedule. Rates °C/h, times min. */
export interface Demand {
	level: FuseLevel;
	firstRampCPerH: number | "full";
	airMin: number;
	soakMin: number;
	coolCPerH: number;
}

/** Limits of the rates and times. All common practice, no source. */
export const FIRST_RAMP_CAP_C_PER_H = 222;
export const SLOW_RAMP_C_PER_H = 85;
const REFIRED_SHARE = 0.75;
/** Glass fired before is heated as uneven as it is, but never as more than this many times its thickness. */
export const MOST_UNEVEN_WARM_UP = 1.5;
const TINY_ACROSS_MM = 15;
const TINY_THICK_MM = 6;
const TRAP_FROM_MM = 75;
export const COOL_CAP_C_PER_H = 83;
const LEAST_SOAK_MIN = 30;
const SOAK_MM_PER_H = 6;

/** Below these the edges of sheet on sheet do not close: air finds its way out by itself. Common practice, no source. */
const SEALS: readonly FuseLevel[] = ["tack", "contour", "full", "deep"];

/** How long a piece that anneals as so thick (mm) is held, min: an hour for 6 mm, half an hour at least. Common practice, no source. */
export const soakMinOf = (effectiveMm: number): number => Math.max(LEAST_SOAK_MIN, (effectiveMm / SOAK_MM_PER_H) * 60);

export function demandOf(piece: PieceToFire, { cooling, warmUp }: Pace): Demand {
	const cool = Math.min(COOL_CAP_C_PER_H, rateForLag(COOLING_LAG_K, piece.effectiveMm));
	return {
		level: piece.level,
		firstRampCPerH: firstRamp(piece, warmUp),
		airMin: SEALS.includes(piece.level) ? airHoldMin(piece.trappedSpanMm) : 0,
		soakMin: soakMinOf(piece.effectiveMm),
		coolCPerH: cooling === "cautious" ? cool / 2 : cool,
	};
}

function firstRamp(piece: PieceToFire, school: WarmUpSchool): number | "full" {
	const slow = piece.blackBesideWhite || (piece.level === "slump" && piece.multiLevel);
	const tiny = piece.acrossMm < TINY_ACROSS_MM && piece.thickestMm <= TINY_THICK_MM;
	if (tiny && !slow) return "full";
	const byThickness = Math.min(FIRST_RAMP_CAP_C_PER_H, rateForLag(WARM_UP_LAG_K[school], warmUpThicknessMm(piece)));
	const rate = piece.fired ? byThickness * REFIRED_SHARE : byThickness;
	return slow ? Math.min(rate, SLOW_RAMP_C_PER_H) : rate;
}

/** The thickness (mm) a piece is heated as: cold sheets as thick as they lie, a fused piece by its unevenness as well. */
export const warmUpThicknessMm = ({ fired, thickestMm, effectiveMm }: PieceToFire): number =>
	fired ? Math.max(thickestMm, Math.min(effectiveMm, MOST_UNEVEN_WARM_UP * thickestMm)) : thickestMm;

/** 30 min from 75 mm on, 10 min more per further 100 mm, 90 at most. */
export function airHoldMin(spanMm: number): number {
	if (spanMm < TRAP_FROM_MM) return 0;
	return Math.min(90, 30 + 10 * Math.floor((spanMm - TRAP_FROM_MM) / 100));
}
