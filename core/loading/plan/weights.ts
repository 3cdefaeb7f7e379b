import type { PlanWeights } from "./types";
import { type PlanWishes, STEP_FACTOR } from "./wishes";

export const PLAN_NAMES = ["soonest", "fewest", "gentlest"] as const;
export type PlanName = (typeof PLAN_NAMES)[number];
export const PLAN_WORDS: Record<PlanName, string> = {
	soonest: "Soonest home",
	fewest: "Fewest firings",
	gentlest: "Gentlest",
};

const EVEN: PlanWeights = {
	brokenPromise: 100,
	dayLate: 5,
	firing: 10,
	classSplit: 6,
	overAnnealHour: 0.1,
	waitingHour: 0.002,
	leftOut: 90,
	moved: 2,
	mixBands: false,
};

/**
 * What counts how much in each of the three plans. In all of them a promise comes before everything else. Common practice, no
 * source; the even ones behaved in trials with made-up studios.
 */
export const PLAN_WEIGHTS: Record<PlanName, PlanWeights> = {
	soonest: { ...EVEN, firing: 3, classSplit: 3, overAnnealHour: 0.03, waitingHour: 0.02 },
	fewest: { ...EVEN, firing: 40, classSplit: 2, overAnnealHour: 0.02, mixBands: true },
	gentlest: { ...EVEN, firing: 6, overAnnealHour: 1.5 },
};

/** What counts how much in a plan of a studio with wishes of its own. To leave a piece out never costs less than to fire it alone. */
export function weightsOf(name: PlanName, wishes: PlanWishes): PlanWeights {
	const its = PLAN_WEIGHTS[name];
	const by = (wish: keyof PlanWishes, weight: number) => weight * STEP_FACTOR[wishes[wish]];
	const firing = by("firings", its.firing);
	return {
		...its,
		brokenPromise: by("promises", its.brokenPromise),
		dayLate: by("promises", its.dayLate),
		classSplit: by("together", its.classSplit),
		firing,
		leftOut: Math.max(its.leftOut, 2 * firing),
		overAnnealHour: by("gentle", its.overAnnealHour),
		waitingHour: by("soon", its.waitingHour),
	};
}
