import type { Point } from "../../geometry/region";

/** The way across a joint, degrees: the short axis of its points; between the middles where it has none. */
export function acrossDeg(points: readonly Point[], from: Point, to: Point): number {
	const direct = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI;
	if (points.length < 3) return direct;
	const [mx, my] = ["x" as const, "y" as const].map((k) => points.reduce((sum, p) => sum + p[k], 0) / points.length);
	let [xx, xy, yy] = [0, 0, 0];
	for (const p of points) {
		const [dx, dy] = [p.x - (mx as number), p.y - (my as number)];
		xx += dx * dx;
		xy += dx * dy;
		yy += dy * dy;
	}
	const spread = Math.hypot(xx - yy, 2 * xy) / (xx + yy || 1);
	if (spread < 0.2) return direct;
	return ((0.5 * Math.atan2(2 * xy, xx - yy) + Math.PI / 2) * 180) / Math.PI;
}
