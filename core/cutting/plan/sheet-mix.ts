import { coverWanted } from "./cover";
import { dearSheets } from "./dear-sheet";
import { type Grid, laidGrid } from "./grid";
import type { RawStrip } from "./lay-strips";

/** A strip, and whether the sheet it runs over lies turned by a quarter. */
export interface LaidStrip extends RawStrip {
	turned: boolean;
}

/** Sheets that would cover a list if parts of sheets were allowed. */
export interface SheetMix {
	sheets: { strips: LaidStrip[]; times: number }[];
	/** No plan of strips, columns and stacks takes fewer whole sheets; not rounded up. */
	least: number;
}

/**
 * The fewest sheets for a list, parts of sheets allowed: the bound of Gilmore and Gomory (1965), with what is wanted as the most of a strip.
 * @param sides of the sheet along its width and up, in units of the grid
 * @param ways whether strips run along the sheet's width (false), its height (true), or both
 * @returns undefined where something that is wanted lies in no strip of these ways
 */
export function mixSheets(
	[width, height]: readonly [number, number],
	wanted: readonly number[],
	grid: Grid,
	ways: readonly boolean[],
	enough = Number.POSITIVE_INFINITY,
): SheetMix | undefined {
	const rows = wanted.flatMap((n, blank) => (n > 0 ? [blank] : []));
	const makers = ways.map((turned) => {
		const [length, up] = turned ? [height, width] : [width, height];
		const make = dearSheets(length, up, wanted, laidGrid(grid, turned));
		return (worth: readonly number[]) =>
			make((blank) => worth[rows.indexOf(blank)] ?? 0).map((strip) => ({ ...strip, turned }));
	});
	const dear = (worth: readonly number[]) =>
		makers.map((make) => {
			const what = make(worth);
			return { what, holds: rows.map((blank) => what.reduce((sum, strip) => sum + heldBy(strip, blank), 0)) };
		});
	const first = rows.map((_, r) =>
		dear(rows.map((__, i) => (i === r ? 1 : 0))).reduce((a, b) => ((b.holds[r] ?? 0) > (a.holds[r] ?? 0) ? b : a)),
	);
	if (first.some(({ holds }, r) => holds[r] === 0)) return undefined;
	const { taken, least } = coverWanted(
		rows.map((blank) => wanted[blank] as number),
		first,
		dear,
		enough,
	);
	return { sheets: taken.map(({ cover, times }) => ({ strips: cover.what, times })), least };
}

/** So many of a blank come of a strip. */
const heldBy = ({ columns }: RawStrip, blank: number): number =>
	columns.reduce((sum, { choice, n }) => (choice.blank === blank ? sum + n * choice.stack : sum), 0);
