import { groupBy } from "../../group-by";
import { seededRandom } from "../../seeded-random";
import { costOf, planOf } from "./decode";
import { inserted, shareKey } from "./insert";
import { announcedLoads, type PlanProblem, pieceAt } from "./problem";
import type { Plan, PlanJob, PlanLoad, PlanWeights } from "./types";

interface State {
	loads: PlanLoad[];
	cost: number;
}

/** How much worse a plan may be and still be gone on from, at the beginning of a walk; it cools down to nothing. */
const HEAT = 8;
/** In so many rounds places are compared with up to a firing’s worth of error. Source: Ropke and Pisinger (2006), noise. */
const BLURRED_SHARE = 0.4;
/** Of all that found no place before, about so many are tried again in a round. */
const TRIED_AGAIN = 10;

/** After so many rounds a walk has cooled down, and another begins from nothing. */
const WALK = 400;
/** Walks for a handful of pieces, of which a single one gets stuck now and then: together they take no longer than one of many pieces. */
const FEW_JOBS = 16;
const WALKS = 6;

/** Rounds that a plan of so many firings of pieces is searched for: a second of work, or hardly more than the first plan. */
export const roundsFor = (jobs: number): number =>
	jobs <= FEW_JOBS ? WALKS * WALK : Math.max(3, Math.round(WALK * Math.min(1, (90 / jobs) ** 2)));

/**
 * Plans that get better: first one by cheapest insertion, then by taking loads, classes or some pieces out and putting them back where
 * it costs least. With `from` it begins at a row of loads that is there. Rounds are counted, never timed: the same problem, weights and seed give the same plan on every machine.
 * Source: Shaw (1998), large neighbourhood search; Kirkpatrick, Gelatt and Vecchi (1983), annealing.
 */
export function* searchPlan(
	problem: PlanProblem,
	weights: PlanWeights,
	rounds: number,
	{ seed = 1, from = asAnnounced(problem, weights) }: { seed?: number; from?: readonly PlanLoad[] } = {},
): Generator<Plan> {
	const random = seededRandom(seed);
	let best = filled(problem, { loads: [...from], cost: costOf(problem, from, weights) }, weights, random, false);
	let told = planOf(problem, best.loads, weights) as Plan;
	yield told;
	let present = best;
	for (let round = 0; round < rounds; round++) {
		const walked = round % WALK;
		if (walked === 0 && round > 0) present = filled(problem, begun(problem, weights), weights, random, true);
		const ruin = ruined(problem, present, weights, random);
		const next = filled(problem, ruin, weights, random, true, ruin.out);
		const heat = HEAT * (1 - walked / Math.min(WALK, rounds)) ** 2;
		const worse = next.cost - present.cost;
		if (worse <= 0 || (heat > 0 && random() < Math.exp(-worse / heat))) present = next;
		if (next.cost < best.cost - 1e-9) {
			best = next;
			told = planOf(problem, best.loads, weights) as Plan;
		}
		yield told;
	}
}

/** What was announced, as far as it can be fired: nothing where nothing was, or may move. */
function asAnnounced(problem: PlanProblem, weights: PlanWeights): PlanLoad[] {
	let loads: PlanLoad[] = [];
	for (const load of announcedLoads(problem)) {
		const more = [...loads, load];
		const isFireable = load.jobs.every((job) => problem.kilnsOf[job]?.includes(load.kiln));
		if (isFireable && Number.isFinite(costOf(problem, more, weights))) loads = more;
	}
	return loads;
}

function begun(problem: PlanProblem, weights: PlanWeights): State {
	const loads = asAnnounced(problem, weights);
	return { loads, cost: costOf(problem, loads, weights) };
}

/** Everything that has no place yet, put in: a class's pieces together where they may, then one by one. */
function filled(
	problem: PlanProblem,
	{ loads, cost }: State,
	weights: PlanWeights,
	random: () => number,
	mayShuffle: boolean,
	out?: ReadonlySet<number>,
): State {
	let state: State = { loads, cost };
	const blurred = mayShuffle && random() < BLURRED_SHARE;
	const blur = () => (blurred ? random() * weights.firing : 0);
	const there = new Set(loads.flatMap(({ jobs }) => jobs));
	for (let step = 0; step < 8; step++) {
		const missing = problem.jobs.flatMap((_, job) => {
			const prior = problem.before[job] as number;
			return !there.has(job) && (problem.kilnsOf[job]?.length ?? 0) > 0 && (prior < 0 || there.has(prior)) ? [job] : [];
		});
		const tried = out ? missing.filter((job) => out.has(job) || random() < TRIED_AGAIN / missing.length) : missing;
		if (tried.length === 0) break;
		const before = there.size;
		for (const group of groupsOf(problem, tried, weights, random, mayShuffle)) {
			const together = group.length > 1 ? inserted(problem, state.loads, group, weights, blur) : undefined;
			state = together ?? oneByOne(problem, state, group, weights, blur);
			for (const { jobs } of state.loads) for (const job of jobs) there.add(job);
		}
		if (there.size === before) break;
	}
	return state;
}

const oneByOne = (
	problem: PlanProblem,
	state: State,
	jobs: readonly number[],
	weights: PlanWeights,
	blur: () => number,
): State => jobs.reduce((its, job) => inserted(problem, its.loads, [job], weights, blur) ?? its, state);

/** Jobs by what they may share and by class, most pressing first; sometimes in another order. */
function groupsOf(
	problem: PlanProblem,
	jobs: readonly number[],
	weights: PlanWeights,
	random: () => number,
	mayShuffle: boolean,
): number[][] {
	const key = (job: number) =>
		`${shareKey(problem.jobs[job] as PlanJob, weights.mixBands)} ${pieceAt(problem, job).group || job}`;
	const groups = [...groupBy(jobs, key).values()];
	const due = (job: number) => pieceAt(problem, job).promisedMin ?? Number.POSITIVE_INFINITY;
	const areaOf = (group: readonly number[]) => group.reduce((sum, job) => sum + problem.fit.areaAt(job), 0);
	const dueOf = (group: readonly number[]) => Math.min(...group.map(due));
	for (const group of groups) group.sort((a, b) => due(a) - due(b) || problem.fit.areaAt(b) - problem.fit.areaAt(a));
	const way = mayShuffle ? random() : 0;
	if (way < 0.4) return groups.sort((a, b) => dueOf(a) - dueOf(b) || areaOf(b) - areaOf(a));
	if (way < 0.7) return groups.sort((a, b) => areaOf(b) - areaOf(a));
	return groups
		.map((group) => ({ group, at: random() }))
		.sort((a, b) => a.at - b.at)
		.map(({ group }) => group);
}

/** A plan without a load, two loads of one kind, a class, or one to six pieces; what comes after a piece's firing goes with it. */
function ruined(
	problem: PlanProblem,
	{ loads, cost }: State,
	weights: PlanWeights,
	random: () => number,
): State & { out: Set<number> } {
	const out = new Set<number>();
	if (loads.length === 0) return { loads, cost, out };
	const any = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)] as T;
	const one = any(loads);
	const way = random();
	const jobs = (): number[] => {
		if (way < 0.3) return one.jobs;
		if (way < 0.5) {
			const key = shareKey(problem.jobs[one.jobs[0] as number] as PlanJob, weights.mixBands);
			const alike = loads.filter(
				(load) => load !== one && shareKey(problem.jobs[load.jobs[0] as number] as PlanJob, weights.mixBands) === key,
			);
			return alike.length > 0 ? [...one.jobs, ...any(alike).jobs] : one.jobs;
		}
		if (way < 0.65) {
			const { group } = pieceAt(problem, any(one.jobs));
			return loads.flatMap((load) => load.jobs.filter((job) => pieceAt(problem, job).group === group));
		}
		const all = loads.flatMap((load) => load.jobs);
		return Array.from({ length: 1 + Math.floor(random() * 6) }, () => any(all));
	};
	for (const job of jobs()) for (let at = job; at >= 0; at = problem.after[at] as number) out.add(at);
	const left = loads.flatMap((load) => {
		const stay = load.jobs.filter((job) => !out.has(job));
		return stay.length > 0 ? [{ ...load, jobs: stay }] : [];
	});
	return { loads: left, cost: costOf(problem, left, weights), out };
}
