import { describe, expect, it } from "vitest";
import { keptPlanOf } from "./keep-plan";
import type { KeptPlan } from "./kept";
import { keptFigures } from "./kept-figures";
import { savingsOf } from "./savings";
import { type CutTask, searchPlans } from "./search";
import { type Blank, USUAL_CUT_RULES } from "./types";

const rules = USUAL_CUT_RULES;
const blank = (widthMm: number, heightMm: number, count: number): Blank => ({
	key: `${widthMm}x${heightMm}`,
	widthMm,
	heightMm,
	count,
	yields: 1,
	mayTurn: false,
	finish: "none",
});
const task = (blanks: Blank[]): CutTask => ({ blanks, offcuts: [], sheet: { widthMm: 500, heightMm: 430 }, rules });
const fewest = (its: CutTask) => [...searchPlans(its, 20)].at(-1)?.best.fewestSheets;

describe("what a smaller part would save", () => {
	it("a bar of 101 mm goes four to a sheet's width, one of 100 mm five", () => {
		// 4 × 10 and 5 × 10 on a sheet of 500 × 430, by hand.
		const its = task([blank(101, 43, 50)]);
		expect(fewest(its)?.figures.sheets).toBe(2);
		expect(savingsOf(its, 2)).toEqual([{ key: "101x43", side: "width", fromMm: 101, toMm: 100, sheets: 1 }]);
	});

	it("nothing where no sheet is saved, where there is only one, or where the change would be seen", () => {
		expect(savingsOf(task([blank(100, 43, 50)]), 1)).toEqual([]);
		expect(savingsOf(task([blank(110, 43, 80)]), fewest(task([blank(110, 43, 80)]))?.figures.sheets ?? 0)).toEqual([]);
		expect(savingsOf(task([blank(26, 10, 2000)]), 9)).not.toContainEqual(expect.objectContaining({ fromMm: 10 }));
	});
});

describe("what a plan that is cut by costs", () => {
	const found = (blanks: Blank[]): KeptPlan =>
		keptPlanOf(fewest(task(blanks))?.plan ?? { sheets: [], short: [] }, blanks, blanks, rules, undefined);

	it("is what the found plan costs", () => {
		const blanks = [blank(100, 80, 30), blank(60, 40, 17)];
		expect(keptFigures(found(blanks))).toEqual(fewest(task(blanks))?.figures);
	});

	it("a rest that is gone on from is counted once: what is above it then is kept, not what was above before", () => {
		const blanks = [blank(100, 100, 5)];
		const plan = found(blanks);
		const first = plan.sheets[0];
		if (!first) throw new Error("no sheet");
		const rest = { id: "rest 0", widthMm: 500, heightMm: 330 };
		const strip = {
			yMm: 0,
			heightMm: 100,
			columns: [{ xMm: 0, widthMm: 100, heightMm: 100, stack: 1, blank: 0, turned: false }],
		};
		const after: KeptPlan = {
			...plan,
			sheets: [first, { sheet: rest, turned: false, strips: [strip], from: { kind: "rest", of: 0 }, cleared: false }],
		};
		// One sheet, six squares; kept: 500 × 230 above and 400 × 100 beside the sixth.
		expect(keptFigures(after)).toMatchObject({
			sheets: 1,
			offcuts: 0,
			takenMm2: 215_000,
			cutMm2: 60_000,
			keptMm2: 500 * 230 + 400 * 100,
			yield: 1,
		});
	});
});
