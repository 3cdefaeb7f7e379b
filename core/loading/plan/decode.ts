import { mouldsFor, movedIn, notBefore, type PlanProblem, pieceAt } from "./problem";
import { longestOutside, nextIn } from "./spans";
import type { Plan, PlanFigures, PlanKiln, PlanLoad, PlanMould, PlannedLoad, PlanPiece, PlanWeights } from "./types";

/** Every firing is planned with so much slack, or one late start breaks the promises after it. Common practice, no source. */
export const SLACK_MIN = 120;
/** From unloading one load to starting the next, min. Common practice, no source. */
export const TURNOVER_MIN = 30;

const HOUR = 60;
const DAY = 24 * HOUR;

/**
 * Gives each load of a row its hours: as early as kiln, pieces, moulds and people allow, in the order of the row.
 * @param opened by job, when it is opened; filled in
 * @param tell of every load: when it is started, cool and opened
 * @returns false where a load can be started by nobody, or comes before one it waits for
 */
function scheduleLoads(
	problem: PlanProblem,
	loads: readonly PlanLoad[],
	opened: Float64Array,
	tell: (load: PlanLoad, startMin: number, coolMin: number, openMin: number) => void,
): boolean {
	const { input, hours, before, pieceOf, jobs: all } = problem;
	const free = new Float64Array(input.kilns.length);
	/** By mould: when each of them is free again, the soonest first. */
	const freeMoulds = input.moulds.map(({ count }) => new Float64Array(count));
	opened.fill(-1);
	for (const load of loads) {
		let ready = Math.max(free[load.kiln] as number, notBefore(problem, load));
		for (const job of load.jobs) {
			const prior = before[job] as number;
			if (prior < 0) ready = Math.max(ready, (input.pieces[pieceOf[job] as number] as PlanPiece).readyMin);
			else if ((opened[prior] as number) < 0) return false;
			else ready = Math.max(ready, (opened[prior] as number) + (all[job]?.afterMin ?? 0));
		}
		const needs = input.moulds.length > 0 ? mouldsFor(problem, load.jobs) : NO_MOULDS;
		for (const { mould, n } of needs) {
			const soonest = freeMoulds[mould]?.[n - 1];
			if (soonest === undefined) return false;
			ready = Math.max(ready, soonest);
		}
		const its = hours.of(load.kiln, load.jobs);
		const startMin = firstStart(problem, load.kiln, needs, ready, its.openMin, its.doneMin);
		if (startMin > input.horizonMin) return false;
		const coolMin = startMin + its.openMin;
		const openMin = nextIn(input.there, coolMin + SLACK_MIN);
		if (!Number.isFinite(openMin)) return false;
		free[load.kiln] = openMin + TURNOVER_MIN;
		for (const { mould, n } of needs) freeMoulds[mould]?.fill(openMin + TURNOVER_MIN, 0, n).sort();
		for (const job of load.jobs) opened[job] = openMin;
		tell(load, startMin, coolMin, openMin);
	}
	return true;
}

type Needs = readonly { mould: number; n: number }[];
const NO_MOULDS: Needs = [];

/** The first minute from `ready` on when a kiln may be started, and kiln and moulds are nobody else's until it is opened. */
function firstStart(
	{ input }: PlanProblem,
	kiln: number,
	needs: Needs,
	ready: number,
	openMin: number,
	doneMin: number,
): number {
	const { booked } = input.kilns[kiln] as PlanKiln;
	let at = ready;
	for (let tries = 0; tries < 1000; tries++) {
		at = nextIn(input.mayStart, at);
		if (!Number.isFinite(at)) return at;
		const asks = booked.length + needs.length > 0;
		const until = asks ? nextIn(input.there, at + openMin + SLACK_MIN) + TURNOVER_MIN : at;
		const clash = booked.find(({ from, to }) => from < until && to > at) ?? mouldClash(input.moulds, needs, at, until);
		if (clash) {
			at = clash.to;
			continue;
		}
		if (input.aloneMin === null || longestOutside(input.there, at, at + doneMin) <= input.aloneMin) return at;
		at += 15;
	}
	return Number.POSITIVE_INFINITY;
}

/** Of firings that leave too few moulds in those hours, the one that is opened first. */
function mouldClash(moulds: readonly PlanMould[], needs: Needs, at: number, until: number): { to: number } | undefined {
	for (const { mould, n } of needs) {
		const { booked, count } = moulds[mould] as PlanMould;
		const over = booked.filter(({ from, to }) => from < until && to > at);
		if (over.reduce((sum, { taken }) => sum + taken, n) > count) return { to: Math.min(...over.map(({ to }) => to)) };
	}
	return undefined;
}

/** How many of some jobs were announced. */
const announcedIn = ({ announcedOf }: PlanProblem, jobs: readonly number[]): number =>
	jobs.reduce((sum, job) => sum + ((announcedOf[job] as number) < 0 ? 0 : 1), 0);

/** What a row of loads costs by some weights; Infinity where it cannot be fired in this order. */
export function costOf(problem: PlanProblem, loads: readonly PlanLoad[], weights: PlanWeights): number {
	const { input, hours, after, pieceOf, classOf, announced } = problem;
	const opened = new Float64Array(problem.jobs.length);
	const home = new Float64Array(input.pieces.length).fill(-1);
	/** By class and tray: the last load that had one of it, counted from 1. */
	const seen = new Int32Array(problem.classes);
	let [overH, splits, n] = [0, 0, 0];
	let stayed = 0;
	const works = scheduleLoads(problem, loads, opened, (load, startMin, _, openMin) => {
		const { kiln, jobs } = load;
		n++;
		if (announced > 0) stayed += announcedIn(problem, jobs) - movedIn(problem, load, startMin).length;
		overH += hours.overAnnealH(kiln, jobs);
		for (const job of jobs) {
			if ((after[job] as number) < 0) home[pieceOf[job] as number] = openMin;
			const key = classOf[job] as number;
			if (key < 0 || seen[key] === n) continue;
			if (seen[key] !== 0) splits++;
			seen[key] = n;
		}
	});
	if (!works) return Number.POSITIVE_INFINITY;
	let cost =
		weights.moved * (announced - stayed) +
		weights.firing * loads.length +
		weights.overAnnealHour * overH +
		weights.classSplit * splits;
	for (let i = 0; i < home.length; i++) {
		const { promisedMin, tailMin } = input.pieces[i] as PlanPiece;
		const at = home[i] as number;
		if (at < 0) cost += weights.leftOut + (promisedMin === null ? 0 : weights.brokenPromise);
		else {
			cost += (weights.waitingHour * (at + tailMin)) / HOUR;
			if (promisedMin !== null && at + tailMin > promisedMin)
				cost += weights.brokenPromise + (weights.dayLate * (at + tailMin - promisedMin)) / DAY;
		}
	}
	return cost;
}

/** Pieces that were announced for another kiln or hour, or have no place any more. */
function movedIds(problem: PlanProblem, planned: readonly PlannedLoad[]): string[] {
	const { announced = [] } = problem.input;
	const stay = new Set(
		planned.flatMap((load) => {
			const moved = movedIn(problem, load, load.startMin);
			const stays = (job: number) => (problem.announcedOf[job] as number) >= 0 && !moved.includes(job);
			return load.jobs.filter(stays).map((job) => pieceAt(problem, job).id);
		}),
	);
	return announced.flatMap(({ pieceIds }) => pieceIds.filter((id) => !stay.has(id)));
}

/** A row of loads with its hours and what it comes to; undefined where it cannot be fired in this order. */
export function planOf(problem: PlanProblem, loads: readonly PlanLoad[], weights: PlanWeights): Plan | undefined {
	const planned: PlannedLoad[] = [];
	const opened = new Float64Array(problem.jobs.length);
	const works = scheduleLoads(problem, loads, opened, (load, startMin, coolMin, openMin) => {
		const { doneMin, kwh } = problem.hours.of(load.kiln, load.jobs);
		planned.push({ ...load, startMin, coolMin, openMin, doneMin: startMin + doneMin, kwh });
	});
	if (!works) return undefined;
	const homeMin = homesOf(problem, planned);
	return {
		loads: planned,
		homeMin,
		figures: figuresOf(problem, planned, homeMin),
		cost: costOf(problem, loads, weights),
	};
}

function homesOf(problem: PlanProblem, planned: readonly PlannedLoad[]): Record<string, number> {
	const home: Record<string, number> = {};
	for (const { jobs, openMin } of planned)
		for (const job of jobs)
			if ((problem.after[job] as number) < 0) {
				const { id, tailMin } = pieceAt(problem, job);
				home[id] = openMin + tailMin;
			}
	return home;
}

const isBroken = ({ id, promisedMin }: PlanPiece, homeMin: Record<string, number>): boolean =>
	promisedMin !== null && (homeMin[id] ?? Number.POSITIVE_INFINITY) > promisedMin;

function figuresOf(
	problem: PlanProblem,
	planned: readonly PlannedLoad[],
	homeMin: Record<string, number>,
): PlanFigures {
	const { pieces } = problem.input;
	const homes = Object.values(homeMin);
	const sum = (of: (load: PlannedLoad) => number) => planned.reduce((total, load) => total + of(load), 0);
	return {
		firings: planned.length,
		promises: pieces.filter(({ promisedMin }) => promisedMin !== null).length,
		broken: pieces.filter((piece) => isBroken(piece, homeMin)).map(({ id }) => id),
		moved: movedIds(problem, planned),
		left: pieces.filter(({ id }) => homeMin[id] === undefined).map(({ id }) => id),
		kwh: sum(({ kwh }) => kwh),
		overAnnealH: sum(({ kiln, jobs }) => problem.hours.overAnnealH(kiln, jobs)),
		fill: sum(({ kiln, jobs }) => problem.fit.fillOf(kiln, jobs)) / Math.max(1, planned.length),
		lastHomeMin: homes.length > 0 ? Math.max(...homes) : null,
		waitingH: homes.reduce((total, at) => total + at / HOUR, 0),
	};
}
