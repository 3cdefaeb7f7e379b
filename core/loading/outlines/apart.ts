import type { Turned } from "./form";

/** An outline at one angle, where its origin lies, mm. */
export interface LaidTurned {
	turned: Turned;
	xMm: number;
	yMm: number;
}

/** Nearer than this edges touch or cross, mm. */
const TOUCHES_MM = 1e-5;

/** Edges of the other outline that are near enough to matter; kept between calls. */
let near = new Int32Array(256);

/**
 * Do two outlines keep `mm` between them, and does neither lie in the other? Boxes first; then of either only the edges near the other's
 * box. No corner is moved: one is looked at from the other's origin.
 */
export function areApart(a: LaidTurned, b: LaidTurned, mm: number): boolean {
	const [s, t] = [a.turned, b.turned];
	const [dx, dy] = [b.xMm - a.xMm, b.yMm - a.yMm];
	// Without any clearance too: edges that cross are nothing apart.
	const least = Math.max(mm, TOUCHES_MM) - 1e-6;
	const [minX, maxX, minY, maxY] = [s.minX - least - dx, s.maxX + least - dx, s.minY - least - dy, s.maxY + least - dy];
	if (t.minX >= maxX || t.maxX <= minX || t.minY >= maxY || t.maxY <= minY) return true;
	return !(edgesMeet(s, t, dx, dy, least) || isInside(s.flat, t, -dx, -dy) || isInside(t.flat, s, dx, dy));
}

/** Whether an edge of one comes within `least` of one of the other, which lies by (dx, dy) away. */
function edgesMeet(s: Turned, t: Turned, dx: number, dy: number, least: number): boolean {
	const [minX, maxX, minY, maxY] = [s.minX - least - dx, s.maxX + least - dx, s.minY - least - dy, s.maxY + least - dy];
	const [p, q] = [s.flat, t.flat];
	if (near.length < q.length) near = new Int32Array(q.length);
	let count = 0;
	for (let i = 0; i + 3 < q.length; i += 2) {
		const [x0, y0, x1, y1] = [q[i] as number, q[i + 1] as number, q[i + 2] as number, q[i + 3] as number];
		if ((x0 < minX && x1 < minX) || (x0 > maxX && x1 > maxX) || (y0 < minY && y1 < minY) || (y0 > maxY && y1 > maxY))
			continue;
		near[count++] = i;
	}
	if (count === 0) return false;
	const [left, right] = [t.minX + dx - least, t.maxX + dx + least];
	const [low, high] = [t.minY + dy - least, t.maxY + dy + least];
	for (let i = 0; i + 3 < p.length; i += 2) {
		const [x0, y0, x1, y1] = [p[i] as number, p[i + 1] as number, p[i + 2] as number, p[i + 3] as number];
		if ((x0 < left && x1 < left) || (x0 > right && x1 > right) || (y0 < low && y1 < low) || (y0 > high && y1 > high))
			continue;
		if (isNearAny(x0 - dx, y0 - dy, x1 - dx, y1 - dy, q, count, least)) return true;
	}
	return false;
}

function isNearAny(
	x0: number,
	y0: number,
	x1: number,
	y1: number,
	q: Float64Array,
	count: number,
	least: number,
): boolean {
	const [minX, maxX] = x0 < x1 ? [x0 - least, x1 + least] : [x1 - least, x0 + least];
	const [minY, maxY] = y0 < y1 ? [y0 - least, y1 + least] : [y1 - least, y0 + least];
	for (let k = 0; k < count; k++) {
		const i = near[k] as number;
		const [x2, y2, x3, y3] = [q[i] as number, q[i + 1] as number, q[i + 2] as number, q[i + 3] as number];
		if ((x2 < minX && x3 < minX) || (x2 > maxX && x3 > maxX) || (y2 < minY && y3 < minY) || (y2 > maxY && y3 > maxY))
			continue;
		if (segments2(x0, y0, x1, y1, x2, y2, x3, y3) < least * least) return true;
	}
	return false;
}

/** Square of the distance between two edges; 0 where they cross. */
function segments2(
	x0: number,
	y0: number,
	x1: number,
	y1: number,
	x2: number,
	y2: number,
	x3: number,
	y3: number,
): number {
	const [ux, uy, vx, vy] = [x1 - x0, y1 - y0, x3 - x2, y3 - y2];
	const [wx, wy] = [x2 - x0, y2 - y0];
	const c1 = ux * wy - uy * wx;
	const c2 = ux * (y3 - y0) - uy * (x3 - x0);
	const a1 = -(vx * wy - vy * wx);
	const a2 = vx * (y1 - y2) - vy * (x1 - x2);
	if (c1 > 0 !== c2 > 0 && a1 > 0 !== a2 > 0) return 0;
	return Math.min(
		pointEdge2(x0, y0, x2, y2, vx, vy),
		pointEdge2(x1, y1, x2, y2, vx, vy),
		pointEdge2(x2, y2, x0, y0, ux, uy),
		pointEdge2(x3, y3, x0, y0, ux, uy),
	);
}

function pointEdge2(px: number, py: number, ax: number, ay: number, dx: number, dy: number): number {
	const square = dx * dx + dy * dy;
	const t = square === 0 ? 0 : Math.min(1, Math.max(0, ((px - ax) * dx + (py - ay) * dy) / square));
	return (ax + t * dx - px) ** 2 + (ay + t * dy - py) ** 2;
}

/** Whether an outline's first corner lies within another, both as they are without their places but for (dx, dy). */
function isInside(flat: Float64Array, { flat: q, minX, maxX, minY, maxY }: Turned, dx: number, dy: number): boolean {
	const [x, y] = [(flat[0] as number) + dx, (flat[1] as number) + dy];
	if (x < minX || x > maxX || y < minY || y > maxY) return false;
	let inside = false;
	for (let i = 0; i + 3 < q.length; i += 2) {
		const [x0, y0, x1, y1] = [q[i] as number, q[i + 1] as number, q[i + 2] as number, q[i + 3] as number];
		if (y0 > y !== y1 > y && x < ((x0 - x1) * (y - y1)) / (y0 - y1) + x1) inside = !inside;
	}
	return inside;
}
