import { boundsOf } from "../geometry/bounds";
import { levelledShare, softened } from "./profile";
import { sectionAlong } from "./section";
import type { Stack } from "./stack";

/** Heights of a piece across its thickest place. mm */
export interface Relief {
	/** Highest less lowest glass, as laid up. */
	beforeMm: number;
	/** What of it is left after the firing; an estimate. */
	leftMm: number;
}

const PLACES = 96;
/** This much at either end of a run of glass is its rounded edge, no relief, mm. */
const EDGE_MM = 1.5;

/**
 * What a firing of flow index `flow` leaves of the relief of a stack, along a line through its thickest place and the longer
 * way of its box: softened and levelled by the model that draws the section. The rounding of its edge is no relief.
 */
export function reliefOf(stack: Stack, flow = stack.flow): Relief {
	const { thickest, glass } = stack;
	if (!thickest) return { beforeMm: 0, leftMm: 0 };
	const box = boundsOf(glass.flatMap(({ region }) => region));
	const at = { x: (thickest.box.minX + thickest.box.maxX) / 2, y: (thickest.box.minY + thickest.box.maxY) / 2 };
	const cut =
		box.widthMm >= box.heightMm
			? { from: { x: box.minX, y: at.y }, to: { x: box.maxX, y: at.y } }
			: { from: { x: at.x, y: box.minY }, to: { x: at.x, y: box.maxY } };
	const { places, stepMm } = sectionAlong(glass, [], cut, 0, PLACES);
	const before = places.map(({ layers }) => layers.reduce((sum, { glassMm }) => sum + glassMm, 0));
	const inner = innerPlaces(before, Math.ceil(EDGE_MM / stepMm));
	const beforeMm = rangeAt(before, inner);
	const leftMm = (1 - levelledShare(flow)) * rangeAt(softened(before, stepMm, flow), inner);
	return { beforeMm, leftMm: Math.min(beforeMm, leftMm) };
}

/** Places with glass on both sides for some way. */
function innerPlaces(heights: readonly number[], reach: number): number[] {
	return heights.flatMap((_, i) => {
		for (let k = -reach; k <= reach; k++) if (!((heights[i + k] ?? 0) > 0)) return [];
		return [i];
	});
}

function rangeAt(heights: readonly number[], at: readonly number[]): number {
	if (at.length === 0) return 0;
	const some = at.map((i) => heights[i] as number);
	return Math.max(...some) - Math.min(...some);
}
