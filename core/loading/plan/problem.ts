import { LEVEL_AIM } from "../../firing/level";
import type { GlassFamily } from "../../glass/family";
import { FitBook } from "./fit-book";
import { HoursBook } from "./hours-book";
import type { PlanInput, PlanJob, PlanLoad, PlanPiece } from "./types";

/** An input with all that is looked up over and over: its jobs by number, and the books of hours and of fits. */
export interface PlanProblem {
	input: PlanInput;
	jobs: PlanJob[];
	/** By job: its piece's index. */
	pieceOf: number[];
	/** By job: the job of the same piece before it; −1 for a first one. */
	before: number[];
	/** By job: the job after it; −1 for a last one. */
	after: number[];
	hours: HoursBook;
	fit: FitBook;
	/** By job: kilns (indices) that take it at all. */
	kilnsOf: number[][];
	/** By job: a number for its class and tray; −1 without a class. */
	classOf: number[];
	classes: number;
	/** By job: the mould it is fired on (index); −1 without one. */
	mouldOf: number[];
	/** By job: the firing it was announced for (index); −1 without one. */
	announcedOf: number[];
	/** How many jobs were announced. */
	announced: number;
}

export function problemOf(input: PlanInput): PlanProblem {
	const { announced = [] } = input;
	const jobs = input.pieces.flatMap(({ jobs: its }) => its);
	const pieceOf = input.pieces.flatMap(({ jobs: its }, i) => its.map(() => i));
	const isOfOne = (a: number, b: number) => pieceOf[a] !== undefined && pieceOf[a] === pieceOf[b];
	const before = jobs.map((_, job) => (isOfOne(job - 1, job) ? job - 1 : -1));
	const after = jobs.map((_, job) => (isOfOne(job, job + 1) ? job + 1 : -1));
	const hours = new HoursBook(input, jobs);
	const fit = new FitBook(input, jobs, (kiln, job) => {
		const { familyId, toFire } = jobs[job] as PlanJob;
		const family = input.families.find(({ id }) => id === familyId) as GlassFamily;
		return { family, level: toFire.level, flow: LEVEL_AIM[toFire.level], peakC: hours.peakC(kiln, job) };
	});
	const kilnsOf = jobs.map((_, job) =>
		[...input.kilns.keys()].filter(
			(kiln) => fit.fits(kiln, [job]) && hours.peakC(kiln, job) <= (input.kilns[kiln]?.maxC ?? 0),
		),
	);
	const announcedOf = jobs.map(({ toFire: { id } }, job) =>
		(before[job] as number) < 0 ? announced.findIndex(({ pieceIds }) => pieceIds.includes(id)) : -1,
	);
	const classKeys = jobs.map(({ tray }, job) => {
		const { group } = input.pieces[pieceOf[job] as number] as PlanPiece;
		return group ? `${group} ${tray}` : "";
	});
	const distinct = [...new Set(classKeys.filter(Boolean))];
	return {
		...{ input, jobs, pieceOf, before, after, hours, fit, kilnsOf },
		classOf: classKeys.map((key) => distinct.indexOf(key)),
		classes: distinct.length,
		mouldOf: jobs.map(({ mouldId }) => input.moulds.findIndex(({ id }) => id === mouldId)),
		announcedOf,
		announced: announcedOf.filter((its) => its >= 0).length,
	};
}

export const pieceAt = ({ input, pieceOf }: PlanProblem, job: number): PlanPiece =>
	input.pieces[pieceOf[job] as number] as PlanPiece;

/** An hour's difference is none: people come when they come, min. */
const SAME_HOUR_MIN = 60;

/** Jobs of a load that were announced for another kiln or hour. */
export function movedIn(
	{ input: { announced = [] }, announcedOf }: PlanProblem,
	load: PlanLoad,
	startMin: number,
): number[] {
	if (announced.length === 0) return [];
	return load.jobs.filter((job) => {
		const its = announced[announcedOf[job] as number];
		return its && (its.kiln !== load.kiln || Math.abs(its.startMin - startMin) > SAME_HOUR_MIN);
	});
}

/** Not before the hour that was announced for one of its pieces, where it stays in that kiln, min. */
export const notBefore = ({ input: { announced = [] }, announcedOf }: PlanProblem, load: PlanLoad): number =>
	announced.length === 0
		? 0
		: load.jobs.reduce((at, job) => {
				const its = announced[announcedOf[job] as number];
				return its?.kiln === load.kiln ? Math.max(at, its.startMin) : at;
			}, 0);

/** What was announced, as loads in the order of their hours. */
export const announcedLoads = ({ input: { announced = [] }, announcedOf }: PlanProblem): PlanLoad[] =>
	announced
		.map(({ kiln, startMin }, i) => ({
			kiln,
			startMin,
			jobs: announcedOf.flatMap((its, job) => (its === i ? [job] : [])),
		}))
		.filter(({ jobs }) => jobs.length > 0)
		.sort((a, b) => a.startMin - b.startMin)
		.map(({ kiln, jobs }) => ({ kiln, jobs }));

/** Which moulds some jobs need, and how many of each. */
export function mouldsFor({ mouldOf }: PlanProblem, jobs: readonly number[]): { mould: number; n: number }[] {
	const needs: { mould: number; n: number }[] = [];
	for (const job of jobs) {
		const mould = mouldOf[job] as number;
		if (mould < 0) continue;
		const known = needs.find((one) => one.mould === mould);
		if (known) known.n++;
		else needs.push({ mould, n: 1 });
	}
	return needs;
}
