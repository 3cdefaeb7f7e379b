import { buildSchedule } from "@core/firing/build";
import { mergeDemands } from "@core/firing/merge";
import { simulateFiring } from "@core/kiln/simulate";
import { layOnTiers } from "@core/loading/lay-on-tiers";
import type { MinuteSpan, Plan, PlanInput } from "@core/loading/plan/types";
import { wrongOnShelves } from "./shelf-checker";

/** A checker and a decoder of their own: a calendar in steps of a minute or a span, demands merged by the schedule's own rule. */

const isIn = (spans: readonly MinuteSpan[], at: number) => spans.some(({ from, to }) => from <= at && at < to);

/** Pieces and firings flattened as the plan counts them. */
function jobsOf(input: PlanInput) {
	return input.pieces.flatMap((piece) => piece.jobs.map((job, step) => ({ piece, job, step })));
}

/** What a firing asks for by the merging of schedules, simulated in the product's own step. */
export function openMinutes(input: PlanInput, kiln: number, jobs: readonly number[]): number {
	const all = jobsOf(input);
	const its = input.kilns[kiln];
	const merged = mergeDemands(
		jobs.map((job) => all[job]?.job.toFire as never),
		input.schools,
	);
	const family = input.families.find(({ id }) => id === all[jobs[0] ?? 0]?.job.familyId);
	if (!its || !merged || !family) throw new Error("no such firing");
	const schedule = buildSchedule(merged, { family, kiln: its.body, soakSchool: input.schools.soak });
	const thicknessMm = Math.max(...jobs.map((job) => all[job]?.job.toFire.thickestMm ?? 0));
	// 0.9 kJ/kgK (textbook, from memory) of glass and of a shelf of 27 kg a square metre.
	const glass = jobs.reduce((sum, job) => sum + (all[job]?.job.glassJPerK ?? 0), 0);
	const loadJPerK = glass + ((its.shelf.widthMm * its.shelf.heightMm) / 1e6) * 27 * 900;
	return simulateFiring({ kiln: its.body, schedule, family, thicknessMm, loadJPerK }).openS / 60;
}

type Job = ReturnType<typeof jobsOf>[number];

/** All that is wrong with a plan, in words. @param slackMin that every firing has to leave until it is opened */
export function wrongWithPlan(input: PlanInput, plan: Plan, mixBands: boolean, slackMin: number): string[] {
	const all = jobsOf(input);
	const openedAt = new Map<number, number>();
	const wrong = plan.loads.flatMap((load, i) => {
		const kiln = input.kilns[load.kiln];
		if (!kiln) return [`load ${i} is in no kiln`];
		const its = load.jobs.map((job) => ({ number: job, ...(all[job] as Job) }));
		const keys = new Set(its.map(({ job }) => (mixBands ? `${job.familyId} ${job.toFire.level}` : job.tray)));
		const said = [
			...(keys.size === 1 ? [] : [`it mixes ${[...keys].join(" and ")}`]),
			...wrongHours(input, plan, i, slackMin),
			...its.flatMap(({ number, piece, job, step }) => {
				const ready = step === 0 ? piece.readyMin : (openedAt.get(number - 1) ?? Number.NaN) + job.afterMin;
				return [
					...(openedAt.has(number) ? [`${piece.code} is fired twice`] : []),
					...(load.startMin >= ready ? [] : [`${piece.code} is not ready`]),
					...(job.heightMm > kiln.clearHeightMm ? [`${piece.code} is too high`] : []),
				];
			}),
			...wrongShelf(input, load.kiln, its),
		];
		for (const job of load.jobs) openedAt.set(job, load.openMin);
		return said.map((words) => `load ${i}: ${words}`);
	});
	return [...wrong, ...wrongMoulds(input, plan), ...wrongHomes(input, plan, openedAt)];
}

function wrongHours(input: PlanInput, plan: Plan, i: number, slackMin: number): string[] {
	const load = plan.loads[i] as Plan["loads"][0];
	const needs = openMinutes(input, load.kiln, load.jobs);
	const later = plan.loads.slice(i + 1).filter(({ kiln }) => kiln === load.kiln);
	const taken = [
		...(input.kilns[load.kiln]?.booked ?? []),
		...later.map(({ startMin, openMin }) => ({ from: startMin, to: openMin })),
	];
	return [
		...(isIn(input.mayStart, load.startMin) ? [] : ["starts when nobody may start it"]),
		...(isIn(input.there, load.openMin) ? [] : ["is opened when nobody is there"]),
		...(load.startMin <= input.horizonMin ? [] : ["is too late"]),
		...(load.openMin >= load.startMin + needs + slackMin
			? []
			: [`is opened before its ${needs} min and slack are over`]),
		...(taken.some(({ from, to }) => from < load.openMin && to > load.startMin) ? ["its kiln is taken"] : []),
	];
}

/** Whenever a load is started, no more moulds lie in kilns than there are. */
function wrongMoulds(input: PlanInput, plan: Plan): string[] {
	const all = jobsOf(input);
	return input.moulds.flatMap(({ id, count, booked }) => {
		const uses = [
			...booked,
			...plan.loads.map(({ startMin, openMin, jobs }) => ({
				...{ from: startMin, to: openMin },
				taken: jobs.filter((job) => all[job]?.job.mouldId === id).length,
			})),
		];
		return uses.flatMap(({ from: at, taken }) => {
			const inKilns = uses.filter(({ from, to }) => from <= at && at < to).reduce((sum, use) => sum + use.taken, 0);
			return taken > 0 && inKilns > count ? [`${inKilns} of mould ${id} at ${at} min, there are ${count}`] : [];
		});
	});
}

function wrongShelf(input: PlanInput, kiln: number, its: readonly (Job & { number: number })[]): string[] {
	const into = input.kilns[kiln] as PlanInput["kilns"][0];
	const { clearanceMm } = input.schools;
	const pieces = its.map(({ number, job }) => ({
		...{ id: String(number), familyId: job.familyId, form: job.form, rank: 0 },
		standsMm: job.heightMm,
	}));
	const laid = layOnTiers({ pieces, kiln: { ...into, uneven: [] }, clearanceMm, passes: 0, barred: () => [] });
	const lies = laid.laid.map((one) => {
		const { job } = its.find(({ number }) => String(number) === one.id) as Job;
		return { ...one, outline: job.form.outline, standsMm: job.heightMm };
	});
	return [
		...(laid.leftIds.length > 0 ? ["it does not fit its shelves"] : []),
		...wrongOnShelves(lies, into, clearanceMm),
	];
}

function wrongHomes(input: PlanInput, plan: Plan, openedAt: ReadonlyMap<number, number>): string[] {
	const all = jobsOf(input);
	return input.pieces.flatMap(({ id, jobs, tailMin, code }) => {
		const last = all.findLastIndex(({ piece }) => piece.id === id);
		const [at, home] = [openedAt.get(last), plan.homeMin[id]];
		if (at === undefined) return home === undefined ? [] : [`${code} is home without a firing`];
		return [
			...(home !== undefined && Math.abs(home - at - tailMin) < 1e-6 ? [] : [`${code} is home at another hour`]),
			...(jobs.every((_, i) => openedAt.has(last - i)) ? [] : [`${code} skips a firing`]),
		];
	});
}
