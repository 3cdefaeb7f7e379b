import { grown } from "./grown";
import type { Point, Ring } from "./region";

/** Corners nearer than this to the line between their neighbours are left out, mm. */
export const COARSE_MM = 0.3;

/**
 * An outline with fewer corners that covers all of the given one and little more.
 * Source: Douglas and Peucker (1973), then grown by what was given up.
 */
export function simpler(ring: Ring, mm = COARSE_MM): Ring {
	if (ring.length < 8) return ring;
	const far = ring.reduce(
		(most, p, i) => (away(p, ring[0] as Point) > away(ring[most] as Point, ring[0] as Point) ? i : most),
		0,
	);
	const kept = [...between(ring.slice(0, far + 1), mm), ...between([...ring.slice(far), ring[0] as Point], mm)];
	return kept.length < ring.length && kept.length > 2 ? grown(kept, mm) : ring;
}

const away = (a: Point, b: Point): number => (a.x - b.x) ** 2 + (a.y - b.y) ** 2;

/** The corners of a line that matter, without its last. */
function between(line: Ring, mm: number): Point[] {
	const [first, last] = [line[0] as Point, line[line.length - 1] as Point];
	const [dx, dy] = [last.x - first.x, last.y - first.y];
	const length = Math.hypot(dx, dy) || 1;
	let [most, at] = [mm, 0];
	for (let i = 1; i < line.length - 1; i++) {
		const p = line[i] as Point;
		const off = Math.abs(dx * (p.y - first.y) - dy * (p.x - first.x)) / length;
		if (off > most) [most, at] = [off, i];
	}
	return at === 0 ? [first] : [...between(line.slice(0, at + 1), mm), ...between(line.slice(at), mm)];
}
