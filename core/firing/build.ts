import type { GlassFamily, SoakSchool } from "../glass/family";
import { LOG_ETA_BUBBLE, temperatureAt, type Viscosity, viscosityOf } from "../glass/viscosity";
import type { KilnBody } from "../kiln/kiln";
import type { Demand } from "./demand";
import { flowIndex } from "./flow-index";
import { LEVEL_AIM } from "./level";
import { curveOf, type Schedule, type Segment } from "./schedule";

/** Common practice, no source. */
const LOWER_SOAK_BELOW_ANNEALING_K = 34; // family 90: 516 → 482 °C
const RAMP_END_C = 560;
const PEAK_RAMP_C_PER_H = 333;
export const USUAL_HOLD_MIN = 10;
/** A hold is never solved beyond this: a cloudy skin grows. */
export const LONGEST_HOLD_MIN = 45;
const COOL_STEP_K = 55;
const LAST_COOL_CAP_C_PER_H = 330;
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
	holdMin?: number;
}

/** The schedule that meets a demand: up, air, peak (solved for the flow index), anneal, down in three steps. */
export function buildSchedule(demand: Demand, options: BuildOptions): Schedule {
	const { family, holdMin = USUAL_HOLD_MIN } = options;
	const soakSchool = family.soakSchool ?? options.soakSchool ?? "lower";
	const viscosity = viscosityOf(family);
	const soakC = soakSchool === "lower" ? family.annealingC - LOWER_SOAK_BELOW_ANNEALING_K : family.annealingC;
	const withPeak = (peakC: number): Schedule => ({
		segments: [
			...heating(demand, viscosity, peakC, holdMin),
			{ name: "drop", rateCPerH: "full", targetC: soakC, holdMin: Math.round(demand.soakMin) },
			...cooling(soakC, demand.coolCPerH),
		],
	});
	const aim = options.aim ?? LEVEL_AIM[demand.level];
	return withPeak(solvePeakC((peakC) => flowIndex(viscosity, curveOf(withPeak(peakC), options.kiln)), aim));
}

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

/** The whole-degree peak (°C) whose flow comes nearest to `aim` from below-or-at; bisection, flow grows with the peak. */
export function solvePeakC(flowAt: (peakC: number) => number, aim: number): number {
	let low = COOLEST_PEAK_C;
	let high = HOTTEST_PEAK_C;
	while (high - low > 0.25) {
		const middle = (low + high) / 2;
		if (flowAt(middle) < aim) low = middle;
		else high = middle;
	}
	return Math.round((low + high) / 2);
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
