import type { CutShape } from "@core/geometry/shape";

export interface Point {
	x: number;
	y: number;
}

/** A star of `points` corners, mm, turned by an angle in radians. */
export const star = (points: number, radiusMm: number, turn = 0): CutShape => ({
	kind: "outline",
	points: Array.from({ length: points }, (_, i) => {
		const r = i % 2 === 0 ? radiusMm : radiusMm * 0.4;
		const angle = turn + (2 * Math.PI * i) / points;
		return { x: r * Math.cos(angle), y: r * Math.sin(angle) };
	}),
});

type Segment = readonly [Point, Point];

/** Whether two segments cross within both: the ends of each on different sides of the other. Cormen et al., chapter 33.1. */
export function segmentsCross([a, b]: Segment, [c, d]: Segment): boolean {
	const side = (p: Point, q: Point, r: Point) => (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x);
	return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
}
