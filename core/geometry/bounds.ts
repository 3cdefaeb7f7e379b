import type { Region } from "./region";

export interface Bounds {
	minX: number;
	minY: number;
	maxX: number;
	maxY: number;
	widthMm: number;
	heightMm: number;
}

/** The upright box round a region; zero-sized at the origin for an empty one. */
export function boundsOf(region: Region): Bounds {
	let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
	for (const ring of region)
		for (const { x, y } of ring) {
			minX = Math.min(minX, x);
			minY = Math.min(minY, y);
			maxX = Math.max(maxX, x);
			maxY = Math.max(maxY, y);
		}
	if (minX > maxX) return { minX: 0, minY: 0, maxX: 0, maxY: 0, widthMm: 0, heightMm: 0 };
	return { minX, minY, maxX, maxY, widthMm: maxX - minX, heightMm: maxY - minY };
}

/** Do two boxes stay more than `byMm` apart? */
export const apart = (a: Bounds, b: Bounds, byMm = 0): boolean =>
	a.minX > b.maxX + byMm || b.minX > a.maxX + byMm || a.minY > b.maxY + byMm || b.minY > a.maxY + byMm;
