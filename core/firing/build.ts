import type { GlassFamily, SoakSchool } from "../glass/family";
import { LOG_ETA_BUBBLE, temperatureAt, type Viscosity, viscosityOf } from "../glass/viscosity";
import type { KilnBody } from "../kiln/kiln";
import type { Demand } from "./demand";
import { LEVEL_AIM } from "./level";
import { planFlow } from "./plan-flow";
import type { Schedule, Segment } from "./schedule";
import { type DotSchool, HEAT_HOLD_MIN, type HeatSchool } from "./schools";

/** Common practice, no source. */
export const LOWER_SOAK_BELOW_ANNEALING_K = 34; // family 90: 516 → 482 °C
export const RAMP_END_C = 560;
const PEAK_RAMP_C_PER_H = 333;
/** A hold is never solved beyond this: a cloudy skin grows. */
export const LONGEST_HOLD_MIN = 45;
export const COOL_STEP_K = 55;
export const LAST_COOL_CAP_C_PER_H = 330;
export const OPEN_C = 50;
const COOLEST_PEAK_C = 560;
const HOTTEST_PEAK_C = 960;

export interface BuildOptions {
	family: GlassFamily;
	/** The kiln it will be fired in, for its own drop; undefined where none is known. */
	kiln?: KilnBody;
	/** The studio's; a family's own goes before it. */
	soakSchool?: SoakSchool;
	/** Flow index to reach; the level's usual aim if left out. */
	aim?: number;
	heat?: HeatSchool;
	/** What is done with loads of tiny dots only. */
	dots?: DotSchool;
	/** Hold at the peak; that of the heat school if left out. */
	holdMin?: number;
	/** The peak where it is known already, °C; solved for the flow index if left out. */
	peakC?: number | undefined;
	/** Where it is annealed, °C; by the school if left out. */
	soakC?: number;
}

/** Where a family is annealed, °C: its own school goes before the studio's. */
export const soakCOf = (family: GlassFamily, school: SoakSchool = "lower"): number =>
	(family.soakSchool ?? school) === "lower" ? family.annealingC - LOWER_SOAK_BELOW_ANNEALING_K : family.annealingC;

/** The schedule that meets a demand: up, air, peak (solved for the flow index), anneal, down in three steps. */
export function buildSchedule(demand: Demand, options: BuildOptions): Schedule {
	const { family, holdMin = HEAT_HOLD_MIN[options.heat ?? "usual"] } = options;
	const viscosity = viscosityOf(family);
	const soakC = options.soakC ?? soakCOf(family, options.soakSchool);
	const withPeak = (peakC: number): Schedule => ({
		segments: [
			...heating(demand, viscosity, peakC, holdMin),
			{ name: "drop", rateCPerH: "full", targetC: soakC, holdMin: Math.round(demand.soakMin) },
			...cooling(soakC, demand.coolCPerH),
		],
	});
	const aim = options.aim ?? LEVEL_AIM[demand.level];
	const solved = (make: (peakC: number) => Schedule) =>
		make(options.peakC ?? solvePeakC((peakC) => planFlow(make(peakC), viscosity, options.kiln), aim));
	const dotsOnly = demand.firstRampCPerH === "full" && options.dots === "straightUp";
	return solved(dotsOnly ? straightUp : withPeak);
}

/** Tiny dots only: full power up, and off. */
const straightUp = (peakC: number): Schedule => ({
	segments: [
		{ name: "peak", rateCPerH: "full", targetC: peakC, holdMin: 0 },
		{ name: "drop", rateCPerH: "full", targetC: OPEN_C, holdMin: 0 },
	],
});

function heating(demand: Demand, viscosity: Viscosity, peakC: number, holdMin: number): Segment[] {
	const rate = demand.firstRampCPerH === "full" ? "full" : Math.floor(demand.firstRampCPerH);
	const peak: Segment = { name: "peak", rateCPerH: PEAK_RAMP_C_PER_H, targetC: peakC, holdMin };
	const airC = Math.floor(temperatureAt(viscosity, LOG_ETA_BUBBLE));
	if (demand.airMin > 0 && airC < peakC) {
		return [{ name: "up", rateCPerH: rate, targetC: airC, holdMin: demand.airMin }, peak];
	}
	return [{ name: "up", rateCPerH: rate, targetC: Math.min(RAMP_END_C, peakC), holdMin: 0 }, peak];
}

function cooling(soakC: number, firstCPerH: number): Segment[] {
	const rate = (share: number) => Math.max(1, Math.floor(Math.min(LAST_COOL_CAP_C_PER_H, firstCPerH * share)));
	return [
		{ name: "down1", rateCPerH: rate(1), targetC: soakC - COOL_STEP_K, holdMin: 0 },
		{ name: "down2", rateCPerH: rate(1.8), targetC: soakC - 2 * COOL_STEP_K, holdMin: 0 },
		{ name: "down3", rateCPerH: rate(6), targetC: OPEN_C, holdMin: 0 },
	];
}

/** The same firing at the pace of another demand: its first ramp and its cooling. Straight up and off stays as it is. */
export function repaced({ segments }: Schedule, demand: Demand): Schedule {
	const soak = segments.find(({ name, holdMin }) => name === "drop" && holdMin > 0);
	if (!soak) return { segments };
	const up = demand.firstRampCPerH === "full" ? "full" : Math.floor(demand.firstRampCPerH);
	const hot = segments.filter(({ name }) => !name.startsWith("down"));
	return {
		segments: [
			...hot.map((one) => (one.name === "up" ? { ...one, rateCPerH: up } : one)),
			...cooling(soak.targetC, demand.coolCPerH),
		] as Segment[],
	};
}

/**
 * The whole-degree peak (°C) whose flow comes nearest to `aim`; bisection, flow grows with the peak. Where it jumps, because a
 * hold to let air out comes in, the nearer side of the jump.
 */
export function solvePeakC(flowAt: (peakC: number) => number, aim: number): number {
	let low = COOLEST_PEAK_C;
	let high = HOTTEST_PEAK_C;
	while (high - low > 1) {
		const middle = Math.floor((low + high) / 2);
		if (flowAt(middle) < aim) low = middle;
		else high = middle;
	}
	const off = (peakC: number) => Math.abs(Math.log(flowAt(peakC) / aim));
	return off(low) < off(high) ? low : high;
}

/**
 * The hold (whole min) that reaches `aim` at a peak that may not be passed; undefined where it would take longer than
 * {@link LONGEST_HOLD_MIN}: the peak has to be raised instead.
 */
export function solveHoldMin(flowAt: (holdMin: number) => number, aim: number): number | undefined {
	if (flowAt(LONGEST_HOLD_MIN) < aim) return undefined;
	let low = 0;
	let high = LONGEST_HOLD_MIN;
	while (high - low > 0.1) {
		const middle = (low + high) / 2;
		if (flowAt(middle) < aim) low = middle;
		else high = middle;
	}
	return Math.round(high);
}
