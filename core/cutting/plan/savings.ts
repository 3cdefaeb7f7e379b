import { leastSheets } from "./figures";
import { type CutTask, searchPlans } from "./search";
import type { Blank } from "./types";

/** What a part that is a little smaller would save. */
export interface Saving {
	/** Of the blank. */
	key: string;
	side: "width" | "height";
	fromMm: number;
	toMm: number;
	/** So many sheets less. */
	sheets: number;
}

/** Sides are looked at so much smaller, mm: less than anybody sees in a fused piece. Common practice, no source. */
const STEPS_MM = [1, 2] as const;
/** A side keeps at least so much of itself. */
const LEAST_SHARE = 0.94;
const PASSES = 16;

/**
 * The smallest change of one part's side that saves a sheet, of each side that has one; the greatest saving first.
 * @param sheets of the best plan there is
 */
export function savingsOf(task: CutTask, sheets: number): Saving[] {
	if (sheets < 2) return [];
	const found = task.blanks.flatMap((blank, i) => {
		if (blank.finish !== "none" || blank.count === 0) return [];
		const sides = blank.heightMm === blank.widthMm ? (["width"] as const) : (["width", "height"] as const);
		return sides.flatMap((side) => smallestChange(task, i, side, sheets) ?? []);
	});
	return found.sort((a, b) => b.sheets - a.sheets || a.fromMm - a.toMm - (b.fromMm - b.toMm));
}

function smallestChange(task: CutTask, index: number, side: Saving["side"], sheets: number): Saving | undefined {
	const blank = task.blanks[index] as Blank;
	const fromMm = blank[`${side}Mm`];
	for (const step of STEPS_MM) {
		const toMm = fromMm - step;
		if (toMm < fromMm * LEAST_SHARE) return undefined;
		// A square stays one.
		const both = blank.heightMm === blank.widthMm ? { widthMm: toMm, heightMm: toMm } : { [`${side}Mm`]: toMm };
		const blanks = task.blanks.map((one, i) => (i === index ? { ...one, ...both } : one));
		if (leastSheets(blanks, task.sheet) >= sheets) continue;
		const fewest = [...searchPlans({ ...task, blanks }, PASSES)].at(-1)?.best.fewestSheets;
		const isWhole = fewest?.plan.short.every((n) => n === 0);
		if (fewest && isWhole && fewest.figures.sheets < sheets)
			return { key: blank.key, side, fromMm, toMm, sheets: sheets - fewest.figures.sheets };
	}
	return undefined;
}
