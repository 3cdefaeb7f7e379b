import type { Bounds } from "../geometry/bounds";

/** A shift that brings an edge or middle of what is moved onto one of what lies there, and the lines to draw. mm */
export interface Snap {
	dx: number;
	dy: number;
	/** Upright line at x, level line at y; undefined where nothing was near. */
	x?: number;
	y?: number;
}

const marks = (low: number, high: number) => [low, (low + high) / 2, high];

/** Edges and middles within `reachMm` pull; the nearest wins in each direction. */
export function snapTo(moving: Bounds, others: readonly Bounds[], reachMm: number): Snap {
	const across = nearest(
		marks(moving.minX, moving.maxX),
		others.flatMap(({ minX, maxX }) => marks(minX, maxX)),
		reachMm,
	);
	const up = nearest(
		marks(moving.minY, moving.maxY),
		others.flatMap(({ minY, maxY }) => marks(minY, maxY)),
		reachMm,
	);
	return {
		dx: across?.by ?? 0,
		dy: up?.by ?? 0,
		...(across && { x: across.at }),
		...(up && { y: up.at }),
	};
}

function nearest(own: readonly number[], theirs: readonly number[], reach: number) {
	let best: { by: number; at: number } | undefined;
	for (const from of own)
		for (const at of theirs) {
			const by = at - from;
			if (Math.abs(by) <= reach && (!best || Math.abs(by) < Math.abs(best.by))) best = { by, at };
		}
	return best;
}
