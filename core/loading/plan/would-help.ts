import { soonestHome } from "./at-least";
import { planOf } from "./decode";
import { type PlanProblem, pieceAt } from "./problem";
import type { MinuteSpan, Plan, PlanWeights } from "./types";

/** What would make a plan better, and by how much. */
export type Help =
	/** Somebody there on a day when nobody is. Gains: promises kept more, hours sooner that the last piece is home. */
	| { kind: "open"; span: MinuteSpan; promises: number; lastH: number }
	/** One more mould of a kind: the same loads, side by side where they waited for each other. */
	| { kind: "mould"; mouldId: string; promises: number; lastH: number }
	/** A load without its slowest piece is done so much sooner, h. */
	| { kind: "leaveOut"; pieceId: string; load: number; hours: number; thickMm: number }
	/** A promise that no plan can keep: the soonest that it could be home at all. */
	| { kind: "tooSoon"; pieceId: string; soonestMin: number };

const DAY = 1440;
/** Nobody is asked for a few minutes, and nobody for less than so many hours of a load. */
const WORTH_H = 3;
const MOST = 4;

/** The few things that would help a plan most: those that save promises first. */
export function wouldHelp(problem: PlanProblem, plan: Plan, weights: PlanWeights): Help[] {
	return [
		...openOn(problem, plan, weights).slice(0, 2),
		...moreMoulds(problem, plan, weights).slice(0, 1),
		...tooSoonOf(problem, plan).slice(0, 3),
		...leftOut(problem, plan).slice(0, 2),
	].slice(0, MOST);
}

/** Each day without anybody in the first ten: what two hours in its morning would win. The same loads in the same order. */
function openOn(problem: PlanProblem, plan: Plan, weights: PlanWeights): Help[] {
	const { there, mayStart } = problem.input;
	const free: Help[] = [];
	const first = there[0];
	if (!first) return [];
	for (let day = 0; day < 10; day++) {
		const from = first.from + day * DAY;
		const morning = { from: from + 120, to: from + 240 };
		if (there.some((span) => span.from < from + 780 && span.to > from)) continue;
		const more = (spans: readonly MinuteSpan[]) => [...spans, morning].sort((a, b) => a.from - b.from);
		const other = { ...problem, input: { ...problem.input, there: more(there), mayStart: more(mayStart) } };
		const won = gained(plan, planOf(other, plan.loads, weights));
		if (won) free.push({ kind: "open", span: morning, ...won });
	}
	return free.sort((a, b) => gain(b) - gain(a));
}

/** Of each kind of mould that a plan uses, what one more of it would win. */
function moreMoulds(problem: PlanProblem, plan: Plan, weights: PlanWeights): Help[] {
	const { moulds } = problem.input;
	return moulds
		.flatMap((mould, i) => {
			const more = moulds.with(i, { ...mould, count: mould.count + 1 });
			const won = gained(plan, planOf({ ...problem, input: { ...problem.input, moulds: more } }, plan.loads, weights));
			return won ? [{ kind: "mould" as const, mouldId: mould.id, ...won }] : [];
		})
		.sort((a, b) => gain(b) - gain(a));
}

/** What another plan wins, where it is worth a word. */
function gained(plan: Plan, other: Plan | undefined): { promises: number; lastH: number } | undefined {
	if (!other) return undefined;
	const promises = plan.figures.broken.length - other.figures.broken.length;
	const lastH = ((plan.figures.lastHomeMin ?? 0) - (other.figures.lastHomeMin ?? 0)) / 60;
	return promises > 0 || lastH >= WORTH_H ? { promises, lastH } : undefined;
}

const gain = (help: Help): number => ("promises" in help ? help.promises * 1000 + help.lastH : 0);

/** In each load the piece without which it would be done soonest. */
function leftOut(problem: PlanProblem, plan: Plan): Help[] {
	return plan.loads
		.flatMap((load, i) => {
			if (load.jobs.length < 2) return [];
			const all = problem.hours.of(load.kiln, load.jobs).openMin;
			const best = load.jobs
				.map((job) => ({
					job,
					min: problem.hours.of(
						load.kiln,
						load.jobs.filter((one) => one !== job),
					).openMin,
				}))
				.sort((a, b) => a.min - b.min)[0];
			if (!best || (all - best.min) / 60 < WORTH_H) return [];
			const { id } = pieceAt(problem, best.job);
			const thickMm = problem.jobs[best.job]?.toFire.thickestMm ?? 0;
			return [{ kind: "leaveOut" as const, pieceId: id, load: i, hours: (all - best.min) / 60, thickMm }];
		})
		.sort((a, b) => b.hours - a.hours);
}

/** Broken promises that could not be kept with every kiln free and the piece alone. */
function tooSoonOf(problem: PlanProblem, plan: Plan): Help[] {
	return problem.input.pieces.flatMap((piece, i) => {
		if (!plan.figures.broken.includes(piece.id)) return [];
		const soonestMin = soonestHome(problem, i);
		return Number.isFinite(soonestMin) && soonestMin > (piece.promisedMin ?? Number.POSITIVE_INFINITY)
			? [{ kind: "tooSoon" as const, pieceId: piece.id, soonestMin }]
			: [];
	});
}

/** Why a piece has no place in a plan. */
export type LeftWhy = "noKiln" | "tooHigh" | "tooLarge" | "tooHot" | "nobody" | "noMould" | "noDay";

export function whyLeft(problem: PlanProblem, plan: Plan, pieceId: string): LeftWhy {
	const { pieces, kilns, there } = problem.input;
	const index = pieces.findIndex(({ id }) => id === pieceId);
	if (kilns.length === 0) return "noKiln";
	if (there.length === 0) return "nobody";
	const fired = new Set(plan.loads.flatMap(({ jobs }) => jobs));
	const job = problem.pieceOf.findIndex((piece, i) => piece === index && !fired.has(i));
	const its = problem.jobs[job];
	if ((problem.kilnsOf[job]?.length ?? 0) > 0)
		return problem.jobs.some((one, i) => i !== job && one.mouldId && one.mouldId === its?.mouldId && fired.has(i))
			? "noMould"
			: "noDay";
	if (its && kilns.every(({ clearHeightMm }) => its.heightMm > clearHeightMm)) return "tooHigh";
	return kilns.every((_, kiln) => !problem.fit.fits(kiln, [job])) ? "tooLarge" : "tooHot";
}
