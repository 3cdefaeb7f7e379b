import { curveOf, type Schedule, type SegmentName } from "@core/firing/schedule";
import type { KilnBody } from "@core/kiln/kiln";

const WORDS: Record<SegmentName, string> = {
	up: "up",
	peak: "peak",
	drop: "anneal",
	down1: "down",
	down2: "down",
	down3: "to open",
};

/** Stretches of the time axis with the name of what happens there. */
export const phaseBands = ({ segments }: Schedule, kiln: KilnBody | undefined) =>
	segments.map(({ name }, i) => {
		const until = (count: number) => curveOf({ segments: segments.slice(0, count) }, kiln).at(-1)?.s ?? 0;
		return { fromS: until(i), toS: until(i + 1), name: WORDS[name] };
	});
