import { restsOf, scoresOf } from "./figures";
import type { KeptPlan } from "./kept";
import { isAbove } from "./rest-above";
import type { PlanFigures } from "./types";

/** What a plan that is cut by costs in all. A rest it goes on cutting from is no glass of its own. */
export function keptFigures({ sheets, blanks, rules }: KeptPlan): PlanFigures {
	const goneOn = new Set(sheets.flatMap(({ from }) => (from.kind === "rest" ? [from.of] : [])));
	const figures = { sheets: 0, offcuts: 0, scores: 0, takenMm2: 0, cutMm2: 0, keptMm2: 0 };
	for (const [i, sheet] of sheets.entries()) {
		if (sheet.from.kind !== "rest") figures.takenMm2 += sheet.sheet.widthMm * sheet.sheet.heightMm;
		if (sheet.from.kind === "whole") figures.sheets++;
		if (sheet.from.kind === "offcut") figures.offcuts++;
		figures.scores += scoresOf(sheet);
		for (const rest of restsOf(sheet, rules))
			if (!goneOn.has(i) || !isAbove(rest, sheet, rules)) figures.keptMm2 += rest.widthMm * rest.heightMm;
		for (const { columns } of sheet.strips)
			for (const { blank, stack } of columns) {
				const { widthMm = 0, heightMm = 0 } = blanks[blank] ?? {};
				figures.cutMm2 += widthMm * heightMm * stack;
			}
	}
	const used = figures.takenMm2 - figures.keptMm2;
	return { ...figures, yield: used > 0 ? figures.cutMm2 / used : 1 };
}
