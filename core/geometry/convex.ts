import type { Point, Region, Ring } from "./region";

const SLACK = 1e-6;

/** A counter-clockwise ring that never turns right. */
export function isConvex(ring: Ring): boolean {
	return ring.every((a, i) => {
		const b = ring[(i + 1) % ring.length] as Point;
		const c = ring[(i + 2) % ring.length] as Point;
		return (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x) >= -SLACK;
	});
}

/** Does a convex counter-clockwise ring cover all of a region, edges included? */
export const convexCovers = (ring: Ring, region: Region): boolean =>
	ring.every((a, i) => {
		const b = ring[(i + 1) % ring.length] as Point;
		const [dx, dy] = [b.x - a.x, b.y - a.y];
		return region.every((other) => other.every((p) => dx * (p.y - a.y) - dy * (p.x - a.x) >= -SLACK));
	});
