import { boundsOf } from "./bounds";
import type { Ring } from "./region";

/** An outline as it lies once its piece is turned over about its own middle, left to right; counter-clockwise as before. */
export function turnedOver(ring: Ring): Ring {
	const { minX, maxX } = boundsOf([ring]);
	return ring.map(({ x, y }) => ({ x: minX + maxX - x, y })).reverse();
}
