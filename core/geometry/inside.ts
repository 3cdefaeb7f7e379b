import type { Point, Ring } from "./region";

/** Is the point within the ring? Crossings of a ray to the right, odd means inside (even–odd rule). */
export function isInside({ x, y }: Point, ring: Ring): boolean {
	let inside = false;
	ring.forEach((a, i) => {
		const b = ring[(i + 1) % ring.length] as Point;
		if (a.y > y !== b.y > y && x < a.x + ((b.x - a.x) * (y - a.y)) / (b.y - a.y)) inside = !inside;
	});
	return inside;
}
