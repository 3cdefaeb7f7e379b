import type { Blank, CutRules, StockSheet } from "./types";

/** The glass list in whole units: sums are exact, and plans are the same on every machine. */
export interface Grid {
	/** One unit, mm. */
	mm: number;
	blanks: { w: number; h: number; count: number; mayTurn: boolean }[];
	kerf: number;
	leastTrim: number;
}

const INCH_MM = 25.4;
/** Units that lengths of a list are usually whole numbers of, mm, the coarsest first: millimetres and parts of inches. */
const UNITS = [INCH_MM / 4, 5, INCH_MM / 8, 2.5, 2, INCH_MM / 16, 1, INCH_MM / 32, 0.5, 0.25, 0.2] as const;
/** Where none fits, blanks are this much larger at most: less than a wheel's line is wide. */
const FINEST_MM = 0.1;

/** Lengths in the coarsest unit that all of them are whole numbers of; else in tenths of a millimetre, blanks rounded up, sheets down. */
export function gridOf(
	blanks: readonly Blank[],
	sheets: readonly StockSheet[],
	{ kerfMm, leastTrimMm }: CutRules,
): Grid {
	const lengths = [
		...blanks.flatMap(({ widthMm, heightMm }) => [widthMm, heightMm]),
		...sheets.flatMap(({ widthMm, heightMm }) => [widthMm, heightMm]),
		kerfMm,
	];
	const mm = UNITS.find((unit) => lengths.every((length) => isWhole(length / unit))) ?? FINEST_MM;
	const up = (length: number) => Math.ceil(length / mm - 1e-6);
	return {
		mm,
		blanks: blanks.map(({ widthMm, heightMm, count, mayTurn }) => ({
			w: up(widthMm),
			h: up(heightMm),
			count,
			mayTurn,
		})),
		kerf: up(kerfMm),
		leastTrim: up(leastTrimMm),
	};
}

/** The list as it lies on a sheet whose strips run along its height: what may not be turned by itself turns with the sheet. */
export const laidGrid = (grid: Grid, turned: boolean): Grid =>
	turned ? { ...grid, blanks: grid.blanks.map((one) => ({ ...one, w: one.h, h: one.w })) } : grid;

/** The largest whole number that all of these are multiples of; 1 where there are none. */
export const commonUnit = (lengths: readonly number[]): number =>
	lengths.reduce((unit, length) => {
		let [a, b] = [unit, length];
		while (b > 0) [a, b] = [b, a % b];
		return a;
	}, 0) || 1;

/** Whole units of a sheet's side. */
export const downTo = (lengthMm: number, unitMm: number): number => Math.floor(lengthMm / unitMm + 1e-6);

const isWhole = (n: number): boolean => Math.abs(n - Math.round(n)) < 1e-6;

/** Whether what is left beside a cut can be broken off: nothing, or as much as the pliers hold. */
export const breaksOff = (left: number, { kerf, leastTrim }: Pick<Grid, "kerf" | "leastTrim">): boolean =>
	left === 0 || left - kerf >= leastTrim;
