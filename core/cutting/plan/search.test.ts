import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { wrongWith } from "../../../tests/support/cut-checker";
import { cases } from "../../../tests/support/thorough";
import { leastSheets } from "./figures";
import { type CutProgress, type CutTask, searchPlans } from "./search";
import { type Blank, USUAL_CUT_RULES } from "./types";

const blank = (widthMm: number, heightMm: number, count: number, change: Partial<Blank> = {}): Blank => ({
	key: `${widthMm}x${heightMm}`,
	widthMm,
	heightMm,
	count,
	yields: 1,
	mayTurn: true,
	finish: "none",
	...change,
});
const task = (blanks: Blank[], change: Partial<CutTask> = {}): CutTask => ({
	blanks,
	offcuts: [],
	sheet: { widthMm: 500, heightMm: 430 },
	rules: USUAL_CUT_RULES,
	...change,
});
const last = (its: CutTask, passes = 40): CutProgress => [...searchPlans(its, passes)].at(-1) as CutProgress;
const fewest = (its: CutTask, passes = 40) => last(its, passes).best.fewestSheets;

describe("a cutting plan", () => {
	it.each<[string, CutTask, number, number]>([
		["one sheet to the edge", task([blank(100, 86, 25)]), 1, 1],
		["a strip of each height", task([blank(250, 200, 2), blank(250, 230, 2)]), 1, 1],
		["equal parts one above the other in a higher strip", task([blank(400, 100, 4), blank(100, 50, 8)]), 1, 1],
		["one part more than a sheet holds", task([blank(100, 86, 26)]), 2, 25 / 26],
		["nothing", task([]), 0, 1],
	])("%s", (_, its, sheets, yieldAtLeast) => {
		const { plan, figures } = fewest(its);
		expect(wrongWith(plan, its.blanks, its.rules)).toEqual([]);
		expect(figures.sheets).toBe(sheets);
		expect(figures.yield).toBeGreaterThanOrEqual(yieldAtLeast - 0.1);
		expect(plan.short.every((n) => n === 0)).toBe(true);
	});

	it("what is larger than any sheet is short, and the rest is cut", () => {
		const its = task([blank(600, 500, 2), blank(100, 86, 3)]);
		const { plan } = fewest(its);
		expect(plan.short).toEqual([2, 0]);
		expect(wrongWith(plan, its.blanks, its.rules)).toEqual([]);
	});

	it("streaks are respected: what may not be turned lies along the sheet, whichever way its strips run", () => {
		const its = task([blank(400, 60, 6, { mayTurn: false })]);
		const { plan } = fewest(its);
		expect(wrongWith(plan, its.blanks, its.rules)).toEqual([]);
		const upright = task([blank(60, 450, 1, { mayTurn: false })]);
		expect(fewest(upright).plan.short).toEqual([1]);
		expect(fewest(task([blank(60, 450, 1)])).plan.short).toEqual([0]);
	});

	it("a saw takes its blade out of every cut", () => {
		const its = task([blank(100, 86, 25)], { rules: { ...USUAL_CUT_RULES, kerfMm: 2 } });
		const { plan, figures } = fewest(its);
		expect(wrongWith(plan, its.blanks, its.rules)).toEqual([]);
		expect(figures.sheets).toBe(2);
	});

	it("offcuts that fill well are taken first, and more of them where the rack is to be used up", () => {
		const offcuts = [
			{ id: "a", widthMm: 210, heightMm: 100 },
			{ id: "b", widthMm: 150, heightMm: 150 },
			{ id: "too large for so little", widthMm: 300, heightMm: 300 },
		];
		const its = task([blank(100, 100, 3)], { offcuts });
		const { best } = last(its);
		for (const { plan } of Object.values(best)) expect(wrongWith(plan, its.blanks, its.rules)).toEqual([]);
		expect(best.useOffcuts.figures.sheets).toBe(0);
		expect(best.useOffcuts.plan.sheets.map(({ sheet }) => sheet.id)).toEqual(["a", "b"]);
	});

	it("inches that are no whole tenths of a millimetre are cut a hair larger, never smaller", () => {
		const its = task([blank(25.4 * 1.5, 25.4 / 2, 60), blank(19.05, 19.05, 40)]);
		const { plan } = fewest(its);
		expect(wrongWith(plan, its.blanks, its.rules)).toEqual([]);
	});

	it("gets better, never worse, and is the same for the same seed", () => {
		const its = task([blank(96, 96, 16), blank(96, 32, 53), blank(32, 32, 70), blank(20, 7, 106), blank(50, 10, 80)]);
		const all = [...searchPlans(its, 60, 7)];
		const spent = all.map(({ best }) => best.fewestSheets.figures.sheets);
		expect(spent).toEqual([...spent].sort((a, b) => b - a));
		expect(all[0]?.passes).toBe(1);
		expect([...searchPlans(its, 60, 7)].at(-1)).toEqual(all.at(-1));
		const { best } = all.at(-1) as CutProgress;
		expect(best.fewestScores.figures.scores).toBeLessThanOrEqual(best.fewestSheets.figures.scores);
	});

	it("random classes are cut as the plan says, edge to edge, and never on fewer sheets than their area", () => {
		const side = fc.integer({ min: 16, max: 800 }).map((n) => n / 4);
		const some = fc.record({ w: side, h: side, count: fc.integer({ min: 1, max: 60 }), mayTurn: fc.boolean() });
		const sheets = fc.constantFrom({ widthMm: 500, heightMm: 430 }, { widthMm: 305, heightMm: 254 });
		fc.assert(
			fc.property(
				fc.array(some, { minLength: 1, maxLength: 9 }),
				sheets,
				fc.constantFrom(0, 2),
				fc.array(fc.record({ w: side, h: side }), { maxLength: 3 }),
				fc.integer(),
				(list, sheet, kerfMm, rests, seed) => {
					const blanks = list.map(({ w, h, count, mayTurn }) => blank(w, h, count, { mayTurn }));
					const offcuts = rests.map(({ w, h }, i) => ({ id: `r${i}`, widthMm: w + 20, heightMm: h + 20 }));
					const its = task(blanks, { sheet, offcuts, rules: { ...USUAL_CUT_RULES, kerfMm } });
					for (const { best } of searchPlans(its, 5, seed))
						for (const { plan, figures } of Object.values(best)) {
							expect(wrongWith(plan, blanks, its.rules)).toEqual([]);
							const cut = blanks.map((one, i) => ({ ...one, count: one.count - (plan.short[i] ?? 0) }));
							if (offcuts.length === 0) expect(figures.sheets).toBeGreaterThanOrEqual(leastSheets(cut, sheet));
							expect(figures.yield).toBeLessThanOrEqual(1 + 1e-9);
							expect(figures.cutMm2).toBeCloseTo(
								cut.reduce((sum, { widthMm, heightMm, count }) => sum + widthMm * heightMm * count, 0),
								3,
							);
						}
				},
			),
			{ numRuns: cases(60, 15) },
		);
	});
});
