import type { FuseLevel } from "../firing/level";

/**
 * The level a stack asks for by its heights: even stacks go flat, low relief is rounded, high or heavy relief is only
 * stuck. Common practice, no source; the instructor decides.
 */
export function suggestLevel(thickestMm: number, thinnestMm: number): FuseLevel {
	const ratio = thinnestMm > 0 ? thickestMm / thinnestMm : 1;
	if (thickestMm > 12 || ratio > 3) return "tack";
	if (ratio <= 1.35 || thickestMm <= 6.5) return ratio <= 2.1 ? "full" : "contour";
	return "contour";
}
