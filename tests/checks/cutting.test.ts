import { leastSheetsOf } from "@core/cutting/plan/bound";
import { coverWanted } from "@core/cutting/plan/cover";
import { leastSheets } from "@core/cutting/plan/figures";
import { gridOf } from "@core/cutting/plan/grid";
import { bestPlans, type CutProgress, searchPlans } from "@core/cutting/plan/search";
import { stackStrips } from "@core/cutting/plan/stack-strips";
import { type Blank, USUAL_CUT_RULES } from "@core/cutting/plan/types";
import fc from "fast-check";
import loadSolver from "highs";
import { MaxRectsPacker, PACKING_LOGIC } from "maxrects-packer/dist/maxrects-packer.mjs";
import { describe, expect, it } from "vitest";
import { wrongWith } from "../support/cut-checker";
import { exactSheets } from "../support/exact-sheets";
import { needsMoreThanOne } from "../support/one-sheet";
import { cases } from "../support/thorough";

const noTrim = { ...USUAL_CUT_RULES, leastTrimMm: 0 };
const blank = (widthMm: number, heightMm: number, count: number): Blank => ({
	key: `${widthMm}x${heightMm}`,
	widthMm,
	heightMm,
	count,
	yields: 1,
	mayTurn: false,
	finish: "none",
});

/** Numbers from 0 to 1, the same for a seed: the linear generator of Numerical Recipes. */
function rowOf(seed: number): () => number {
	let state = seed;
	return () => {
		state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
		return state / 2 ** 32;
	};
}

/** The fewest bins, by trying everything. */
function fewestBins(sizes: readonly number[], room: number): number {
	let best = sizes.length;
	const open: number[] = [];
	const put = (i: number): void => {
		if (open.length >= best) return;
		const size = sizes[i];
		if (size === undefined) {
			best = open.length;
			return;
		}
		for (const [at, left] of open.entries()) {
			if (left < size) continue;
			open[at] = left - size;
			put(i + 1);
			open[at] = left;
		}
		open.push(room - size);
		put(i + 1);
		open.pop();
	};
	put(0);
	return best;
}

describe("cutting against what is known outside", () => {
	it("the textbook roll of 5600 mm with thirteen widths, whose optimum is 73 rolls, takes at most two more", () => {
		// The worked example of the cutting-stock problem that textbooks and encyclopedias print; its figures are from memory.
		const widths = [1380, 1520, 1560, 1710, 1820, 1880, 1930, 2000, 2050, 2100, 2140, 2150, 2200];
		const wanted = [22, 25, 12, 14, 18, 18, 20, 10, 12, 14, 16, 18, 20];
		const blanks = widths.map((width, i) => blank(width / 10, 100, wanted[i] ?? 0));
		const sheet = { widthMm: 560, heightMm: 100 };
		const found = [...searchPlans({ blanks, offcuts: [], sheet, rules: noTrim }, 200)].at(-1)?.best.fewestSheets;
		expect(found && wrongWith(found.plan, blanks, noTrim)).toEqual([]);
		expect(leastSheets(blanks, sheet)).toBe(73);
		expect(leastSheetsOf({ blanks, sheet, rules: noTrim })).toBe(73);
		expect(found?.figures.sheets).toBeGreaterThanOrEqual(73);
		expect(found?.figures.sheets).toBeLessThanOrEqual(75);
	});

	it("strips on sheets stay within 11/9 · OPT + 6/9 (Dósa 2007, for first-fit decreasing), the optimum found by trying everything", () => {
		const height = fc.integer({ min: 10, max: 90 });
		fc.assert(
			fc.property(fc.array(height, { minLength: 1, maxLength: 8 }), (heights) => {
				const grid = gridOf([], [], noTrim);
				const stacks = stackStrips(heights, 100, grid);
				expect(stacks.flat().sort((a, b) => a - b)).toEqual(heights.map((_, i) => i));
				for (const stack of stacks)
					expect(stack.reduce((sum, i) => sum + (heights[i] ?? 0), 0)).toBeLessThanOrEqual(100);
				const optimum = fewestBins(heights, 100);
				expect(stacks.length).toBeGreaterThanOrEqual(optimum);
				expect(stacks.length).toBeLessThanOrEqual(Math.floor((11 * optimum + 6) / 9));
			}),
			{ numRuns: 300 },
		);
	});

	it("small lists take the fewest sheets there can be, by a solver over every way to fill one (HiGHS); the bound is never above", async () => {
		let [ours, exact] = [0, 0];
		for (let seed = 1; seed <= cases(24, 3); seed++) {
			const next = rowOf(seed);
			const side = () => 30 + 5 * Math.floor(next() * 9);
			const blanks = Array.from({ length: 3 }, () => ({
				...blank(side(), side(), 2 + Math.floor(next() * 9)),
				mayTurn: next() < 0.5,
			}));
			const sheet = { widthMm: 130, heightMm: 105 };
			const found = [...searchPlans({ blanks, offcuts: [], sheet, rules: noTrim }, 300)].at(-1)?.best.fewestSheets;
			const best = await exactSheets(blanks, sheet);
			expect(found && wrongWith(found.plan, blanks, noTrim)).toEqual([]);
			const least = leastSheetsOf({ blanks, sheet, rules: noTrim });
			expect(least, `seed ${seed}`).toBeLessThanOrEqual(best.exact);
			expect(least, `seed ${seed}`).toBeGreaterThanOrEqual(Math.ceil(best.relaxed - 1e-6));
			expect(found?.figures.sheets, `seed ${seed}`).toBeGreaterThanOrEqual(best.exact);
			expect(found?.figures.sheets, `seed ${seed}`).toBeLessThanOrEqual(best.exact + 1);
			ours += found?.figures.sheets ?? 0;
			exact += best.exact;
		}
		// docs/benchmarks.md has the gap of a larger suite; of a few lists one may have a sheet more.
		expect(ours).toBeLessThanOrEqual(Math.max(exact + 1, exact * 1.03));
	});

	it("lists that nearly fill a sheet: what a solver over every strip refuses is not planned (HiGHS), hardly anything else is missed", async () => {
		const sheet = { widthMm: 130, heightMm: 105 };
		let [missed, fitting, proved] = [0, 0, 0];
		for (let seed = 1; seed <= cases(24, 4); seed++) {
			const next = rowOf(seed);
			const list = Array.from({ length: 3 }, () => ({
				...blank(18 + Math.floor(next() * 30), 18 + Math.floor(next() * 30), 0),
				mayTurn: next() < 0.7,
			}));
			// One more of each in turn, as long as their area is less than 93 of a hundred.
			const area = () => list.reduce((sum, one) => sum + one.widthMm * one.heightMm * one.count, 0);
			for (let i = 0; area() < 0.93 * 130 * 105; i++) {
				const one = list[i % 3] as Blank;
				one.count++;
				if (area() < 0.93 * 130 * 105) continue;
				one.count--;
				break;
			}
			const blanks = list.filter(({ count }) => count > 0);
			const isTooMuch = await needsMoreThanOne(blanks, sheet, 0);
			const task = { blanks, offcuts: [], sheet, rules: noTrim };
			const { best } = [...bestPlans(task)].at(-1) as CutProgress;
			expect(wrongWith(best.fewestSheets.plan, blanks, noTrim), `seed ${seed}`).toEqual([]);
			const { sheets } = best.fewestSheets.figures;
			if (isTooMuch) expect(sheets, `seed ${seed}`).toBeGreaterThan(1);
			if (sheets === 1) expect(leastSheetsOf(task), `seed ${seed}`).toBe(1);
			if (sheets === 1) fitting++;
			else if (isTooMuch) proved++;
			else missed++;
		}
		expect(fitting).toBeGreaterThanOrEqual(cases(4, 0));
		expect(proved).toBeGreaterThanOrEqual(cases(4, 0));
		expect(fitting + proved).toBe(cases(24, 4));
		expect(missed).toBe(0);
	});

	it("a cover by parts costs what a solver says (HiGHS), and fewer are never promised", async () => {
		const solver = await loadSolver();
		for (let seed = 1; seed <= 40; seed++) {
			const next = rowOf(seed);
			const things = 2 + Math.floor(next() * 6);
			const wanted = Array.from({ length: things }, () => 1 + Math.floor(next() * 40));
			const all = Array.from({ length: 30 }, (_, i) => ({
				what: i,
				holds: wanted.map(() => (next() < 0.5 ? 0 : Math.floor(next() * 9))),
			}));
			const first = wanted.map((_, i) => ({ what: 30 + i, holds: wanted.map((__, k) => (k === i ? 2 : 0)) }));
			const { least, taken } = coverWanted(wanted, first, () => [...all, ...first]);
			const model = [
				"Minimize",
				` obj: ${[...all, ...first].map(({ what }) => `x${what}`).join(" + ")}`,
				"Subject To",
				...wanted.map(
					(n, i) =>
						` c${i}: ${[...all, ...first].map(({ what, holds }) => `${holds[i]} x${what}`).join(" + ")} >= ${n}`,
				),
				"End",
			].join("\n");
			const optimum = solver.solve(model).ObjectiveValue;
			expect(least, `seed ${seed}`).toBeCloseTo(optimum, 6);
			expect(taken.reduce((sum, { times }) => sum + times, 0)).toBeCloseTo(optimum, 6);
			for (const [i, n] of wanted.entries())
				expect(taken.reduce((sum, { cover, times }) => sum + times * (cover.holds[i] ?? 0), 0)).toBeGreaterThanOrEqual(
					n - 1e-6,
				);
		}
	});

	it("scored edge to edge, a class takes hardly more sheets than a free packer from the registry (maxrects-packer)", () => {
		let [ours, theirs] = [0, 0];
		for (let seed = 1; seed <= 6; seed++) {
			const next = rowOf(seed);
			const side = () => 20 + 5 * Math.floor(next() * 17);
			const blanks = Array.from({ length: 6 }, () => ({
				...blank(side(), side(), 8 + Math.floor(next() * 30)),
				mayTurn: true,
			}));
			const rules = USUAL_CUT_RULES;
			const task = { blanks, offcuts: [], sheet: { widthMm: 500, heightMm: 430 }, rules };
			ours += [...searchPlans(task, 60)].at(-1)?.best.fewestSheets.figures.sheets ?? 0;
			const library = new MaxRectsPacker(500, 430, 0, {
				smart: false,
				pot: false,
				square: false,
				allowRotation: true,
				logic: PACKING_LOGIC.MAX_AREA,
			});
			const all = blanks.flatMap(({ widthMm, heightMm, count }) =>
				Array.from({ length: count }, () => ({ width: widthMm, height: heightMm })),
			);
			all.sort((a, b) => b.width * b.height - a.width * a.height);
			for (const { width, height } of all) library.add(width, height, {});
			theirs += library.bins.length;
		}
		expect(ours).toBeLessThanOrEqual(theirs + 2);
	});
});
