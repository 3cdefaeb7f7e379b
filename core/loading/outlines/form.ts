import { boundsOf } from "../../geometry/bounds";
import { hullOf } from "../../geometry/hull";
import type { Point, Ring } from "../../geometry/region";
import { placeRing, signedAreaMm2 } from "../../geometry/shape";

/** Pieces are turned in such steps, degrees. */
export const TURN_STEP_DEG = 15;

/** An outline turned to one angle, about the origin it has unturned. Lengths mm. */
export interface Turned {
	turnDeg: number;
	ring: Ring;
	/** The same as x, y, x, y …, its first corner again at the end. */
	flat: Float64Array;
	minX: number;
	minY: number;
	maxX: number;
	maxY: number;
	/** Corners of its convex hull: where they lie on a shelf that bulges outwards, all of it does. */
	hull: Ring;
}

/** What a piece covers after firing, counter-clockwise round the middle of its box, in every angle that looks different. */
export interface Form {
	key: string;
	outline: Ring;
	areaMm2: number;
	turns: Turned[];
}

/** An outline's forms, equal ones made once. */
export function formOf(outline: Ring): Form {
	const key = keyOf(outline);
	const angles = isRound(outline) ? [0] : anglesOf(outline);
	return {
		key,
		outline,
		areaMm2: Math.abs(signedAreaMm2(outline)),
		turns: angles.map((turnDeg) => turnedBy(outline, turnDeg)),
	};
}

export function turnedBy(outline: Ring, turnDeg: number): Turned {
	const ring = turnDeg === 0 ? outline : placeRing(outline, { x: 0, y: 0 }, turnDeg);
	const { minX, minY, maxX, maxY } = boundsOf([ring]);
	const flat = Float64Array.from([...ring, ring[0] as Point].flatMap(({ x, y }) => [x, y]));
	return { turnDeg, ring, flat, minX, minY, maxX, maxY, hull: hullOf(ring) };
}

/** Two outlines of one key look the same to a tenth of a millimetre. */
export const keyOf = (outline: Ring): string => outline.map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`).join(" ");

const ROUND_SHARE = 0.005;

function isRound(outline: Ring): boolean {
	if (outline.length < 16) return false;
	const radii = outline.map(({ x, y }) => Math.hypot(x, y));
	const most = Math.max(...radii);
	return Math.min(...radii) > most * (1 - ROUND_SHARE);
}

/** Angles from 0 up to where the outline comes to lie on itself. */
function anglesOf(outline: Ring): number[] {
	const steps = 360 / TURN_STEP_DEG;
	for (let n = 1; n < steps; n++)
		if (steps % n === 0 && liesOnItself(outline, n * TURN_STEP_DEG))
			return Array.from({ length: n }, (_, i) => i * TURN_STEP_DEG);
	return Array.from({ length: steps }, (_, i) => i * TURN_STEP_DEG);
}

const SAME_MM = 0.2;

const liesOnItself = (outline: Ring, deg: number): boolean =>
	placeRing(outline, { x: 0, y: 0 }, deg).every((p) =>
		outline.some((q) => Math.abs(p.x - q.x) < SAME_MM && Math.abs(p.y - q.y) < SAME_MM),
	);
