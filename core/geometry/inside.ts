import type { Point, Region, Ring } from "./region";

/** Is the point within the ring? Crossings of a ray to the right, odd means inside (even–odd rule). */
export function isInside({ x, y }: Point, ring: Ring): boolean {
	let inside = false;
	for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
		const [a, b] = [ring[i] as Point, ring[j] as Point];
		if (a.y > y !== b.y > y && x < a.x + ((b.x - a.x) * (y - a.y)) / (b.y - a.y)) inside = !inside;
	}
	return inside;
}

/** Is the point on the region, holes left out? */
export function isOn(point: Point, region: Region): boolean {
	let on = false;
	for (const ring of region) if (isInside(point, ring)) on = !on;
	return on;
}
