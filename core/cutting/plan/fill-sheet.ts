import { breaksOff, commonUnit, type Grid } from "./grid";

/** A strip as it may lie on a sheet. */
interface Filling {
	height: number;
	value: number;
	/** No column fills it: it could be higher. */
	isLoose: boolean;
}

/**
 * Strips, each as often as one likes, that are worth the most one above the other: an unbounded knapsack. What is left above them can be
 * broken off, or one that is loose is as much higher.
 */
export function fillSheet<T extends Filling>(room: number, strips: readonly T[], grid: Grid): T[] {
	const cells = room + grid.kerf;
	const unit = commonUnit(strips.map(({ height }) => height + grid.kerf));
	const rows = Math.floor(cells / unit);
	// Every height twice: without a loose strip below it, and with one.
	const best = new Float64Array(2 * (rows + 1)).fill(-1);
	const last = new Int32Array(best.length).fill(-1);
	const from = new Int32Array(best.length).fill(-1);
	best[0] = 0;
	for (const [i, { height, value, isLoose }] of strips.entries()) {
		const step = 2 * ((height + grid.kerf) / unit);
		for (let before = 0; before + step < best.length; before++) {
			const its = best[before] as number;
			const to = (before + step) | (isLoose ? 1 : 0);
			if (its < 0 || its + value <= (best[to] as number) + 1e-12) continue;
			best[to] = its + value;
			last[to] = i;
			from[to] = before;
		}
	}
	const overOf = (to: number) => cells - (to >> 1) * unit;
	let end = dearestOf(best, (to) => to % 2 === 1 || breaksOff(overOf(to), grid));
	const over = overOf(end);
	const taken: T[] = [];
	for (; end > 1; end = from[end] as number) taken.push(strips[last[end] as number] as T);
	const higher = breaksOff(over, grid) ? -1 : taken.findIndex(({ isLoose }) => isLoose);
	return taken.map((one, i) => (i === higher ? { ...one, height: one.height + over } : one));
}

function dearestOf(best: Float64Array, mayEnd: (to: number) => boolean): number {
	let end = 0;
	for (let to = 2; to < best.length; to++) if ((best[to] as number) > (best[end] as number) && mayEnd(to)) end = to;
	return end;
}
