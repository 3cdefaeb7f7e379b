import { flowThere } from "../firing/flow-there";
import { type FuseLevel, LEVEL_BANDS, levelOf } from "../firing/level";
import type { GlassFamily } from "../glass/family";
import { boxOf } from "./lay-problems";
import type { Uneven } from "./outlines/to-middle";
import type { PlacedPiece } from "./placement";
import type { Tier } from "./tiers";

/** What a firing does in the middle of its lowest shelf. */
export interface Reached {
	family: GlassFamily;
	level: FuseLevel;
	flow: number;
	peakC: number;
}

/** Where it is known to be hotter or cooler, a piece would come out at another level. */
export interface HeatProblem {
	kind: "heat";
	id: string;
	/** Against the middle of the lowest shelf, K. */
	offsetK: number;
	/** Undefined: nothing lasting would happen to it. */
	comes: FuseLevel | undefined;
}

/** By how much less than the band a place is taken when nobody put the piece there: the flow is known to a tenth. */
const MARGIN = 1.1;

/** Does a place so much hotter keep the level that is meant? */
export function keepsLevel(reached: Reached, offsetK: number, margin = 1): boolean {
	if (offsetK === 0) return true;
	const { from, to } = LEVEL_BANDS[reached.level];
	const flow = flowThere(reached.family, reached, offsetK);
	return flow >= from * (offsetK < 0 ? margin : 1) && flow < to / (offsetK > 0 ? margin : 1);
}

/** Places of a shelf where nothing of this firing is laid; undefined where the whole shelf is none. */
export const barredOn = (
	{ offsetK }: Pick<Tier, "offsetK">,
	uneven: readonly Uneven[],
	reached: Reached,
): Uneven[] | undefined =>
	keepsLevel(reached, offsetK, MARGIN)
		? uneven.filter((zone) => !keepsLevel(reached, offsetK + zone.offsetK, MARGIN))
		: undefined;

/** How much hotter than the middle of the lowest shelf it is where a piece lies, K: over all of its box. */
export function offsetUnder(one: PlacedPiece, { offsetK }: Pick<Tier, "offsetK">, uneven: readonly Uneven[]): number {
	const { minX, maxX, minY, maxY } = boxOf(one);
	const areaMm2 = (maxX - minX) * (maxY - minY);
	return uneven.reduce((sum, zone) => {
		const across = Math.min(maxX, zone.xMm + zone.widthMm) - Math.max(minX, zone.xMm);
		const deep = Math.min(maxY, zone.yMm + zone.heightMm) - Math.max(minY, zone.yMm);
		return sum + (zone.offsetK * Math.max(0, across) * Math.max(0, deep)) / areaMm2;
	}, offsetK);
}

/** Pieces that would come out at another level where they lie. */
export const heatProblems = (
	all: readonly PlacedPiece[],
	tiers: readonly Tier[],
	uneven: readonly Uneven[],
	reached: Reached,
): HeatProblem[] =>
	all.flatMap((one) => {
		const tier = tiers[one.shelf];
		if (!tier) return [];
		const offsetK = offsetUnder(one, tier, uneven);
		if (keepsLevel(reached, offsetK)) return [];
		return [{ kind: "heat", id: one.id, offsetK, comes: levelOf(flowThere(reached.family, reached, offsetK)).level }];
	});
