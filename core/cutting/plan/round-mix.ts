import { breaksOff, type Grid } from "./grid";
import type { Noise } from "./lay-strips";
import type { LaidStrip, SheetMix } from "./sheet-mix";

/**
 * Whole strips out of a mix of parts of sheets: each as often as it is whole, and once more or once less by chance; never more of a blank
 * than is left. Takes what it uses off `left`.
 */
export function roundMix({ sheets }: SheetMix, left: number[], grid: Grid, noise: Noise): LaidStrip[] {
	const fewer = noise.next() * 0.7;
	return sheets.flatMap(({ strips, times }) =>
		strips.flatMap((strip) => {
			const wanted = Math.floor(times) + (noise.next() < times % 1 ? 1 : 0) - (noise.next() < fewer ? 1 : 0);
			const taken: LaidStrip[] = [];
			for (let n = 0; n < wanted; n++) {
				const whole = withinLeft(strip, left, grid);
				if (whole) taken.push(whole);
			}
			return taken;
		}),
	);
}

/** The strip, if all its blanks are still left, with a column less where they are not; undefined where it would stand half empty. */
function withinLeft(strip: LaidStrip, left: number[], grid: Grid): LaidStrip | undefined {
	const rest = [...left];
	let area = 0;
	let lost = 0;
	const columns = strip.columns.flatMap(({ choice, n }) => {
		const most = Math.min(n, Math.floor((rest[choice.blank] ?? 0) / choice.stack));
		rest[choice.blank] = (rest[choice.blank] ?? 0) - most * choice.stack;
		area += most * choice.w * choice.h * choice.stack;
		lost += (n - most) * (choice.w + grid.kerf);
		return most > 0 ? [{ choice, n: most }] : [];
	});
	if (lost > 0 && (area < strip.area / 2 || !breaksOff(lost, grid))) return undefined;
	rest.forEach((n, i) => {
		left[i] = n;
	});
	return { ...strip, columns, area };
}
