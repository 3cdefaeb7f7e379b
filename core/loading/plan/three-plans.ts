import { costOf } from "./decode";
import { shareKey } from "./insert";
import type { PlanProblem } from "./problem";
import { roundsFor, searchPlan } from "./search";
import type { Plan, PlanJob, PlanLoad, PlanWeights } from "./types";
import { PLAN_NAMES, type PlanName, weightsOf } from "./weights";

export interface PlanProgress {
	name: PlanName;
	plan: Plan;
	/** Of the whole search, 0 to 1. */
	share: number;
}

/**
 * The three plans side by side, each better and better: first one of each, then each searched, then each gone on from what another
 * found, where that is better by its own weights.
 */
export function* threePlans(problem: PlanProblem): Generator<PlanProgress> {
	const rounds = roundsFor(problem.jobs.length);
	const best = new Map<PlanName, Plan>();
	const weights = (name: PlanName) => weightsOf(name, problem.input.wishes);
	const total = PLAN_NAMES.length * (1.5 * rounds + 2);
	let done = 0;
	function* search(name: PlanName, times: number, from?: readonly PlanLoad[]): Generator<PlanProgress> {
		for (const plan of searchPlan(problem, weights(name), times, from && { from, seed: 2 })) {
			done++;
			const before = best.get(name);
			if (before && plan.cost >= before.cost - 1e-9) {
				if (done % 20 === 0) yield { name, plan: before, share: done / total };
				continue;
			}
			best.set(name, plan);
			yield { name, plan, share: done / total };
		}
	}
	for (const name of PLAN_NAMES) yield* search(name, 0);
	for (const name of PLAN_NAMES) yield* search(name, rounds);
	for (const name of PLAN_NAMES) {
		const rows = [...best.values()].map(({ loads }) => loads).filter((loads) => mayBe(problem, loads, weights(name)));
		const priced = rows.map((loads) => ({ loads, cost: costOf(problem, loads, weights(name)) }));
		const cheapest = priced.sort((a, b) => a.cost - b.cost)[0];
		if (cheapest) yield* search(name, Math.ceil(rounds / 2), cheapest.loads);
	}
	for (const [name, plan] of best) yield { name, plan, share: 1 };
}

const mayBe = (problem: PlanProblem, loads: readonly PlanLoad[], { mixBands }: PlanWeights): boolean =>
	loads.every(({ jobs }) => new Set(jobs.map((job) => shareKey(problem.jobs[job] as PlanJob, mixBands))).size === 1);
