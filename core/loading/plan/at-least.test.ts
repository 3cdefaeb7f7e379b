import { describe, expect, it } from "vitest";
import { planStudio } from "../../../tests/support/plan-studio";
import { atLeast, soonestHome } from "./at-least";
import { problemOf } from "./problem";
import { searchPlan } from "./search";
import type { Plan, PlanInput } from "./types";
import { PLAN_NAMES, PLAN_WEIGHTS } from "./weights";

const known = (change: Partial<PlanInput> = {}, pieces = 12): PlanInput => {
	const input = planStudio(9, { pieces, kilns: 1 });
	const [first] = input.pieces;
	if (!first) throw new Error("no piece");
	const jobs = first.jobs.slice(0, 1);
	const all = Array.from({ length: pieces }, (_, i) => ({
		...first,
		id: `p${i}`,
		jobs,
		readyMin: 0,
		promisedMin: null,
	}));
	return { ...input, pieces: all, ...change };
};
const firings = (input: PlanInput) => {
	const problem = problemOf(input);
	return atLeast(problem, [...problem.jobs.keys()], false).firings;
};

describe("what no plan does without", () => {
	it("of one kind, as many firings as its glass fills the largest shelf", () => {
		const input = known();
		const areaMm2 = 12 * (input.pieces[0]?.jobs[0]?.form.areaMm2 ?? 0);
		expect(firings(input)).toBe(Math.ceil(areaMm2 / (470 * 370)));
		const many = known({}, 60);
		expect(firings(many)).toBe(Math.ceil((5 * areaMm2) / (470 * 370)));
		// A shelf above takes as much again.
		const [kiln] = many.kilns;
		const above = known({ kilns: kiln ? [{ ...kiln, upper: [{ postMm: 50, offsetK: 0 }] }] : [] }, 60);
		expect(firings(above)).toBe(Math.ceil((5 * areaMm2) / (2 * 470 * 370)));
	});
	it("what may not share is fired apart", () => {
		const input = known();
		const [a, b] = [known().pieces.slice(0, 3), known().pieces.slice(3, 6)];
		const other = b.map((piece) => ({ ...piece, jobs: piece.jobs.map((job) => ({ ...job, tray: "another" })) }));
		expect(firings({ ...input, pieces: [...a, ...other] })).toBe(2);
	});
	it("a promise for the hour it is laid in is broken by every plan, one for the fortnight's end by none", () => {
		const input = known();
		const pieces = input.pieces.map((piece, i) => ({ ...piece, promisedMin: i < 4 ? 60 : 20_000 }));
		const problem = problemOf({ ...input, pieces });
		expect(atLeast(problem, [0], false).broken).toBe(4);
		expect(soonestHome(problem, 0)).toBeGreaterThan(12 * 60);
	});
	it.each([1, 2, 3, 4, 5, 6])("studio %i: no plan that was found does with less", (seed) => {
		const problem = problemOf(planStudio(seed, { pieces: 24, kilns: 1 + (seed % 3), days: 8 }));
		for (const name of PLAN_NAMES) {
			let plan: Plan | undefined;
			for (plan of searchPlan(problem, PLAN_WEIGHTS[name], 10));
			const fired = plan?.loads.flatMap(({ jobs }) => jobs) ?? [];
			const least = atLeast(problem, fired, PLAN_WEIGHTS[name].mixBands);
			expect(plan?.figures.firings).toBeGreaterThanOrEqual(least.firings);
			expect(plan?.figures.broken.length).toBeGreaterThanOrEqual(least.broken);
			// A piece is never home sooner than alone.
			for (const [i, { id }] of problem.input.pieces.entries())
				expect((plan?.homeMin[id] ?? Number.POSITIVE_INFINITY) + 1e-9).toBeGreaterThanOrEqual(soonestHome(problem, i));
		}
	});
});
