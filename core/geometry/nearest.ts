import { apart, boundsOf } from "./bounds";
import { isOn } from "./inside";
import { intersect, type Point, type Region, type Ring } from "./region";

/** Where two regions come nearest to each other, and how near, mm; 0 where they touch or overlap. */
export interface Nearest {
	mm: number;
	a: Point;
	b: Point;
}

/** The nearest points of two outlines: the least over all pairs of corner and edge. */
export function nearestOf(a: Region, b: Region): Nearest {
	const common = commonPoint(a, b);
	if (common) return { mm: 0, a: common, b: common };
	let best: Nearest = { mm: Number.POSITIVE_INFINITY, a: { x: 0, y: 0 }, b: { x: 0, y: 0 } };
	for (const ringA of a)
		for (const ringB of b) {
			best = nearer(best, cornersToEdges(ringA, ringB), false);
			best = nearer(best, cornersToEdges(ringB, ringA), true);
		}
	return best;
}

/** A point that both cover; undefined where they lie apart. */
function commonPoint(a: Region, b: Region): Point | undefined {
	if (apart(boundsOf(a), boundsOf(b))) return undefined;
	const [cornerA, cornerB] = [a[0]?.[0], b[0]?.[0]];
	if (cornerA && isOn(cornerA, b)) return cornerA;
	if (cornerB && isOn(cornerB, a)) return cornerB;
	return a[0] && b[0] && a[0].length > 2 && b[0].length > 2 ? intersect(a, b)[0]?.[0] : undefined;
}

const nearer = (best: Nearest, other: Nearest, swapped: boolean): Nearest =>
	other.mm >= best.mm ? best : swapped ? { mm: other.mm, a: other.b, b: other.a } : other;

function cornersToEdges(from: Ring, to: Ring): Nearest {
	let best: Nearest = { mm: Number.POSITIVE_INFINITY, a: { x: 0, y: 0 }, b: { x: 0, y: 0 } };
	for (const a of from)
		for (let i = 0; i < to.length; i++) {
			const b = onSegment(a, to[i] as Point, to[(i + 1) % to.length] as Point);
			const mm = Math.hypot(a.x - b.x, a.y - b.y);
			if (mm < best.mm) best = { mm, a, b };
		}
	return best;
}

/** How far a point lies from the outline of a region, mm, inside or out. */
export function toOutlineMm(p: Point, region: Region): number {
	let best = Number.POSITIVE_INFINITY;
	for (const ring of region) {
		for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
			const near = onSegment(p, ring[j] as Point, ring[i] as Point);
			const mm = (near.x - p.x) ** 2 + (near.y - p.y) ** 2;
			if (mm < best) best = mm;
		}
	}
	return Math.sqrt(best);
}

/** The point of a segment nearest to `p`. */
function onSegment(p: Point, from: Point, to: Point): Point {
	const [dx, dy] = [to.x - from.x, to.y - from.y];
	const square = dx * dx + dy * dy;
	const share = square === 0 ? 0 : Math.min(1, Math.max(0, ((p.x - from.x) * dx + (p.y - from.y) * dy) / square));
	return { x: from.x + share * dx, y: from.y + share * dy };
}
