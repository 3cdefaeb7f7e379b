import { asLaid, type Blank, type SheetPlan } from "./types";

/** In the order of work: strips over the sheet, then across each, then across its stacks, then corner to corner. */
export const SCORE_STAGES = ["strips", "across", "stacks", "diagonals"] as const;
export type ScoreStage = (typeof SCORE_STAGES)[number];

/** A score on the sheet as it was bought, from its upper left corner, mm; `strip` counts from 1. */
export interface ScoreLine {
	stage: ScoreStage;
	strip: number;
	x1: number;
	y1: number;
	x2: number;
	y2: number;
}

const EPS = 1e-6;

/** Every score of a sheet as a line, in the order of work; where a saw cuts, the near edge of its blade. */
export function scoreLinesOf(plan: SheetPlan, blanks: readonly Pick<Blank, "finish">[], kerfMm: number): ScoreLine[] {
	const { lengthMm, heightMm } = asLaid(plan);
	const lines: ScoreLine[] = [];
	const add = (stage: ScoreStage, strip: number, x1: number, y1: number, x2: number, y2: number) =>
		lines.push(plan.turned ? { stage, strip, x1: y1, y1: x1, x2: y2, y2: x2 } : { stage, strip, x1, y1, x2, y2 });
	for (const [i, { yMm, heightMm: high, columns }] of plan.strips.entries()) {
		const end = yMm + high;
		if (end < heightMm - EPS) add("strips", i + 1, 0, end, lengthMm, end);
		for (const { xMm, widthMm, heightMm: each, stack, blank } of columns) {
			const right = xMm + widthMm;
			if (right < lengthMm - EPS) add("across", i + 1, right, yMm, right, end);
			for (let k = 0; k < stack; k++) {
				const from = yMm + k * (each + kerfMm);
				const to = from + each;
				if (to < end - EPS) add("stacks", i + 1, xMm, to, right, to);
				if (blanks[blank]?.finish === "diagonal") add("diagonals", i + 1, xMm, to, right, from);
			}
		}
	}
	const at = (line: ScoreLine) => SCORE_STAGES.indexOf(line.stage);
	return lines.sort((a, b) => at(a) - at(b) || a.strip - b.strip);
}
