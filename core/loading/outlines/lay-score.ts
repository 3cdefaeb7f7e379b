import { leastOf } from "../../extremes";
import type { ShelfPiece } from "../placement";
import type { LaidOut } from "./lay-outlines";

export interface Score {
	/** The least rank of what is left; infinite where nothing is. */
	firstLeft: number;
	glassMm2: number;
	/** Mean square distance from their middle, mm². */
	spreadMm2: number;
}

/** What a laying is judged by. */
export function scoreOf(
	{ laid, leftIds }: LaidOut,
	known: ReadonlyMap<string, Pick<ShelfPiece, "form" | "rank">>,
): Score {
	const firstLeft = leastOf(leftIds.map((id) => known.get(id)?.rank ?? 0));
	const n = Math.max(1, laid.length);
	const [mx, my] = [laid.reduce((sum, { xMm }) => sum + xMm, 0) / n, laid.reduce((sum, { yMm }) => sum + yMm, 0) / n];
	return {
		firstLeft,
		glassMm2: laid.reduce((sum, { id }) => sum + (known.get(id)?.form.areaMm2 ?? 0), 0),
		spreadMm2: laid.reduce((sum, { xMm, yMm }) => sum + (xMm - mx) ** 2 + (yMm - my) ** 2, 0) / n,
	};
}

/** Whoever is promised first is left out last; then the most glass; then what lies closer by a fiftieth. */
export function isBetter(a: Score, b: Score): boolean {
	if (a.firstLeft !== b.firstLeft) return a.firstLeft > b.firstLeft;
	if (Math.abs(a.glassMm2 - b.glassMm2) > 1e-3) return a.glassMm2 > b.glassMm2;
	return a.spreadMm2 < b.spreadMm2 * 0.98;
}
