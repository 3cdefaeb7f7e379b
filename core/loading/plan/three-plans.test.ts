import { describe, expect, it } from "vitest";
import { mould } from "../../../tests/support/kit";
import { measured } from "../../../tests/support/measured";
import { wrongWithPlan } from "../../../tests/support/plan-checker";
import { openDays, planStudio, SMALL_KILN } from "../../../tests/support/plan-studio";
import { planInputOf } from "./book";
import { costOf, SLACK_MIN } from "./decode";
import { problemOf } from "./problem";
import { searchPlan } from "./search";
import { shownPlan } from "./shown";
import { threePlans } from "./three-plans";
import type { Plan, PlanInput, PlanPiece } from "./types";
import { PLAN_NAMES, PLAN_WEIGHTS, type PlanName } from "./weights";
import { USUAL_WISHES } from "./wishes";
import { whyLeft } from "./would-help";

/** The last of each plan, and how far the search said it was at every step. */
function allOf(input: PlanInput) {
	const problem = problemOf(input);
	const plans = new Map<PlanName, Plan>();
	const shares: number[] = [];
	const costs = new Map<PlanName, number[]>();
	for (const { name, plan, share } of threePlans(problem)) {
		plans.set(name, plan);
		shares.push(share);
		costs.set(name, [...(costs.get(name) ?? []), plan.cost]);
	}
	return { problem, plans, shares, costs, of: (name: PlanName) => plans.get(name) as Plan };
}

describe("three plans side by side", () => {
	const input = planStudio(5, { pieces: 14, kilns: 2, days: 8 });
	const { problem, plans, shares, costs, of } = allOf(input);
	it("are all there, break no rule, and get no dearer on the way", () => {
		expect([...plans.keys()].sort()).toEqual([...PLAN_NAMES].sort());
		for (const name of PLAN_NAMES) {
			expect(wrongWithPlan(input, of(name), PLAN_WEIGHTS[name].mixBands, SLACK_MIN)).toEqual([]);
			const its = costs.get(name) ?? [];
			expect(its).toEqual([...its].sort((a, b) => b - a));
		}
	});
	it("tell how much of the search is done, never less than before, all of it at the end", () => {
		expect(shares).toEqual([...shares].sort((a, b) => a - b));
		expect(shares.at(-1)).toBe(1);
	});
	it("none is dearer by its own weights than another that keeps its rules", () => {
		const price = (by: PlanName, whose: PlanName) => costOf(problem, of(whose).loads, PLAN_WEIGHTS[by]);
		expect(of("soonest").cost).toBeLessThanOrEqual(price("soonest", "gentlest") + 1e-9);
		expect(of("gentlest").cost).toBeLessThanOrEqual(price("gentlest", "soonest") + 1e-9);
		for (const other of ["soonest", "gentlest"] as const)
			expect(of("fewest").cost).toBeLessThanOrEqual(price("fewest", other) + 1e-9);
	});
	it("as they are shown: instants for minutes, every piece by its id, figures as they were", () => {
		const fromMs = Date.UTC(2031, 2, 10, 8);
		const shown = shownPlan(problem, of("soonest"), PLAN_WEIGHTS.soonest, fromMs);
		expect(shown.loads.flatMap(({ pieceIds }) => pieceIds)).toHaveLength(problem.jobs.length);
		for (const { startMs, peakMs, soakMs, doneMs, coolMs, openMs, isFirst, pieceIds } of shown.loads) {
			const hours = [fromMs, startMs, peakMs, soakMs, doneMs, coolMs, openMs];
			expect(hours).toEqual([...hours].sort((a, b) => a - b));
			const level = problem.jobs.find(({ toFire }) => toFire.id === pieceIds[0])?.toFire.level;
			if (isFirst) expect(level).not.toBe("slump");
		}
		expect(shown.figures.lastHomeMs).toBe(Math.max(...Object.values(shown.homeMs)));
		expect(shown.why).toEqual({});
	});
});

describe("what would help a plan", () => {
	const soon = (change: (input: PlanInput) => void) => {
		const input = planStudio(3, { pieces: 8, kilns: 1, days: 12 });
		change(input);
		const { problem, of } = allOf(input);
		return { input, shown: shownPlan(problem, of("soonest"), PLAN_WEIGHTS.soonest, 0) };
	};
	it("a promise that no plan keeps is said with the soonest day, which is after it", () => {
		const { input, shown } = soon((its) => {
			(its.pieces[0] as PlanPiece).promisedMin = 60;
		});
		const help = shown.help.find(({ kind }) => kind === "tooSoon");
		expect(help).toMatchObject({ pieceId: input.pieces[0]?.id });
		expect(help?.kind === "tooSoon" && help.soonestMs).toBeGreaterThan(60 * 60_000);
		expect(shown.figures.broken).toContain(input.pieces[0]?.id);
	});
	it("somebody there on a free day is offered where it brings the last piece home sooner", () => {
		// Nobody for five days after the first: a morning in between is worth days.
		const { shown } = soon((its) => {
			its.there = openDays(20).filter(({ from }) => from === 0 || from >= 6 * 1440);
			its.mayStart = its.there;
		});
		const help = shown.help.filter(({ kind }) => kind === "open");
		expect(help.length).toBeGreaterThan(0);
		for (const one of help)
			if (one.kind === "open") expect(one.promises > 0 || one.lastH >= 3, JSON.stringify(one)).toBe(true);
	});
	it.each<[string, (input: PlanInput) => void, string]>([
		["no kiln", (its) => its.kilns.splice(0), "noKiln"],
		["nobody ever there", (its) => its.there.splice(0), "nobody"],
		["too high", (its) => its.kilns.splice(0, 3, { ...SMALL_KILN, clearHeightMm: 1 }), "tooHigh"],
		[
			"too large",
			(its) => its.kilns.splice(0, 3, { ...SMALL_KILN, shelf: { ...SMALL_KILN.shelf, widthMm: 50, heightMm: 50 } }),
			"tooLarge",
		],
		["too hot for it", (its) => its.kilns.splice(0, 3, { ...SMALL_KILN, maxC: 500 }), "tooHot"],
		[
			"taken for all the days",
			(its) => its.kilns.splice(0, 3, { ...SMALL_KILN, booked: [{ from: -9, to: 90_000 }] }),
			"noDay",
		],
		[
			"its mould always in another's firing",
			(its) => {
				const [first] = its.pieces as [PlanPiece];
				const jobs = first.jobs.map((job) => ({ ...job, mouldId: "one" }));
				const onIt = (n: number) => ({ ...first, id: `m${n}`, code: `M${n}`, jobs });
				its.moulds = [{ id: "one", count: 1, booked: [] }];
				its.horizonMin = 1000;
				its.pieces = [onIt(0), onIt(1)];
			},
			"noMould",
		],
	])("left out for %s, it is said why", (_, spoil, why) => {
		const input = planStudio(3, { pieces: 8, kilns: 1, days: 12 });
		spoil(input);
		const problem = problemOf(input);
		const plan = [...searchPlan(problem, PLAN_WEIGHTS.soonest, 3)].at(-1) as Plan;
		expect(whyLeft(problem, plan, plan.figures.left[0] ?? "")).toBe(why);
	});
});

describe("the book as a plan's input", () => {
	const asMade = { widthMm: 90, heightMm: 90, thickestMm: 6, thinnestMm: 6, massG: null, changed: "" };
	const fromMs = Date.UTC(2031, 2, 10, 8);
	const book = (promisedMs: number | null, readyMs = fromMs - 60_000, takenMs = 7_200_000) =>
		planInputOf({
			...{ fromMs, untilMs: fromMs + 14 * 86_400_000, outlines: {}, families: [], aloneHours: 6 },
			pieces: [
				{
					...{ id: "a", code: "A", familyId: "90", level: "full" as const, effectiveMm: 6, promised: null },
					kitVersionId: null,
					...{
						route: [{ body: measured(asMade, "slump"), handWork: "", mould: mould("dish", { count: 3 }) }],
						group: "",
						readyMs,
						promisedMs,
					},
				},
			],
			kilns: [{ ...SMALL_KILN, id: "k" }],
			booked: [{ kilnId: "k", moulds: { dish: 2 }, from: fromMs + 60_000, to: fromMs + takenMs }],
			closed: [
				{ kilnId: "k", from: fromMs + 86_400_000, to: null, why: "element" },
				{ kilnId: "other", from: fromMs, to: fromMs + 3_600_000, why: "" },
			],
			wishes: USUAL_WISHES,
			schools: { cooling: "usual", warmUp: "usual", soak: "lower", clearanceMm: 5 },
			there: [{ from: fromMs - 3_600_000, to: fromMs + 3_600_000 }],
			mayStart: [],
			between: { judge: 12, coldWork: 24, wrap: 4 },
		});
	it("minutes count from its beginning; what is ready is ready then; judging and wrapping come after", () => {
		const { pieces, there, aloneMin, horizonMin } = book(null);
		expect(pieces[0]).toMatchObject({ readyMin: 0, promisedMin: null, tailMin: 16 * 60 });
		expect({ there, aloneMin, horizonMin }).toEqual({
			there: [{ from: -60, to: 60 }],
			aloneMin: 360,
			horizonMin: 14 * 1440,
		});
	});
	it("a kiln is taken by what is announced, and from the day it is out of service until somebody says otherwise", () => {
		const { kilns, moulds } = book(null);
		expect(kilns[0]?.booked).toEqual([
			{ from: 1, to: 120 },
			{ from: 1440, to: Number.POSITIVE_INFINITY },
		]);
		expect(moulds).toEqual([{ id: "dish", count: 3, booked: [{ from: 1, to: 120, taken: 2 }] }]);
	});
	it("seconds count against a plan: nothing starts before it is dry or its kiln is free", () => {
		const { pieces, kilns } = book(null, fromMs + 20_000, 7_210_000);
		expect(pieces[0]?.readyMin).toBe(1);
		expect(kilns[0]?.booked[0]).toEqual({ from: 1, to: 121 });
	});
	it("home at midnight is a day late: a promise ends with the last minute of its day", () => {
		const midnight = Date.UTC(2031, 2, 11);
		expect(book(midnight - 1).pieces[0]?.promisedMin).toBe((midnight - fromMs) / 60_000 - 1);
	});
});
