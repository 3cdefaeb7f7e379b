import { mostOf } from "../extremes";
import { type FuseLevel, keepsSurface } from "../firing/level";

/**
 * Factors by which a piece whose thickest glass is twice its thinnest anneals as if it were thicker. Common practice, no source.
 * Slump and fire polish change nothing: such a piece keeps the factor of the level it already had.
 */
const FACTOR: Record<Exclude<FuseLevel, "slump" | "firePolish">, number> = {
	full: 1,
	deep: 1,
	contour: 1.5,
	tack: 2,
	sinter: 2,
};
/** From this ratio on, where the level leaves relief at all. */
const UNEVEN_FACTOR = 2.5;
export const UNEVEN_RATIO = 3;
const TWICE = 2;
/** Up to this ratio, or with no larger step (mm), a piece is even: it needs no factor at any level. Common practice, no source. */
const EVEN_RATIO = 1.2;
const EVEN_STEP_MM = 1;
/** Fibre inside counts with the glass round it, twice: two singles round 6 mm anneal as 24. Common practice, no source. */
const INSERT_FACTOR = 2;
/** Wider than so many times its height a body cools as a plate does. */
const PLATE = 5;

/** How high the glass stands that a firing finds, mm. */
export interface Heights {
	/** Thickest glass, domes by their peak, without what lies inside it. */
	thickestMm: number;
	/** Thickness that 95 % of the area reaches. */
	thinnestMm: number;
	/** Fibre left inside, and the glass right above and below it; 0 where there is none. */
	insertMm?: number;
	aroundMm?: number;
	/** Narrower side of its largest body; left out: a plate. */
	narrowMm?: number;
	/** Where it is several bodies on purpose that are not alike: each by itself. It anneals as the one that asks for most. */
	alone?: readonly OwnHeights[] | undefined;
}

/** Of one of several bodies; `meanMm` over the area that it covers. */
export type OwnHeights = Omit<Heights, "alone"> & { meanMm: number };

/** The same height all over, as people call it. */
export function isEven(heights: Heights): boolean {
	const { thickestMm, thinnestMm } = mostUneven(heights);
	return thinnestMm <= 0 || thickestMm / thinnestMm <= EVEN_RATIO || thickestMm - thinnestMm <= EVEN_STEP_MM;
}

/** Of several bodies the one with the most uneven heights; one body as it is. */
export const mostUneven = (heights: Heights): Heights =>
	heights.alone?.toSorted((a, b) => ratioOf(b) - ratioOf(a))[0] ?? heights;

/** Thickest : thinnest; 1 where nothing is known of the thinnest. */
export const unevenness = (heights: Heights): number => ratioOf(mostUneven(heights));

const ratioOf = ({ thickestMm, thinnestMm }: Heights): number => (thinnestMm > 0 ? thickestMm / thinnestMm : 1);

/**
 * By how much an uneven piece anneals as thicker: 1 where it is even, growing to the level's factor at twice as thick as thin, and on
 * to 2.5 at three times where the level leaves relief.
 * @param hadLevel the level an earlier firing gave it, for slump and fire polish
 */
export function unevenFactor(heights: Heights, level: FuseLevel, hadLevel?: FuseLevel): number {
	if (isEven(heights)) return 1;
	const shape = keepsSurface(level) ? (hadLevel ?? "full") : level;
	const atTwice = FACTOR[shape as keyof typeof FACTOR] ?? 1;
	const ratio = unevenness(heights);
	if (atTwice === 1) return 1;
	if (ratio <= TWICE) return 1 + ((atTwice - 1) * (ratio - EVEN_RATIO)) / (TWICE - EVEN_RATIO);
	return Math.min(UNEVEN_FACTOR, atTwice + ((UNEVEN_FACTOR - atTwice) * (ratio - TWICE)) / (UNEVEN_RATIO - TWICE));
}

/**
 * Thickness (mm) to anneal as: the thickest glass times its factor, or the glass round an insert and the insert, twice. A body not much
 * wider than high cools from its sides too. Several bodies as the one that asks for most.
 * Source of the last: product of plane walls, Incropera & DeWitt, *Fundamentals of Heat and Mass Transfer*, with a quarter of the
 * side's effect, on the safe side.
 */
export function effectiveThicknessMm(heights: Heights, level: FuseLevel, hadLevel?: FuseLevel): number {
	if (heights.alone) return mostOf(heights.alone.map((one) => effectiveThicknessMm(one, level, hadLevel)));
	const { thickestMm, insertMm = 0, aroundMm = 0, narrowMm = Number.POSITIVE_INFINITY } = heights;
	const isPlate = narrowMm >= PLATE * thickestMm;
	const ownMm = isPlate || narrowMm <= 0 ? thickestMm : 1 / Math.hypot(1 / thickestMm, 1 / narrowMm);
	const pocketMm = insertMm > 0 ? INSERT_FACTOR * (aroundMm + insertMm) : 0;
	return Math.max(ownMm * unevenFactor(heights, level, hadLevel), pocketMm);
}
