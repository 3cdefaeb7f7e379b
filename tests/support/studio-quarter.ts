import { packShelf } from "@core/loading/pack";
import { TURNOVER_MIN } from "@core/loading/plan/decode";
import { type PlanProblem, problemOf } from "@core/loading/plan/problem";
import { searchPlan } from "@core/loading/plan/search";
import { nextIn } from "@core/loading/plan/spans";
import type { MinuteSpan, Plan, PlanInput, PlanJob, PlanKiln, PlanPiece } from "@core/loading/plan/types";
import { PLAN_WEIGHTS, type PlanName } from "@core/loading/plan/weights";
import type { Shelf } from "@core/loading/shelf";
import { planStudio } from "./plan-studio";

/** A made-up studio over weeks: classes bring pieces, kilns start late now and then, some pieces have to go in again. */

const DAY = 1440;
/** Somebody looks round so often, min. */
const LOOK_MIN = 30;
const ARRIVES_MIN = 12 * 60;
const LATE_SHARE = 0.15;
const AGAIN_SHARE = 0.03;
const JUDGE_MIN = 120;

/** A piece's next firing, as a job of the whole problem. */
interface Waits {
	job: number;
	readyMin: number;
}

interface Runs {
	kiln: number;
	jobs: readonly number[];
	startMin: number;
	openMin: number;
}

interface Start {
	kiln: number;
	jobs: readonly number[];
}

interface State {
	now: number;
	problem: PlanProblem;
	waits: readonly Waits[];
	runs: readonly Runs[];
}

/** What somebody starts now. Called anew for every look round. */
export type Policy = (state: State) => Start[];

export interface QuarterFigures {
	firings: number;
	promises: number;
	kept: number;
	kwh: number;
	/** Annealed beyond need, h. */
	overAnnealH: number;
	/** From hand-in until home, mean, days. */
	waitedDays: number;
	notHome: number;
}

/** Pieces of a quarter: as many as come in so many weeks, each class on its evening. */
export function quarter(seed: number, weeks: number, aWeek: number, kilns: number): PlanInput {
	const input = planStudio(seed, { pieces: weeks * aWeek, kilns, days: weeks * 7 + 28 });
	const groups = [...new Set(input.pieces.map(({ group }) => group))];
	const evening = (group: string) => {
		const day = Math.floor((groups.indexOf(group) / groups.length) * weeks * 7);
		return (day % 7 === 6 ? day - 1 : day) * DAY + ARRIVES_MIN;
	};
	const pieces = input.pieces.map((piece): PlanPiece => {
		const at = evening(piece.group);
		const promised = piece.promisedMin === null ? null : Math.floor(at / DAY) * DAY + piece.promisedMin + 2 * DAY;
		return { ...piece, readyMin: at + piece.readyMin, promisedMin: promised };
	});
	return { ...input, pieces };
}

/** Weeks of a studio under one way of loading; chance falls the same for every way. */
export function simulateStudio(input: PlanInput, policy: Policy): QuarterFigures {
	const problem = problemOf(input);
	const last = (input.there.at(-1) as MinuteSpan).to;
	const waits = new Map<number, number>();
	const home = new Map<number, number>();
	let runs: Runs[] = [];
	let again = 0;
	const figures = { firings: 0, kwh: 0, overAnnealH: 0 };
	for (const [i, piece] of input.pieces.entries()) waits.set(problem.pieceOf.indexOf(i), piece.readyMin);
	const opened = (job: number, at: number) => {
		if (chance(job, again) < AGAIN_SHARE) {
			again++;
			waits.set(job, at + JUDGE_MIN);
			return;
		}
		const next = problem.after[job] as number;
		if (next >= 0) waits.set(next, at + (problem.jobs[next]?.afterMin ?? 0));
		else home.set(problem.pieceOf[job] as number, at + (input.pieces[problem.pieceOf[job] as number]?.tailMin ?? 0));
	};
	for (let now = 0; now < last; now += LOOK_MIN) {
		if (nextIn(input.there, now) !== now) continue;
		for (const run of runs) if (run.openMin <= now) for (const job of run.jobs) opened(job, now);
		runs = runs.filter(({ openMin }) => openMin > now);
		const waiting = [...waits].map(([job, readyMin]) => ({ job, readyMin })).filter(({ readyMin }) => readyMin <= now);
		for (const { kiln, jobs } of policy({ now, problem, waits: waiting, runs })) {
			const hours = problem.hours.of(kiln, jobs);
			const late = chance(kiln, Math.floor(now / DAY) + 7) < LATE_SHARE ? 60 + 180 * chance(kiln, now) : 0;
			runs.push({ kiln, jobs, startMin: now + late, openMin: now + late + hours.openMin });
			for (const job of jobs) waits.delete(job);
			figures.firings++;
			figures.kwh += hours.kwh;
			figures.overAnnealH += problem.hours.overAnnealH(kiln, jobs);
		}
	}
	const promised = [...input.pieces.entries()].filter(([, { promisedMin }]) => promisedMin !== null);
	const waited = [...home].map(([i, at]) => at - (input.pieces[i]?.readyMin ?? 0));
	return {
		...figures,
		promises: promised.length,
		kept: promised.filter(([i, { promisedMin }]) => (home.get(i) ?? Number.POSITIVE_INFINITY) <= (promisedMin ?? 0))
			.length,
		waitedDays: waited.reduce((sum, min) => sum + min, 0) / DAY / Math.max(1, waited.length),
		notHome: input.pieces.length - home.size,
	};
}

/** Between 0 and 1, by two numbers alone. Source: mulberry32's mixing, public domain. */
function chance(a: number, b: number): number {
	let t = Math.imul((a + 1) * 2_654_435_761 + b * 40_503, 1) >>> 0;
	t = Math.imul(t ^ (t >>> 15), t | 1);
	t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
	return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
}

const free = ({ problem, runs }: State): number[] =>
	[...problem.input.kilns.keys()].filter((kiln) => !runs.some((run) => run.kiln === kiln));

/** A load presses that is so near its promise, or waits so long; or the shelf is as full as this. Common practice, no source. */
const PRESSES_MIN = 3 * DAY;
const FULL_ENOUGH = 0.5;

/**
 * How it is done without a planner: one tray into the next free kiln, boxes in the largest rectangle of its shelf, whoever is promised
 * first; started at once where the shelf looks full, or somebody was promised.
 */
export const byHand: Policy = (state) => {
	const starts: Start[] = [];
	const taken = new Set<number>();
	const { now, problem, waits } = state;
	for (const kiln of free(state)) {
		const its = problem.input.kilns[kiln] as PlanKiln;
		const trays = [...new Set(waits.map(({ job }) => problem.jobs[job]?.tray))].map((tray) =>
			waits.filter(
				({ job }) => problem.jobs[job]?.tray === tray && !taken.has(job) && problem.kilnsOf[job]?.includes(kiln),
			),
		);
		const due = ({ job }: Waits) =>
			problem.input.pieces[problem.pieceOf[job] as number]?.promisedMin ?? Number.POSITIVE_INFINITY;
		const first = (all: readonly Waits[]) => Math.min(...all.map(due));
		const next = trays.filter((all) => all.length > 0).sort((a, b) => first(a) - first(b));
		for (const all of next) {
			const load = boxedIn(
				problem,
				its.shelf,
				[...all].sort((a, b) => due(a) - due(b)),
			);
			const presses = first(all) - now < PRESSES_MIN || all.some(({ readyMin }) => now - readyMin > PRESSES_MIN);
			if (load.length === 0 || (!presses && problem.fit.fillOf(kiln, load) < FULL_ENOUGH)) continue;
			starts.push({ kiln, jobs: load });
			for (const job of load) taken.add(job);
			break;
		}
	}
	return starts;
};

function boxedIn(problem: PlanProblem, shelf: Shelf, all: readonly Waits[]): number[] {
	const side = { round: Math.SQRT1_2, octagon: Math.SQRT1_2, rectangle: 1 }[shelf.shape];
	const within: Shelf = {
		...shelf,
		widthMm: shelf.widthMm * side,
		heightMm: shelf.heightMm * side,
		shape: "rectangle",
	};
	const boxes = all.map(({ job }) => {
		const form = (problem.jobs[job] as PlanJob).form;
		const { minX, maxX, minY, maxY } = form.turns[0] as (typeof form.turns)[0];
		return { id: String(job), widthMm: maxX - minX, heightMm: maxY - minY };
	});
	return packShelf(boxes, within, problem.input.schools.clearanceMm).places.map(({ id }) => Number(id));
}

/** Every morning a new plan of all that waits, over all kilns; its loads are started at their hours. */
export function byPlan(name: PlanName, rounds: number): Policy {
	let planned: { kiln: number; jobs: number[]; startMin: number }[] = [];
	let plannedOn = -1;
	return (state) => {
		const { now, waits } = state;
		const today = Math.floor(now / DAY);
		if (today !== plannedOn) {
			plannedOn = today;
			planned = planOf(state, name, rounds);
		}
		const idle = free(state);
		const there = new Set(waits.map(({ job }) => job));
		const due = planned.filter(
			({ kiln, jobs, startMin }) => startMin <= now && idle.includes(kiln) && jobs.every((job) => there.has(job)),
		);
		const starts = due.filter(({ kiln }, i) => due.findIndex((one) => one.kiln === kiln) === i);
		planned = planned.filter((one) => !starts.includes(one));
		return starts;
	};
}

/** The plan of a morning, in jobs and minutes of the whole time. */
function planOf({ now, problem, waits, runs }: State, name: PlanName, rounds: number) {
	const { input } = problem;
	if (waits.length === 0) return [];
	const pieces = waits.map(({ job }): PlanPiece & { first: number } => {
		const piece = input.pieces[problem.pieceOf[job] as number] as PlanPiece;
		const step = job - problem.pieceOf.indexOf(problem.pieceOf[job] as number);
		return {
			...piece,
			first: job,
			jobs: piece.jobs.slice(step),
			readyMin: 0,
			promisedMin: piece.promisedMin === null ? null : piece.promisedMin - now,
		};
	});
	const shifted = (spans: readonly MinuteSpan[]) =>
		spans
			.filter(({ to }) => to > now && to < now + 22 * DAY)
			.map(({ from, to }) => ({ from: from - now, to: to - now }));
	const local: PlanInput = {
		...input,
		pieces,
		there: shifted(input.there),
		mayStart: shifted(input.mayStart),
		horizonMin: 14 * DAY,
		kilns: input.kilns.map((kiln, i) => ({
			...kiln,
			booked: runs
				.filter((run) => run.kiln === i)
				.map(({ openMin }) => ({
					from: -1,
					to: nextIn(input.there, openMin) + TURNOVER_MIN - now,
				})),
		})),
	};
	const its = problemOf(local);
	let plan: Plan | undefined;
	for (plan of searchPlan(its, PLAN_WEIGHTS[name], rounds));
	return (plan?.loads ?? [])
		.filter(({ jobs }) => jobs.every((job) => (its.before[job] as number) < 0))
		.map(({ kiln, jobs, startMin }) => ({
			kiln,
			jobs: jobs.map((job) => pieces[its.pieceOf[job] as number]?.first as number),
			startMin: now + startMin,
		}));
}
