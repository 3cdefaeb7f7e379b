import type { FuseLevel } from "../firing/level";
import { FUSE_LEVELS } from "../firing/level";
import type { RouteStep } from "../kit/kit";
import type { Fault, NextStep } from "./events";

export interface FaultAdvice {
	word: string;
	cause: string;
	mend: string;
	next: NextStep;
}

/** What is found on opening, its likely cause and what helps. Common practice, no source. */
export const FAULT_ADVICE: Record<Fault, FaultAdvice> = {
	heatCrack: {
		word: "crack with rounded edges",
		cause: "heated too fast, before it fused",
		mend: "slower first ramp, fuse again",
		next: "refire",
	},
	coolCrack: {
		word: "crack with sharp edges",
		cause: "anneal too short, or two families",
		mend: "find out which; longer soak, or discard",
		next: "spoiled",
	},
	bubble: {
		word: "big bubble",
		cause: "damp, dirt or trapped air, too fast",
		mend: "drill or cut away, longer bubble hold",
		next: "coldWork",
	},
	cloudy: {
		word: "cloudy skin or edge",
		cause: "dirt, too long too hot",
		mend: "clean, thin clear powder, fire again",
		next: "refire",
	},
	needlePoints: {
		word: "needle points, wavy edge",
		cause: "a single layer drew in",
		mend: "wet pad or grinder, then fire polish",
		next: "coldWork",
	},
	strayGrain: { word: "stray grain", cause: "frit jumped", mend: "grind out, or live with it", next: "coldWork" },
	notJoined: {
		word: "gap, part not joined",
		cause: "touched but did not overlap, or too cool",
		mend: "bridge it, fire again",
		next: "refire",
	},
	flat: {
		word: "too flat, texture lost",
		cause: "hotter or longer than planned",
		mend: "note the kiln, lower the peak",
		next: "ready",
	},
	underFired: {
		word: "still sharp or grainy",
		cause: "too cool or too short",
		mend: "fire again from the start, further",
		next: "refire",
	},
	stuckToShelf: {
		word: "wash or paper stuck",
		cause: "opaque glass on wash, or too hot",
		mend: "pad, take the wash off wet",
		next: "coldWork",
	},
	bent: {
		word: "tip bent, loop crooked",
		cause: "no support, or it moved",
		mend: "note it for the kit",
		next: "ready",
	},
};

/** The next step a judgement points to, and why in a few words. The instructor decides. @param good of a kit of loose ones, how many are */
export function proposeNext(
	expected: FuseLevel,
	reached: FuseLevel | "none",
	faults: readonly Fault[],
	route: readonly RouteStep[],
	step: number,
	good: number | null = null,
): { next: NextStep; why: string } {
	if (good === 0) return { next: "spoiled", why: "none of them is good" };
	const worst = (
		[
			"coolCrack",
			"heatCrack",
			"notJoined",
			"underFired",
			"cloudy",
			"bubble",
			"needlePoints",
			"stuckToShelf",
			"strayGrain",
		] as const
	).find((fault) => faults.includes(fault));
	if (worst) return { next: FAULT_ADVICE[worst].next, why: `${FAULT_ADVICE[worst].word}: ${FAULT_ADVICE[worst].mend}` };
	const rank = (level: FuseLevel | "none") => (level === "none" ? -1 : FUSE_LEVELS.indexOf(level));
	if (rank(reached) < rank(expected)) return { next: "refire", why: "not as far as planned" };
	const here = route[step];
	const later = route[step + 1];
	if (here?.handWork) return { next: "coldWork", why: here.handWork };
	if (later) return { next: "nextFiring", why: `firing ${step + 2} of the route` };
	return { next: "ready", why: "as planned, and the route is done" };
}
