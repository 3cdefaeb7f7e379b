import { costOf } from "./decode";
import type { PlanProblem } from "./problem";
import type { PlanJob, PlanLoad, PlanWeights } from "./types";

/** May jobs share a firing? One family, one level, one band; or several bands where that is wanted. */
export const shareKey = ({ tray, familyId, toFire }: PlanJob, mixBands: boolean): string =>
	mixBands ? `${familyId}/${toFire.level}` : tray;

/**
 * The loads with some jobs more, put together where it costs least: in a load that is there, or one of their own on any kiln at any
 * place of the row. Undefined where they fit nowhere. Costs are reckoned first; what fits is packed only for the cheapest.
 * @param jobs of one share key
 * @param blur what is added to a place's cost when places are compared: now and then a dearer one is taken, that others make worth while
 */
export function inserted(
	problem: PlanProblem,
	loads: readonly PlanLoad[],
	jobs: readonly number[],
	weights: PlanWeights,
	blur: () => number = () => 0,
): { loads: PlanLoad[]; cost: number } | undefined {
	const first = problem.jobs[jobs[0] as number] as PlanJob;
	const key = shareKey(first, weights.mixBands);
	const candidates: { loads: PlanLoad[]; kiln: number; all: number[] }[] = [];
	for (const [i, load] of loads.entries()) {
		if (shareKey(problem.jobs[load.jobs[0] as number] as PlanJob, weights.mixBands) !== key) continue;
		const all = [...load.jobs, ...jobs];
		candidates.push({ loads: loads.with(i, { ...load, jobs: all }), kiln: load.kiln, all });
	}
	for (const kiln of problem.kilnsOf[jobs[0] as number] ?? []) {
		const own = { kiln, jobs: [...jobs] };
		const places = [...loads.keys()].filter((i) => loads[i]?.kiln === kiln);
		for (const i of [...places, loads.length])
			candidates.push({ loads: [...loads.slice(0, i), own, ...loads.slice(i)], kiln, all: own.jobs });
	}
	const priced = candidates.flatMap((one) => {
		if (one.all.some((job) => !problem.kilnsOf[job]?.includes(one.kiln))) return [];
		const cost = costOf(problem, one.loads, weights);
		return Number.isFinite(cost) ? [{ ...one, cost, looks: cost + blur() }] : [];
	});
	priced.sort((a, b) => a.looks - b.looks);
	return priced.find(({ kiln, all }) => problem.fit.fits(kiln, all));
}
