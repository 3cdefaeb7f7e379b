import type { Point } from "../geometry/region";

/** Length of a line through points, mm. */
export const lengthOf = (points: readonly Point[]): number =>
	points.slice(1).reduce((sum, to, i) => {
		const from = points[i] as Point;
		return sum + Math.hypot(to.x - from.x, to.y - from.y);
	}, 0);
