import { LEVEL_AIM } from "../firing/level";
import { boundsOf } from "../geometry/bounds";
import { regionOfShape } from "../geometry/shape";
import { afterOf } from "../stack/after";
import { EDGE_SHARE } from "../stack/outline";

/** A dot as a square of sheet becomes one at full fuse; an estimate. Lengths mm. */
export interface Dot {
	diameterMm: number;
	heightMm: number;
}

/** Larger squares of sheet keep their corners, mm. Common practice, no source. */
export const LARGEST_DOT_SQUARE_MM = 20;

const TRIES = 24;

/**
 * The dot that a square of sheet becomes: as wide as the outline model leaves it, as high as its volume makes it: the cap of a sphere,
 * π·h·(3r² + h²)/6 (solid geometry), or where that is lower the puddle of the outline model, h·A − 0.10·h²·p.
 */
export function dotOfSquare(sideMm: number, thicknessMm: number): Dot {
	const region = regionOfShape({ kind: "square", sideMm });
	const area = sideMm * sideMm;
	const square = { region, box: boundsOf(region), areaMm2: area, glassMm: thicknessMm };
	const box = boundsOf(afterOf([square], LEVEL_AIM.full).region);
	const diameterMm = (box.widthMm + box.heightMm) / 2;
	const [r, volume] = [diameterMm / 2, area * thicknessMm];
	return { diameterMm, heightMm: Math.min(capHeightMm(r, volume), puddleHeightMm(r, volume)) };
}

/** Height (mm) of a cap of a sphere by its foot’s radius (mm) and its volume (mm³). */
function capHeightMm(r: number, volumeMm3: number): number {
	let [low, high] = [0, Math.cbrt((6 * volumeMm3) / Math.PI) + 1];
	for (let i = 0; i < 40; i++) {
		const h = (low + high) / 2;
		if ((Math.PI * h * (3 * r * r + h * h)) / 6 < volumeMm3) low = h;
		else high = h;
	}
	return (low + high) / 2;
}

/** The lower root of h·A − 0.10·h²·p = V for a round puddle of a radius; endless where there is none, mm. */
function puddleHeightMm(r: number, volumeMm3: number): number {
	const [area, edge] = [Math.PI * r * r, EDGE_SHARE * 2 * Math.PI * r];
	const root = area * area - 4 * edge * volumeMm3;
	return root < 0 ? Number.POSITIVE_INFINITY : (area - Math.sqrt(root)) / (2 * edge);
}

/** The square (side in mm, to a tenth) to cut of sheet for a dot of a diameter (mm). */
export function squareForDot(diameterMm: number, thicknessMm: number): number {
	let [low, high] = [diameterMm / 2, diameterMm * 2];
	for (let i = 0; i < TRIES; i++) {
		const side = (low + high) / 2;
		if (dotOfSquare(side, thicknessMm).diameterMm < diameterMm) low = side;
		else high = side;
	}
	return Math.round(((low + high) / 2) * 10) / 10;
}
