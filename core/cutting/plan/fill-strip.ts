import { breaksOff, commonUnit, type Grid } from "./grid";

/** A column as it may stand in a strip, in units of the grid. */
export interface Choice {
	blank: number;
	turned: boolean;
	w: number;
	/** Height of one part. */
	h: number;
	stack: number;
	/** So many columns of it at most. */
	most: number;
}

/** Columns that fit a strip of this height, of what is left of each blank. */
export function choicesFor(height: number, left: readonly number[], grid: Grid): Choice[] {
	const found: Choice[] = [];
	for (const [blank, { w, h, mayTurn }] of grid.blanks.entries()) {
		const n = left[blank] ?? 0;
		if (n === 0) continue;
		add(found, blank, false, w, h, n, height, grid);
		if (mayTurn && w !== h) add(found, blank, true, h, w, n, height, grid);
	}
	return found;
}

function add(
	to: Choice[],
	blank: number,
	turned: boolean,
	w: number,
	h: number,
	n: number,
	height: number,
	grid: Grid,
) {
	let stack = Math.min(n, Math.floor((height + grid.kerf) / (h + grid.kerf)));
	while (stack > 0 && !breaksOff(height - stack * h - (stack - 1) * grid.kerf, grid)) stack--;
	if (stack === 0) return;
	to.push({ blank, turned, w, h, stack, most: Math.floor(n / stack) });
	const over = n % stack;
	if (over > 0 && breaksOff(height - over * h - (over - 1) * grid.kerf, grid))
		to.push({ blank, turned, w, h, stack: over, most: 1 });
}

/** One more choice for every length: `best` rises where it helps, `used` says how often it was taken. */
function offer(best: Float64Array, used: Uint16Array, step: number, most: number, worth: number): void {
	for (let at = step; at < best.length; at++) {
		const before = best[at - step] as number;
		const often = used[at - step] as number;
		if (before < 0 || often >= most || before + worth <= (best[at] as number)) continue;
		best[at] = before + worth;
		used[at] = often + 1;
	}
}

/** Lengths that columns of these choices can reach are multiples of `unit`; a column takes its width and one cut, the last may fall beyond the edge. */
function lengthsOf(length: number, choices: readonly Choice[], grid: Grid) {
	const cells = length + grid.kerf;
	const unit = commonUnit(choices.map(({ w }) => w + grid.kerf));
	const best = new Float64Array(Math.floor(cells / unit) + 1).fill(-1);
	best[0] = 0;
	const stepOf = ({ w }: Choice) => (w + grid.kerf) / unit;
	/** The fullest length whose rest can be broken off. */
	const fullest = (): number => {
		let end = 0;
		for (let at = 1; at < best.length; at++)
			if ((best[at] as number) > (best[end] as number) && breaksOff(cells - at * unit, grid)) end = at;
		return end;
	};
	return { best, stepOf, fullest };
}

/** What columns of a length of strip are worth at most, without saying which: as `fillLength`, and quicker. */
export function worthOfLength(
	length: number,
	choices: readonly Choice[],
	value: readonly number[],
	grid: Grid,
): number {
	const { best, stepOf, fullest } = lengthsOf(length, choices, grid);
	const used = new Uint16Array(best.length);
	for (const [i, choice] of choices.entries()) {
		used.fill(0);
		offer(best, used, stepOf(choice), choice.most, value[i] ?? 0);
	}
	return best[fullest()] as number;
}

/**
 * Columns for a length of strip, worth the most: a knapsack over lengths in which each choice is taken at most `most` times, and what
 * is left at the end can be broken off.
 * @param value of one column of each choice
 * @returns how many of each
 */
export function fillLength(length: number, choices: readonly Choice[], value: readonly number[], grid: Grid): number[] {
	const { best, stepOf, fullest } = lengthsOf(length, choices, grid);
	const counts = choices.map((choice, i) => {
		const used = new Uint16Array(best.length);
		offer(best, used, stepOf(choice), choice.most, value[i] ?? 0);
		return used;
	});
	let end = fullest();
	const taken = new Array<number>(choices.length).fill(0);
	for (let i = choices.length - 1; i >= 0; i--) {
		const n = counts[i]?.[end] as number;
		taken[i] = n;
		end -= n * stepOf(choices[i] as Choice);
	}
	return taken;
}
