import { fillSheet } from "./fill-sheet";
import { type Choice, fillLength, worthOfLength } from "./fill-strip";
import { breaksOff, type Grid } from "./grid";
import type { RawStrip } from "./lay-strips";

/** A height that a strip may have, with the columns that can stand in it. */
interface Height {
	height: number;
	choices: Choice[];
	/** No column fills it: it could be higher. */
	isLoose: boolean;
}

/**
 * Makes the dearest sheets of a list: a knapsack of strips, each a knapsack of columns, for any worth of the blanks (Gilmore and Gomory
 * 1965). A strip holds no more of a blank than is wanted, rounded up to whole columns; a sheet may.
 * @param length of its strips and `sheetHeight`, in units of the grid
 */
export function dearSheets(length: number, sheetHeight: number, wanted: readonly number[], grid: Grid) {
	const heights = heightsOf(length, sheetHeight, wanted, grid);
	return (worthOf: (blank: number) => number): RawStrip[] => {
		const strips = heights.flatMap(({ height, isLoose, choices: all }) => {
			const choices = all.filter(({ blank }) => worthOf(blank) > 0);
			const worth = choices.map(({ blank, stack }) => worthOf(blank) * stack);
			const value = worthOfLength(length, choices, worth, grid);
			return value > 0 ? [{ height, isLoose, choices, worth, value }] : [];
		});
		return fillSheet(sheetHeight, strips, grid).map(({ height, choices, worth }) => {
			const counts = fillLength(length, choices, worth, grid);
			const columns = choices.flatMap((choice, i) =>
				(counts[i] ?? 0) > 0 ? [{ choice, n: counts[i] as number }] : [],
			);
			const area = columns.reduce((sum, { choice: { w, h, stack }, n }) => sum + w * h * stack * n, 0);
			return { height, columns, area };
		});
	};
}

/**
 * Heights that differ in what can stand in them: some column fills the strip, or none does and one leaves no more than can just be broken
 * off; any other strip could be lower. Of those in which the same columns stand, the lowest.
 */
function heightsOf(length: number, most: number, wanted: readonly number[], grid: Grid): Height[] {
	const ways = grid.blanks.flatMap(({ w, h, mayTurn }, blank) => {
		if ((wanted[blank] ?? 0) === 0) return [];
		const one = { blank, turned: false, w, h };
		return (mayTurn && w !== h ? [one, { blank, turned: true, w: h, h: w }] : [one]).filter((way) => way.w <= length);
	});
	const full = new Set<number>();
	for (const { blank, h } of ways)
		for (let k = 1; k <= (wanted[blank] ?? 0) && k * (h + grid.kerf) - grid.kerf <= most; k++)
			full.add(k * (h + grid.kerf) - grid.kerf);
	const lowestFirst = [...full].sort((a, b) => a - b);
	const loose = grid.leastTrim > 0 ? lowestFirst.map((height) => height + grid.kerf + grid.leastTrim) : [];
	const seen = new Set<string>();
	const differing = (isLoose: boolean) => (height: number) => {
		if (height > most) return [];
		const choices = ways.flatMap((way): Choice[] => {
			const n = wanted[way.blank] ?? 0;
			const restOf = (stack: number) => height - stack * way.h - (stack - 1) * grid.kerf;
			let stack = Math.min(n, Math.floor((height + grid.kerf) / (way.h + grid.kerf)));
			while (stack > 0 && !(breaksOff(restOf(stack), grid) && !(isLoose && restOf(stack) === 0))) stack--;
			return stack > 0 ? [{ ...way, stack, most: Math.ceil(n / stack) }] : [];
		});
		const key = choices.map(({ blank, turned, stack }) => `${isLoose}${blank}${turned}${stack}`).join();
		if (seen.has(key)) return [];
		seen.add(key);
		return [{ height, choices, isLoose }];
	};
	return [...lowestFirst.flatMap(differing(false)), ...loose.flatMap(differing(true))];
}
