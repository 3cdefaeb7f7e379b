/** Threads, ribbons and canes cut from rods of one length. Lengths mm. */
export interface Rod {
	/** Longest first. */
	cuts: number[];
	restMm: number;
}

export interface RodPlan {
	rods: Rod[];
	/** Longer than a rod. */
	tooLong: number[];
	/** No plan takes fewer: all lengths end to end. */
	least: number;
}

/**
 * Lengths onto rods, the longest first, each where the least is left (best-fit decreasing): at most 11/9 · OPT + 6/9 rods (Dósa 2007, for
 * first-fit decreasing). Snapped by hand: nothing is lost at a cut.
 */
export function cutLengths(lengths: readonly number[], rodMm: number): RodPlan {
	const rods: Rod[] = [];
	const tooLong: number[] = [];
	for (const length of [...lengths].sort((a, b) => b - a)) {
		if (length > rodMm) {
			tooLong.push(length);
			continue;
		}
		let best: Rod | undefined;
		for (const rod of rods) if (rod.restMm >= length - 1e-9 && (!best || rod.restMm < best.restMm)) best = rod;
		if (!best) {
			best = { cuts: [], restMm: rodMm };
			rods.push(best);
		}
		best.cuts.push(length);
		best.restMm = Math.max(0, Math.round((best.restMm - length) * 1000) / 1000);
	}
	const sum = lengths.reduce((total, length) => total + (length > rodMm ? 0 : length), 0);
	return { rods, tooLong, least: Math.ceil(sum / rodMm - 1e-9) };
}
