import { asLaid, type Blank, type CutPlan, type CutRules, type PlanFigures, type SheetPlan, type Strip } from "./types";

/** A rest of glass as it lies on the laid sheet, from its foot and left. mm */
export interface Rest {
	xMm: number;
	yMm: number;
	widthMm: number;
	heightMm: number;
}

const widthOf = ({ columns }: Strip, kerfMm: number): number => {
	const last = columns.at(-1);
	return last ? last.xMm + last.widthMm + kerfMm : 0;
};

/** Rests of a sheet that are large enough to keep: above its strips, at the end of each, above its columns. */
export function restsOf(plan: SheetPlan, { kerfMm, keepMm }: CutRules): Rest[] {
	const { lengthMm, heightMm } = asLaid(plan);
	const rests: Rest[] = [];
	const add = (xMm: number, yMm: number, widthMm: number, restMm: number) => {
		if (widthMm >= keepMm && restMm >= keepMm) rests.push({ xMm, yMm, widthMm, heightMm: restMm });
	};
	const top = plan.strips.at(-1);
	const above = top ? top.yMm + top.heightMm + kerfMm : 0;
	add(0, above, lengthMm, heightMm - above);
	for (const strip of plan.strips) {
		const end = widthOf(strip, kerfMm);
		add(end, strip.yMm, lengthMm - end, strip.heightMm);
		for (const { xMm, widthMm, heightMm: each, stack } of strip.columns) {
			const used = stack * (each + kerfMm);
			add(xMm, strip.yMm + used, widthMm, strip.heightMm - used);
		}
	}
	return rests;
}

const EPS = 1e-6;

/** Scores that a sheet takes: one over each strip, one beside each column, those across each stack: every one from edge to edge. */
export function scoresOf(plan: SheetPlan): number {
	const { lengthMm, heightMm } = asLaid(plan);
	let scores = 0;
	for (const strip of plan.strips) {
		if (strip.yMm + strip.heightMm < heightMm - EPS) scores++;
		for (const [i, { xMm, widthMm, heightMm: each, stack }] of strip.columns.entries()) {
			if (xMm + widthMm < lengthMm - EPS || i < strip.columns.length - 1) scores++;
			scores += stack - (Math.abs(stack * each - strip.heightMm) < EPS ? 1 : 0);
		}
	}
	return scores;
}

/** What a plan costs. @param isOffcut whether a sheet of it comes from the rack of rests */
export function figuresOf(
	plan: CutPlan,
	blanks: readonly Blank[],
	rules: CutRules,
	isOffcut: (id: string) => boolean,
): PlanFigures {
	let [takenMm2, cutMm2, keptMm2, scores, sheets, offcuts] = [0, 0, 0, 0, 0, 0];
	for (const one of plan.sheets) {
		takenMm2 += one.sheet.widthMm * one.sheet.heightMm;
		keptMm2 += restsOf(one, rules).reduce((sum, { widthMm, heightMm }) => sum + widthMm * heightMm, 0);
		scores += scoresOf(one);
		if (isOffcut(one.sheet.id)) offcuts++;
		else sheets++;
		for (const { columns } of one.strips)
			for (const { blank, stack } of columns) {
				const { widthMm = 0, heightMm = 0 } = blanks[blank] ?? {};
				cutMm2 += widthMm * heightMm * stack;
			}
	}
	const used = takenMm2 - keptMm2;
	return { sheets, offcuts, scores, takenMm2, cutMm2, keptMm2, yield: used > 0 ? cutMm2 / used : 1 };
}

/** Fewer sheets than this no plan needs: all blanks, their cuts left out, side by side. Area over area. */
export function leastSheets(
	blanks: readonly Blank[],
	{ widthMm, heightMm }: { widthMm: number; heightMm: number },
): number {
	const area = blanks.reduce((sum, one) => sum + one.widthMm * one.heightMm * one.count, 0);
	return Math.ceil(area / (widthMm * heightMm) - 1e-9);
}
