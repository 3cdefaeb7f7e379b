import { ok, problem, type Result } from "../result";

export const MM_PER_INCH = 25.4; // exact: international yard and pound agreement, 1959

export type LengthUnit = "mm" | "in";

const unitMm: Record<string, number> = {
	mm: 1,
	cm: 10,
	in: MM_PER_INCH,
	inch: MM_PER_INCH,
	inches: MM_PER_INCH,
	'"': MM_PER_INCH,
	"″": MM_PER_INCH,
};

const quantity = /^(-?)\s*(?:(\d+(?:[.,]\d+)?)(?:[\s-]+(\d+)\s*\/\s*(\d+))?|(\d+)\s*\/\s*(\d+))\s*([a-z"″]*)$/i;

/**
 * Reads a typed length: "100", "6.4 cm", "2 1/2 in", '3/4"'. A bare number is taken in `assumed`.
 * @returns millimetres, or one problem whose sentence says which forms are understood.
 */
export function parseLengthMm(text: string, assumed: LengthUnit = "mm"): Result<number> {
	const match = quantity.exec(text.trim());
	const unit = match?.[7]?.toLowerCase() || assumed;
	const factor = unitMm[unit];
	if (!match || factor === undefined) {
		return problem([], `“${text.trim()}” is not a length. Write it like 100, 6.4 cm or 2 1/2 in.`);
	}
	const whole = match[2] === undefined ? 0 : Number(match[2].replace(",", "."));
	const numerator = Number(match[3] ?? match[5] ?? 0);
	const denominator = Number(match[4] ?? match[6] ?? 1);
	if (denominator === 0) return problem([], "A fraction cannot have 0 below the line.");
	const sign = match[1] === "-" ? -1 : 1;
	return ok(sign * (whole + numerator / denominator) * factor);
}

/** A sixteenth of an inch may be so much of a length beside it; what is finer (a blade, a thread, a sheet) it would hide. */
const BESIDE_A_SIXTEENTH = 0.02;

/** A length for a screen, without its unit: mm to 0.1 below 20 and whole above; inches to 1/16 where that is within a fiftieth, else to 0.001. */
export function lengthFigure(mm: number, unit: LengthUnit): string {
	if (unit === "in") return inchFigure(mm / MM_PER_INCH);
	const digits = Math.abs(mm) < 20 ? 1 : 0;
	return String(Number(mm.toFixed(digits)));
}

export function formatLength(mm: number, unit: LengthUnit): string {
	return `${lengthFigure(mm, unit)} ${unit}`;
}

/** An area: cm² or square inches, whole from 10 on. */
export function formatArea(mm2: number, unit: LengthUnit): string {
	const area = unit === "in" ? mm2 / MM_PER_INCH ** 2 : mm2 / 100;
	return `${Number(area.toFixed(area < 10 ? 1 : 0))} ${unit === "in" ? "in²" : "cm²"}`;
}

function inchFigure(inches: number): string {
	const besideIn = Math.abs(inches - Math.round(inches * 16) / 16);
	if (besideIn <= BESIDE_A_SIXTEENTH * Math.abs(inches)) return inchFraction(inches);
	return String(Number(inches.toFixed(3)) || 0);
}

function inchFraction(inches: number): string {
	const sixteenths = Math.round(Math.abs(inches) * 16);
	const sign = inches < 0 && sixteenths > 0 ? "-" : "";
	const whole = Math.floor(sixteenths / 16);
	let top = sixteenths % 16;
	let bottom = 16;
	while (top > 0 && top % 2 === 0) {
		top /= 2;
		bottom /= 2;
	}
	if (top === 0) return `${sign}${whole}`;
	return whole === 0 ? `${sign}${top}/${bottom}` : `${sign}${whole} ${top}/${bottom}`;
}
