import { type LengthUnit, MM_PER_INCH } from "./length";

/** Lengths of a scale bar that are round in inches. */
const ROUND_IN = [48, 24, 12, 6, 4, 2, 1, 1 / 2, 1 / 4, 1 / 8, 1 / 16];

/** Length of a scale bar, mm: round in the reader's unit, at most a sixth of what is shown. @param widthMm what is shown */
export function scaleBarMm(widthMm: number, unit: LengthUnit): number {
	const wanted = widthMm / 6;
	if (unit === "in") return (ROUND_IN.find((inches) => inches * MM_PER_INCH <= wanted) ?? 1 / 16) * MM_PER_INCH;
	const power = 10 ** Math.floor(Math.log10(wanted));
	return ([5, 2, 1].find((step) => step * power <= wanted) ?? 1) * power;
}
