import type { KeptPlan, KeptSheet } from "./kept";
import { restAbove } from "./rest-above";
import { asLaid, type Blank, type Column, type CutRules, type Strip } from "./types";

const EPS = 0.11; // blanks may be rounded up by a tenth (grid.ts)

/**
 * What is wrong with a plan that somebody sends, in a sentence; undefined where it can be cut: strips from the foot up, columns side by
 * side, no blank larger than its place, nothing over the edge, no more rests than sheets.
 */
export function planProblem({ sheets, blanks, rules }: KeptPlan): string | undefined {
	for (const [i, sheet] of sheets.entries()) {
		const problem = sheetProblem(sheet, blanks, rules) ?? sourceProblem(sheets, i, rules);
		if (problem) return `Sheet ${i + 1}: ${problem}`;
	}
	return undefined;
}

/** A rest is of a sheet before it, as large as what that one leaves, and is cut once. */
function sourceProblem(sheets: readonly KeptSheet[], index: number, rules: CutRules): string | undefined {
	const { from, sheet } = sheets[index] as KeptSheet;
	if (from.kind !== "rest") return undefined;
	const parent = sheets[from.of];
	if (from.of >= index || !parent) return "it is the rest of a sheet that comes after it.";
	if (sheets.some((one, i) => i < index && one.from.kind === "rest" && one.from.of === from.of))
		return "this rest is cut already.";
	const rest = restAbove(parent, rules);
	const isThere = rest && sheet.widthMm <= rest.widthMm + EPS && sheet.heightMm <= rest.heightMm + EPS;
	return isThere ? undefined : "it is larger than what is left of its sheet.";
}

function sheetProblem(sheet: KeptSheet, blanks: readonly Blank[], rules: CutRules): string | undefined {
	const { lengthMm, heightMm } = asLaid(sheet);
	let foot = 0;
	for (const strip of sheet.strips) {
		if (Math.abs(strip.yMm - foot) > EPS) return "a strip does not begin where the one before it ends.";
		if (strip.yMm + strip.heightMm > heightMm + EPS) return "a strip is over its edge.";
		const problem = stripProblem(strip, lengthMm, sheet.turned, blanks, rules);
		if (problem) return problem;
		foot = strip.yMm + strip.heightMm + rules.kerfMm;
	}
	return undefined;
}

function stripProblem(
	{ heightMm: high, columns }: Strip,
	lengthMm: number,
	isTurned: boolean,
	blanks: readonly Blank[],
	{ kerfMm }: CutRules,
): string | undefined {
	let left = 0;
	for (const column of columns) {
		const { xMm, widthMm, heightMm: each, stack } = column;
		const its = blanks[column.blank];
		if (!its) return "it has a part that is not on the list.";
		if (Math.abs(xMm - left) > EPS) return "a column does not begin where the one before it ends.";
		if (xMm + widthMm > lengthMm + EPS) return "a column is over its edge.";
		if (stack * (each + kerfMm) - kerfMm > high + EPS) return "a column is higher than its strip.";
		if (column.turned && !its.mayTurn) return "a part lies across the streaks.";
		if (!fits(its, column, column.turned !== isTurned)) return "a part is larger than its place.";
		left = xMm + widthMm + kerfMm;
	}
	return undefined;
}

/** @param upright its width stands along the column */
const fits = (its: Blank, { widthMm, heightMm }: Column, upright: boolean): boolean =>
	upright
		? widthMm > its.heightMm - EPS && heightMm > its.widthMm - EPS
		: widthMm > its.widthMm - EPS && heightMm > its.heightMm - EPS;

/** So many of each blank a plan makes. */
export function madeBy({ sheets, blanks }: KeptPlan): number[] {
	const made = blanks.map(() => 0);
	for (const { strips } of sheets)
		for (const { columns } of strips) for (const { blank, stack } of columns) made[blank] = (made[blank] ?? 0) + stack;
	return made;
}
