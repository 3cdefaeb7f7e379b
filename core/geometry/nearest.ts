import { isOn } from "./inside";
import type { Point, Region, Ring } from "./region";

/** Where two regions come nearest to each other, and how near, mm; 0 where they touch or overlap. */
export interface Nearest {
	mm: number;
	a: Point;
	b: Point;
}

/** The nearest points of two outlines: the least over all pairs of corner and edge. */
export function nearestOf(a: Region, b: Region): Nearest {
	let best: Nearest = { mm: Number.POSITIVE_INFINITY, a: { x: 0, y: 0 }, b: { x: 0, y: 0 } };
	for (const ringA of a)
		for (const ringB of b) {
			best = nearer(best, cornersToEdges(ringA, ringB), false);
			best = nearer(best, cornersToEdges(ringB, ringA), true);
		}
	const [cornerA, cornerB] = [a[0]?.[0], b[0]?.[0]];
	const within = (cornerA && isOn(cornerA, b) && cornerA) || (cornerB && isOn(cornerB, a) && cornerB);
	return within ? { mm: 0, a: within, b: within } : best;
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

/** The point of a segment nearest to `p`. */
export function onSegment(p: Point, from: Point, to: Point): Point {
	const [dx, dy] = [to.x - from.x, to.y - from.y];
	const square = dx * dx + dy * dy;
	const share = square === 0 ? 0 : Math.min(1, Math.max(0, ((p.x - from.x) * dx + (p.y - from.y) * dy) / square));
	return { x: from.x + share * dx, y: from.y + share * dy };
}
