import { groupBy } from "../../group-by";
import { usableMm2 } from "../shelf";
import { mostTiers } from "../tiers";
import { SLACK_MIN } from "./decode";
import { shareKey } from "./insert";
import { type PlanProblem, pieceAt } from "./problem";
import { nextIn } from "./spans";
import type { PlanJob, PlanKiln } from "./types";

/** What no plan of some jobs can do with less of. */
export interface AtLeast {
	firings: number;
	broken: number;
}

/**
 * Bounds that hold for every plan. Firings: of what may share a shelf, all glass over the largest kiln that takes any of it. Broken
 * promises: pieces that are late even alone, with every kiln free.
 * @param jobs those that the plan fires
 */
export const atLeast = (problem: PlanProblem, jobs: readonly number[], mixBands: boolean): AtLeast => ({
	firings: [...groupBy(jobs, (job) => shareKey(problem.jobs[job] as PlanJob, mixBands)).values()].reduce(
		(sum, shared) => sum + firingsOf(problem, shared),
		0,
	),
	broken: problem.input.pieces.filter(
		({ promisedMin }, i) => promisedMin !== null && soonestHome(problem, i) > promisedMin,
	).length,
});

function firingsOf({ input, fit, kilnsOf }: PlanProblem, shared: readonly number[]): number {
	const glassMm2 = shared.reduce((sum, job) => sum + fit.areaAt(job), 0);
	const kilns = new Set(shared.flatMap((job) => kilnsOf[job] ?? []));
	const most = [...kilns].reduce((largest, i) => {
		const kiln = input.kilns[i] as PlanKiln;
		return Math.max(largest, usableMm2(kiln.shelf) * mostTiers(kiln));
	}, 0);
	return Math.max(1, Math.ceil(glassMm2 / most - 1e-9));
}

/** When a piece could be home at the soonest, alone and with every kiln free, min; Infinity where it never is. @param index of the piece */
export function soonestHome(problem: PlanProblem, index: number): number {
	const { pieces, there, mayStart } = problem.input;
	const first = problem.pieceOf.indexOf(index);
	const { readyMin, jobs, tailMin } = pieceAt(problem, first);
	let at = readyMin;
	for (let step = 0; step < jobs.length && pieces[index]; step++) {
		const job = first + step;
		const kilns = problem.kilnsOf[job] ?? [];
		const least = Math.min(...kilns.map((kiln) => problem.hours.of(kiln, [job]).openMin));
		const start = nextIn(mayStart, step === 0 ? at : at + (problem.jobs[job]?.afterMin ?? 0));
		at = nextIn(there, start + least + SLACK_MIN);
	}
	return at + tailMin;
}
