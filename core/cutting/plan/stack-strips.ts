import { breaksOff, type Grid } from "./grid";

/**
 * Strips onto as few sheets of one height as two rules find, what is left of a sheet can be broken off: the tallest first, each where the least
 * is left over it (best-fit decreasing: at most 11/9 · OPT + 6/9 sheets, Dósa 2007 for first-fit decreasing, best-fit is no worse in
 * practice); and, where the heights would go on fewer, sheet by sheet as full as can be.
 * @returns indexes of the strips of each sheet
 */
export function stackStrips(heights: readonly number[], sheetHeight: number, grid: Grid): number[][] {
	const order = heights.map((_, i) => i).sort((a, b) => (heights[b] as number) - (heights[a] as number) || a - b);
	const stacks = byBestFit(order, heights, sheetHeight, grid);
	const all = heights.reduce((sum, height) => sum + height + grid.kerf, 0);
	if (stacks.length <= Math.ceil(all / (sheetHeight + grid.kerf))) return stacks;
	const fuller = bySheet(order, heights, sheetHeight, grid);
	return fuller.length < stacks.length ? fuller : stacks;
}

function byBestFit(order: readonly number[], heights: readonly number[], sheetHeight: number, grid: Grid): number[][] {
	const sheets: { strips: number[]; left: number }[] = [];
	for (const i of order) {
		const height = heights[i] as number;
		let best: (typeof sheets)[number] | undefined;
		for (const sheet of sheets) {
			const after = sheet.left - height - grid.kerf;
			// The last cut may fall on the edge.
			if (sheet.left - height < 0 || !breaksOff(sheet.left - height, grid)) continue;
			if (!best || after < best.left - height - grid.kerf) best = sheet;
		}
		if (!best) {
			best = { strips: [], left: sheetHeight };
			sheets.push(best);
		}
		best.strips.push(i);
		best.left -= height + (best.left === height ? 0 : grid.kerf);
	}
	return sheets.map(({ strips }) => strips);
}

/** Sheet after sheet: the tallest strip left, and with it those that fill the sheet best (sums of subsets). */
function bySheet(order: readonly number[], heights: readonly number[], sheetHeight: number, grid: Grid): number[][] {
	const size = (i: number) => (heights[i] as number) + grid.kerf;
	const sheets: number[][] = [];
	let left = [...order];
	while (left.length > 0) {
		const [tallest, ...others] = left as [number, ...number[]];
		const room = sheetHeight + grid.kerf - size(tallest);
		// By which strip each sum was reached first; strips later in the row never stand below it.
		const by = new Int32Array(room + 1).fill(-1);
		for (const [k, i] of others.entries())
			for (let sum = room; sum >= size(i); sum--)
				if ((by[sum] as number) < 0 && (sum === size(i) || (by[sum - size(i)] as number) >= 0)) by[sum] = k;
		let sum = room;
		while (sum > 0 && ((by[sum] as number) < 0 || !breaksOff(room - sum, grid))) sum--;
		const stack = [tallest];
		for (; sum > 0; sum -= size(others[by[sum] as number] as number)) stack.push(others[by[sum] as number] as number);
		sheets.push(stack);
		left = left.filter((i) => !stack.includes(i));
	}
	return sheets;
}
