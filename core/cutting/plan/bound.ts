import { leastSheets } from "./figures";
import { downTo, type Grid, gridOf } from "./grid";
import type { CutTask } from "./search";
import { WHOLE } from "./types";

/** Rounds after which the bound hardly rises any more. */
const ROUNDS = 24;

/**
 * Fewer whole sheets than this no plan of strips, columns and stacks needs, offcuts left out. Any worth of the blanks gives a bound: what
 * all of them are worth over what the dearest sheet can hold (Farley 1990, after Gilmore and Gomory 1965). Worths begin as areas; in
 * every round those of blanks that the dearest sheets hold too few of rise.
 * @param enough it is looked for no higher: a plan with so few sheets is there
 * @returns a bound that is never less than area over area; 0 where nothing is asked for that fits a sheet
 */
export function leastSheetsOf(
	{ blanks, sheet, rules }: Pick<CutTask, "blanks" | "sheet" | "rules">,
	enough: number,
): number {
	const fitting = blanks.map((one) =>
		canLie({ w: one.widthMm, h: one.heightMm, ...one }, [sheet.widthMm, sheet.heightMm]) ? one : { ...one, count: 0 },
	);
	const byArea = leastSheets(fitting, sheet);
	return byArea >= enough ? byArea : Math.max(byArea, byWorth({ blanks, sheet, rules }, enough));
}

function byWorth({ blanks, sheet, rules }: Pick<CutTask, "blanks" | "sheet" | "rules">, enough: number): number {
	const grid = gridOf(blanks, [{ id: WHOLE, ...sheet }], rules);
	const wanted = grid.blanks.map(({ count }) => count);
	const sides = [downTo(sheet.widthMm, grid.mm), downTo(sheet.heightMm, grid.mm)] as const;
	const fits = grid.blanks.map((one) => canLie(one, sides));
	if (!wanted.some((n, i) => n > 0 && fits[i])) return 0;
	const worth = grid.blanks.map(({ w, h }, i) => (fits[i] ? w * h : 0));
	const held = wanted.map(() => 0);
	let best = 0;
	for (let round = 1; round <= ROUNDS && best <= enough - 1 + 1e-6; round++) {
		const dearest = [
			dearestSheet(sides[0], sides[1], grid, worth),
			dearestSheet(sides[1], sides[0], turned(grid), worth),
		].sort((a, b) => b.value - a.value)[0] as DearSheet;
		const all = worth.reduce((sum, one, i) => sum + one * (wanted[i] ?? 0), 0);
		best = Math.max(best, all / dearest.value);
		for (const [i, n] of dearest.held.entries()) held[i] = (held[i] ?? 0) + n;
		// What all dearest sheets so far held, against what is wanted: a blank they hold too little of is worth more.
		const share = held.map((n, i) => n / Math.max(1, wanted[i] ?? 0));
		const mean = share.reduce((sum, one) => sum + one, 0) / share.length;
		const step = 0.5 / Math.sqrt(round);
		for (const [i, one] of share.entries()) {
			if (!fits[i] || (wanted[i] ?? 0) === 0) continue;
			worth[i] = (worth[i] ?? 0) * Math.exp(step * Math.max(-1, Math.min(1, (mean - one) / (mean || 1))));
		}
	}
	return Math.ceil(best - 1e-6);
}

const canLie = (
	{ w, h, mayTurn }: Pick<Grid["blanks"][number], "w" | "h" | "mayTurn">,
	[a, b]: readonly [number, number],
): boolean => (w <= a && h <= b) || (mayTurn && h <= a && w <= b);

const turned = (grid: Grid): Grid => ({ ...grid, blanks: grid.blanks.map((one) => ({ ...one, w: one.h, h: one.w })) });

interface DearSheet {
	value: number;
	/** Blanks on it, of each kind. */
	held: number[];
}

/** The sheet of strips that is worth the most, as many of each blank as one likes: a knapsack of strips, each a knapsack of columns. */
function dearestSheet(length: number, height: number, grid: Grid, worth: readonly number[]): DearSheet {
	const { kerf } = grid;
	const ways = grid.blanks.flatMap(({ w, h, mayTurn }, blank) => {
		const one = { blank, w, h };
		return mayTurn && w !== h ? [one, { blank, w: h, h: w }] : [one];
	});
	const heights = new Set<number>();
	for (const { h, w } of ways)
		if (w <= length) for (let n = 1; n * (h + kerf) - kerf <= height; n++) heights.add(n * (h + kerf) - kerf);
	const strips = [...heights].map((strip) => {
		const columns = ways
			.map(({ blank, w, h }) => ({ blank, size: w + kerf, stack: Math.floor((strip + kerf) / (h + kerf)) }))
			.filter(({ stack, size }) => stack > 0 && size - kerf <= length);
		const { value, counts } = knapsack(
			length + kerf,
			columns.map(({ size, stack, blank }) => ({ size, value: stack * (worth[blank] ?? 0) })),
		);
		return { strip, value, columns, counts };
	});
	const { value, counts } = knapsack(
		height + kerf,
		strips.map((one) => ({ size: one.strip + kerf, value: one.value })),
	);
	const held = grid.blanks.map(() => 0);
	for (const [i, n] of counts.entries()) {
		const { columns, counts: its } = strips[i] as (typeof strips)[number];
		for (const [c, k] of its.entries()) {
			const { blank, stack } = columns[c] as (typeof columns)[number];
			held[blank] = (held[blank] ?? 0) + n * k * stack;
		}
	}
	return { value, held };
}

/** The most that things of whole sizes are worth in a room, each as often as one likes. */
function knapsack(
	room: number,
	things: readonly { size: number; value: number }[],
): { value: number; counts: number[] } {
	const best = new Float64Array(room + 1);
	const last = new Int16Array(room + 1).fill(-1);
	for (let at = 1; at <= room; at++) {
		best[at] = best[at - 1] as number;
		for (const [i, { size, value }] of things.entries()) {
			if (size > at) continue;
			const with1 = (best[at - size] as number) + value;
			if (with1 > (best[at] as number) + 1e-12) {
				best[at] = with1;
				last[at] = i;
			}
		}
	}
	const counts = things.map(() => 0);
	for (let at = room; at > 0; ) {
		const i = last[at] as number;
		if (i < 0) at--;
		else {
			counts[i] = (counts[i] ?? 0) + 1;
			at -= things[i]?.size ?? 1;
		}
	}
	return { value: best[room] as number, counts };
}
