import type { GlassFamily } from "../glass/family";
import { type Viscosity, viscosityOf } from "../glass/viscosity";
import type { KilnBody } from "../kiln/kiln";
import { type Phrase, say } from "../units/phrase";
import { LONGEST_HOLD_MIN, solveHoldMin, solvePeakC } from "./build";
import { planFlow } from "./plan-flow";
import type { Segment } from "./schedule";

/** A peak solved backwards from a wanted flow index, and what had to give. */
export interface SolvedPeak {
	segments: Segment[];
	peakC: number;
	holdMin: number;
	flow: number;
	/** Why it is not as asked; empty where it is. */
	because: Phrase;
}

const peakIndex = (segments: readonly Segment[]): number => {
	const hottest = Math.max(...segments.map(({ targetC }) => targetC));
	return segments.findLastIndex(({ targetC }) => targetC === hottest);
};

function withPeak(segments: readonly Segment[], peakC: number, holdMin: number): Segment[] {
	const at = peakIndex(segments);
	return segments.map((segment, i) => {
		if (i === at) return { ...segment, targetC: peakC, holdMin };
		return i < at ? { ...segment, targetC: Math.min(segment.targetC, peakC) } : segment;
	});
}

interface Wanted {
	/** Flow index to reach. */
	aim: number;
	/** Never hotter than this, °C; left out: the hold stays and the peak is solved. */
	hottestC?: number;
}

/**
 * The peak (°C) or, under a ceiling, the hold (min) that reaches a wanted flow index. A hold is never solved beyond
 * {@link LONGEST_HOLD_MIN}: the peak is raised instead, and that is said.
 */
export function solvePeak(
	segments: readonly Segment[],
	family: GlassFamily,
	kiln: KilnBody | undefined,
	{ aim, hottestC }: Wanted,
): SolvedPeak {
	const viscosity: Viscosity = viscosityOf(family);
	const flowAt = (peakC: number, holdMin: number) =>
		planFlow({ segments: withPeak(segments, peakC, holdMin) }, viscosity, kiln);
	const answer = (peakC: number, holdMin: number, because: Phrase): SolvedPeak => ({
		segments: withPeak(segments, peakC, holdMin),
		peakC,
		holdMin,
		flow: flowAt(peakC, holdMin),
		because,
	});
	const now = segments[peakIndex(segments)];
	if (!now)
		return { segments: [], peakC: Number.NaN, holdMin: 0, flow: 0, because: say`There is no segment to solve.` };
	if (hottestC === undefined) {
		return answer(
			solvePeakC((peakC) => flowAt(peakC, now.holdMin), aim),
			now.holdMin,
			[],
		);
	}
	if (flowAt(hottestC, 0) > aim) {
		const peakC = solvePeakC((c) => flowAt(c, 0), aim);
		return answer(peakC, 0, say`Even without a hold ${{ c: hottestC }} would go further: the peak is lower.`);
	}
	const holdMin = solveHoldMin((hold) => flowAt(hottestC, hold), aim);
	if (holdMin !== undefined) return answer(hottestC, holdMin, []);
	const raisedC = solvePeakC((peakC) => flowAt(peakC, LONGEST_HOLD_MIN), aim);
	return answer(
		raisedC,
		LONGEST_HOLD_MIN,
		say`At ${{ c: hottestC }} it would take longer than ${{ min: LONGEST_HOLD_MIN }}, and a cloudy skin grows: the peak is raised instead.`,
	);
}
