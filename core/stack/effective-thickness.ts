import { type FuseLevel, keepsSurface } from "../firing/level";

/**
 * Factors by which an uneven piece anneals as if it were thicker. Common practice, no source.
 * Slump and fire polish change nothing: such a piece keeps the factor of the level it already had.
 */
const FACTOR: Record<Exclude<FuseLevel, "slump" | "firePolish">, number> = {
	full: 1,
	deep: 1,
	contour: 1.5,
	tack: 2,
	sinter: 2,
};
const UNEVEN_FACTOR = 2.5;
export const UNEVEN_RATIO = 3;

/**
 * Thickness (mm) to anneal as. An even piece, one that is the same height all over, needs no factor at any level.
 * @param thinnestMm thickness that 95 % of the area reaches
 * @param hadLevel the level an earlier firing gave it, for slump and fire polish
 */
export function effectiveThicknessMm(
	thickestMm: number,
	thinnestMm: number,
	level: FuseLevel,
	hadLevel?: FuseLevel,
): number {
	const shape = keepsSurface(level) ? (hadLevel ?? "full") : level;
	const factor = FACTOR[shape as keyof typeof FACTOR] ?? 1;
	if (factor === 1) return thickestMm;
	return thickestMm * (thinnestMm > 0 && thickestMm / thinnestMm > UNEVEN_RATIO ? UNEVEN_FACTOR : factor);
}
