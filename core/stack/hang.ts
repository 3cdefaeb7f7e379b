import type { Point } from "../geometry/region";

/** How a piece hangs on its loops. Angles in degrees, positive to the right (clockwise as seen). */
export type Hang =
	| { loops: 0 }
	/** One loop: it turns until the centre of mass is below the loop. */
	| { loops: 1; tiltDeg: number; asideMm: number }
	/** Two loops at one height: the share of the weight each carries; outside 0–1 it cannot hang on both. */
	| { loops: 2; tiltDeg: number; shares: [number, number] };

const degrees = (radians: number) => (radians * 180) / Math.PI;

/**
 * Statics of a plate hung in its own plane: on one loop the centre of mass comes to lie below it, on two the weight is
 * shared by the lever rule. Source: moments about a point, any textbook of statics.
 * @param centre centre of mass, mm; y upwards
 */
export function hangOf(loops: readonly Point[], centre: Point): Hang {
	const [first, second] = [...loops].sort((a, b) => a.x - b.x);
	if (!first) return { loops: 0 };
	if (!second) {
		const asideMm = centre.x - first.x;
		return { loops: 1, tiltDeg: degrees(Math.atan2(asideMm, first.y - centre.y)), asideMm };
	}
	const share = second.x === first.x ? 0.5 : (second.x - centre.x) / (second.x - first.x);
	return {
		loops: 2,
		tiltDeg: degrees(Math.atan2(second.y - first.y, second.x - first.x)),
		shares: [share, 1 - share],
	};
}
