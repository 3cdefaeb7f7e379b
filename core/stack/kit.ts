import type { FuseLevel } from "../firing/level";
import type { Ring } from "../geometry/region";
import type { CutShape } from "../geometry/shape";
import { outlineOf, placeRing } from "../geometry/shape";

/** One cut of glass in a kit: middle of its box at (xMm, yMm), turned counter-clockwise, on a layer counted from the shelf up. */
export interface KitPart {
	id: string;
	name: string;
	shape: CutShape;
	glassId: string;
	layer: number;
	xMm: number;
	yMm: number;
	turnDeg: number;
}

/** One firing of the route, and the hand work that follows it. */
export interface RouteStep {
	level: FuseLevel;
	/** Hand work after this firing, in words; empty for none. */
	handWork: string;
}

/** The document a kit is: everything else about it is derived. */
export interface KitDesign {
	name: string;
	note: string;
	parts: KitPart[];
	route: RouteStep[];
}

export const LARGEST_KIT = { parts: 150, sideMm: 1500, layers: 12, firings: 6 } as const;

export const partOutline = (part: KitPart): Ring =>
	placeRing(outlineOf(part.shape), { x: part.xMm, y: part.yMm }, part.turnDeg);
