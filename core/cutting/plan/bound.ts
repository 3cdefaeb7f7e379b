import { leastSheets } from "./figures";
import { downTo, gridOf } from "./grid";
import type { CutTask } from "./search";
import { mixSheets } from "./sheet-mix";
import { WHOLE } from "./types";

/**
 * Fewer whole sheets than this no plan of strips, columns and stacks needs, offcuts left out: never less than area over area.
 * @param enough it is looked for no higher: a plan with so few sheets is there
 * @returns 0 where nothing is asked for that fits a sheet
 */
export function leastSheetsOf(
	{ blanks, sheet, rules }: Pick<CutTask, "blanks" | "sheet" | "rules">,
	enough = Number.POSITIVE_INFINITY,
): number {
	const fitting = blanks.filter(
		({ widthMm: w, heightMm: h, mayTurn, count }) =>
			count > 0 && (canLie(w, h, sheet) || (mayTurn && canLie(h, w, sheet))),
	);
	const byArea = leastSheets(fitting, sheet);
	if (byArea >= enough || fitting.length === 0) return byArea;
	const grid = gridOf(fitting, [{ id: WHOLE, ...sheet }], rules);
	const sides = [downTo(sheet.widthMm, grid.mm), downTo(sheet.heightMm, grid.mm)] as const;
	const wanted = grid.blanks.map(({ count }) => count);
	const mix = mixSheets(sides, wanted, grid, [false, true], enough);
	return Math.max(byArea, Math.ceil((mix?.least ?? 0) - 1e-6));
}

const canLie = (w: number, h: number, sheet: CutTask["sheet"]): boolean => w <= sheet.widthMm && h <= sheet.heightMm;
