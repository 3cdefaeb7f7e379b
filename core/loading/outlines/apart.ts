import type { Point, Ring } from "../../geometry/region";

/** An outline where it lies, with its box. mm */
export interface LaidRing {
	ring: Ring;
	minX: number;
	minY: number;
	maxX: number;
	maxY: number;
}

export const movedRing = (turned: LaidRing, xMm: number, yMm: number): LaidRing => ({
	ring: turned.ring.map(({ x, y }) => ({ x: x + xMm, y: y + yMm })),
	minX: turned.minX + xMm,
	minY: turned.minY + yMm,
	maxX: turned.maxX + xMm,
	maxY: turned.maxY + yMm,
});

/** Nearer than this edges touch or cross, mm. */
const TOUCHES_MM = 1e-5;

/** Do two outlines keep `mm` between them? Boxes first; then corners to edges; then whether one lies in the other. */
export function areApart(a: LaidRing, b: LaidRing, mm: number): boolean {
	const gapX = Math.max(b.minX - a.maxX, a.minX - b.maxX);
	const gapY = Math.max(b.minY - a.maxY, a.minY - b.maxY);
	if (gapX >= mm || gapY >= mm) return true;
	// Without any clearance too: edges that cross are nothing apart.
	const least = Math.max(mm, TOUCHES_MM);
	if (nearestMm(a, b, least) < least - 1e-6) return false;
	return !(isInside(a.ring[0] as Point, b.ring) || isInside(b.ring[0] as Point, a.ring));
}

/** The least distance between two outlines' edges, mm; 0 where they cross. Stops looking below `enough`. */
export function nearestMm(a: LaidRing, b: LaidRing, enough = 0): number {
	let best = Number.POSITIVE_INFINITY;
	const [ra, rb] = [a.ring, b.ring];
	for (let i = 0, h = ra.length - 1; i < ra.length; h = i++) {
		const [p, q] = [ra[h] as Point, ra[i] as Point];
		const [minX, maxX] = p.x < q.x ? [p.x, q.x] : [q.x, p.x];
		const [minY, maxY] = p.y < q.y ? [p.y, q.y] : [q.y, p.y];
		const reach = Math.min(best, 1e6);
		if (minX > b.maxX + reach || maxX < b.minX - reach || minY > b.maxY + reach || maxY < b.minY - reach) continue;
		for (let j = 0, k = rb.length - 1; j < rb.length; k = j++) {
			const mm = edgesMm(p, q, rb[k] as Point, rb[j] as Point);
			if (mm < best) best = mm;
			if (best < enough) return best;
		}
	}
	return best;
}

function edgesMm(a: Point, b: Point, c: Point, d: Point): number {
	if (cross(a, b, c, d)) return 0;
	return Math.sqrt(Math.min(toEdge2(a, c, d), toEdge2(b, c, d), toEdge2(c, a, b), toEdge2(d, a, b)));
}

function cross(a: Point, b: Point, c: Point, d: Point): boolean {
	const [c1, c2] = [side(a, b, c), side(a, b, d)];
	const [a1, a2] = [side(c, d, a), side(c, d, b)];
	return c1 > 0 !== c2 > 0 && a1 > 0 !== a2 > 0;
}

const side = (a: Point, b: Point, p: Point): number => (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x);

/** Square of the distance from a point to an edge. */
function toEdge2(p: Point, a: Point, b: Point): number {
	const [dx, dy] = [b.x - a.x, b.y - a.y];
	const square = dx * dx + dy * dy;
	const t = square === 0 ? 0 : Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / square));
	return (a.x + t * dx - p.x) ** 2 + (a.y + t * dy - p.y) ** 2;
}

function isInside(p: Point, ring: Ring): boolean {
	let inside = false;
	for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
		const [a, b] = [ring[i] as Point, ring[j] as Point];
		if (a.y > p.y !== b.y > p.y && p.x < ((b.x - a.x) * (p.y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
	}
	return inside;
}
