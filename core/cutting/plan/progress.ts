import type { Blank, CutPlan, SheetPlan } from "./types";

/** How far the strips of a plan are cut. */
export interface StripProgress {
	sheet: number;
	strip: number;
	/** Parts that come of it, and those that are done. */
	parts: number;
	done: number;
	/** Parts done of each of its columns, in their order. */
	columns: number[];
}

/**
 * Where a plan stands, out of nothing but how many of each part are done: parts are taken to come from its strips in their order. So two
 * tablets that know the same counts show the same.
 * @param doneOf parts done of a blank, by its key
 */
export function progressOf(
	plan: Pick<CutPlan, "sheets">,
	blanks: readonly Blank[],
	doneOf: (key: string) => number,
): StripProgress[] {
	const left = blanks.map(({ key }) => Math.max(0, doneOf(key)));
	return plan.sheets.flatMap(({ strips }, sheet) =>
		strips.map(({ columns }, strip) => {
			let [parts, done] = [0, 0];
			const each = columns.map(({ blank, stack }) => {
				const its = stack * (blanks[blank]?.yields ?? 1);
				const taken = Math.min(its, left[blank] ?? 0);
				left[blank] = (left[blank] ?? 0) - taken;
				parts += its;
				done += taken;
				return taken;
			});
			return { sheet, strip, parts, done, columns: each };
		}),
	);
}

/** The strip to cut next: the first that is not done; undefined where all are. */
export const nextStripOf = (progress: readonly StripProgress[]): StripProgress | undefined =>
	progress.find(({ parts, done }) => done < parts);

/** Scores across a strip: so many columns of one width, one after another. */
export interface Across {
	columns: number;
	widthMm: number;
	/** Parts one above the other, each so high; 1 where the strip is as high as the part. */
	stack: number;
	heightMm: number;
	blank: number;
}

/** Columns of a strip in runs of one kind. */
export function acrossOf({ columns }: SheetPlan["strips"][number]): Across[] {
	const runs: Across[] = [];
	for (const { widthMm, heightMm, stack, blank } of columns) {
		const last = runs.at(-1);
		const same =
			last && last.blank === blank && last.stack === stack && last.widthMm === widthMm && last.heightMm === heightMm;
		if (same) last.columns++;
		else runs.push({ columns: 1, widthMm, heightMm, stack, blank });
	}
	return runs;
}
