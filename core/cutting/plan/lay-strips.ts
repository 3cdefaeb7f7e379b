import { type Choice, choicesFor, fillLength } from "./fill-strip";
import { breaksOff, type Grid } from "./grid";

/** A strip in units of the grid, without its place on a sheet. */
export interface RawStrip {
	height: number;
	columns: { choice: Choice; n: number }[];
	/** Area of the blanks in it. */
	area: number;
}

/** Where a pass varies: 0 for the plain one. */
export interface Noise {
	amount: number;
	/** 0 to 1, the next of a fixed row. */
	next(): number;
}

/** So many of the tallest blanks left are tried as the height of the next strip. */
const CANDIDATES = 3;

/**
 * One strip of a length, no higher than `most`: the tallest blank left, or the best of three, sets its height. Takes what it uses
 * off `left`. Undefined where nothing that is left can be scored and broken out.
 */
export function nextStrip(
	length: number,
	most: number,
	left: number[],
	grid: Grid,
	noise: Noise,
): RawStrip | undefined {
	const heights = heightsOf(length, most, left, grid, noise);
	// Noisy passes take the tallest as it comes half of the time: they are twice as fast, and differ more.
	const tried = noise.amount > 0 && noise.next() < 0.5 ? 1 : CANDIDATES;
	let best: (RawStrip & { worth: number }) | undefined;
	for (const [i, height] of heights.entries()) {
		if (i >= tried && best) break;
		const strip = filled(length, height, left, grid, noise);
		if (strip.area === 0) continue;
		const worth = (strip.area / (length * height)) * (1 + noise.amount * (noise.next() - 0.5));
		if (!best || worth > best.worth) best = { ...strip, worth };
	}
	for (const { choice, n } of best?.columns ?? []) left[choice.blank] = (left[choice.blank] ?? 0) - n * choice.stack;
	return best;
}

/**
 * Heights that a strip may have for a blank that is left, the tallest first: each blank as it lies lowest. Half of the noisy passes also
 * stand blanks upright, and most begin with any of these heights.
 */
function heightsOf(length: number, most: number, left: readonly number[], grid: Grid, noise: Noise): number[] {
	const isNoisy = noise.amount > 0;
	const upright = isNoisy && noise.next() < 0.5;
	const found = new Set<number>();
	for (const [i, { w, h, mayTurn }] of grid.blanks.entries()) {
		if ((left[i] ?? 0) === 0) continue;
		const ways = mayTurn && w < h ? [[h, w] as const, [w, h] as const] : [[w, h] as const, [h, w] as const];
		const lying = (mayTurn ? ways : ways.slice(0, 1)).filter(
			([along, height]) => along <= length && height <= most && breaksOff(most - height, grid),
		);
		for (const [, height] of upright ? lying : lying.slice(0, 1)) found.add(height);
	}
	const heights = [...found].sort((a, b) => b - a);
	if (isNoisy && heights.length > 1 && noise.next() < 0.6)
		heights.unshift(...heights.splice(Math.floor(noise.next() * heights.length), 1));
	return heights;
}

/** A strip of this height filled as well as what is left allows. */
function filled(length: number, height: number, left: readonly number[], grid: Grid, noise: Noise): RawStrip {
	const rest = [...left];
	const columns: RawStrip["columns"] = [];
	let free = length;
	// One blank may stand upright and lie: what both took together beyond what is left is given back, and the gap filled again.
	for (let round = 0; round < 3 && free > 0; round++) {
		const choices = choicesFor(height, rest, grid).filter(({ w }) => w <= free);
		if (choices.length === 0) break;
		const value = choices.map(({ w, h, stack }) => w * h * stack * (1 + noise.amount * (noise.next() - 0.5)));
		const counts = fillLength(free, choices, value, grid);
		let taken = 0;
		for (const [i, choice] of choices.entries()) {
			const n = Math.min(counts[i] ?? 0, Math.floor((rest[choice.blank] ?? 0) / choice.stack));
			if (n === 0) continue;
			rest[choice.blank] = (rest[choice.blank] ?? 0) - n * choice.stack;
			columns.push({ choice, n });
			taken += n * (choice.w + grid.kerf);
		}
		if (taken === 0) break;
		if (counts.every((n, i) => n === (columns.find(({ choice }) => choice === choices[i])?.n ?? 0))) break;
		free -= taken;
	}
	columns.sort((a, b) => b.choice.w - a.choice.w || b.choice.h - a.choice.h);
	const area = columns.reduce((sum, { choice: { w, h, stack }, n }) => sum + w * h * stack * n, 0);
	return { height, columns, area };
}
