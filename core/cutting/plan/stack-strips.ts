import { breaksOff, type Grid } from "./grid";

/**
 * Strips onto sheets of one height, the tallest first, each where the least is left over it (best-fit decreasing), and what is left of a
 * sheet can be broken off. At most 11/9 · OPT + 6/9 sheets (Dósa 2007, for first-fit decreasing; best-fit is no worse in practice).
 * @returns indexes of the strips of each sheet
 */
export function stackStrips(heights: readonly number[], sheetHeight: number, grid: Grid): number[][] {
	const order = heights.map((_, i) => i).sort((a, b) => (heights[b] as number) - (heights[a] as number) || a - b);
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
