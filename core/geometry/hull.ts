import type { Point, Ring } from "./region";

/** Convex hull, counter-clockwise. Source: Andrew, *Another efficient algorithm for convex hulls* (1979), monotone chain. */
export function hullOf(points: Ring): Ring {
	const sorted = [...points].sort((a, b) => a.x - b.x || a.y - b.y);
	return [...chain(sorted), ...chain(sorted.reverse())];
}

function chain(points: readonly Point[]): Point[] {
	const kept: Point[] = [];
	for (const p of points) {
		while (kept.length > 1 && !turnsLeft(kept[kept.length - 2] as Point, kept[kept.length - 1] as Point, p)) kept.pop();
		kept.push(p);
	}
	return kept.slice(0, -1);
}

const turnsLeft = (a: Point, b: Point, c: Point): boolean =>
	(b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x) > 1e-9;
