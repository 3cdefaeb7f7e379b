import { describe, expect, it } from "vitest";
import { type CutTask, searchPlans } from "./search";
import { sheetSavingOf } from "./sheet-saving";
import { type Blank, USUAL_CUT_RULES } from "./types";

const blank = (widthMm: number, heightMm: number, count: number): Blank => ({
	...{ key: `${widthMm}x${heightMm}`, widthMm, heightMm, count },
	...{ yields: 1, mayTurn: false, finish: "none" as const },
});
const task = (blanks: Blank[], more: Partial<CutTask> = {}): CutTask => ({
	...{ blanks, offcuts: [], sheet: { widthMm: 500, heightMm: 430 }, rules: USUAL_CUT_RULES },
	...more,
});
const fewest = (its: CutTask) => {
	const found = [...searchPlans(its, 20)].at(-1)?.best.fewestSheets.figures;
	if (!found) throw new Error("no plan");
	return found;
};

describe("what another size of sheet would save", () => {
	it("panels of 250 × 230 lie two to a sheet 430 high, four to one of 460", () => {
		// By hand: 430 holds one row and wastes 200 × 500 of which a rest is kept; 460 holds two rows and wastes nothing.
		const its = task([blank(250, 230, 8)], {
			rules: { ...USUAL_CUT_RULES, keepMm: 250 },
			otherSheets: [{ widthMm: 500, heightMm: 460 }],
		});
		const now = fewest(its);
		expect(now.sheets).toBe(4);
		expect(sheetSavingOf(its, now)).toMatchObject({ widthMm: 500, heightMm: 460, sheets: 2 });
	});
	it("where a size wastes as much, where nothing fits it, and where no sheet is taken, nothing is said", () => {
		const full = task([blank(100, 43, 50)]);
		expect(sheetSavingOf(full, fewest(full))).toBeUndefined();
		const large = task([blank(480, 400, 2)], { otherSheets: [{ widthMm: 250, heightMm: 215 }] });
		expect(sheetSavingOf(large, fewest(large))).toBeUndefined();
		expect(sheetSavingOf(full, { ...fewest(full), sheets: 0 })).toBeUndefined();
	});
	it("a size is only named with a plan that cuts all of the list from it, and saves what is said", () => {
		for (const side of [70, 110, 130, 160, 210]) {
			const its = task([blank(side, side, 14)]);
			const now = fewest(its);
			const saving = sheetSavingOf(its, now);
			if (!saving) continue;
			const { takenMm2, keptMm2, sheets } = fewest({ ...its, sheet: saving });
			expect(sheets).toBeLessThanOrEqual(saving.sheets);
			expect(takenMm2 - keptMm2).toBeLessThanOrEqual(now.takenMm2 - now.keptMm2 - saving.savedMm2 + 1);
		}
	});
});
