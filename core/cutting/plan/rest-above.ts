import type { Rest } from "./figures";
import { asLaid, type CutRules, type SheetPlan, type StockSheet } from "./types";

/** Is this rest all that is left above a sheet's strips? */
export function isAbove(rest: Rest, sheet: SheetPlan, { kerfMm }: CutRules): boolean {
	const top = sheet.strips.at(-1);
	const above = top ? top.yMm + top.heightMm + kerfMm : 0;
	return rest.xMm === 0 && Math.abs(rest.yMm - above) < 1e-6;
}

/** What is left of a sheet above its strips, as the sheet was bought: its width along the streaks. Undefined where nothing can be held. */
export function restAbove(
	sheet: SheetPlan,
	{ kerfMm, leastTrimMm }: CutRules,
): Omit<StockSheet, "id" | "inHand"> | undefined {
	const { lengthMm, heightMm } = asLaid(sheet);
	const top = sheet.strips.at(-1);
	const left = heightMm - (top ? top.yMm + top.heightMm + kerfMm : 0);
	if (left < Math.max(leastTrimMm, 1)) return undefined;
	return sheet.turned ? { widthMm: left, heightMm: lengthMm } : { widthMm: lengthMm, heightMm: left };
}
