import { hullOf } from "./hull";
import type { Point, Ring } from "./region";
import { isSimple } from "./simple";

/** Beyond this turn a corner gets two points instead of a long tip, radians. */
const BLUNT_FROM = Math.PI / 3;
/** A notch is moved no farther than so many times the growth. */
const MOST_NOTCH = 2;

/**
 * A counter-clockwise outline grown by `mm` on every side; covers all that a round growth would. Where a notch closes, it is filled:
 * the hull is returned.
 */
export function grown(ring: Ring, mm: number): Ring {
	if (mm <= 0) return ring;
	const out = ring.flatMap((p, i) =>
		corner(ring[(i + ring.length - 1) % ring.length] as Point, p, ring[(i + 1) % ring.length] as Point, mm),
	);
	return isSimple(out) ? out : hullOf(out);
}

function corner(before: Point, p: Point, after: Point, mm: number): Point[] {
	const [a, b] = [directionOf(before, p), directionOf(p, after)];
	// To the right of the way lies the outside.
	const [na, nb] = [
		{ x: a.y, y: -a.x },
		{ x: b.y, y: -b.x },
	];
	const turn = Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y);
	if (turn > BLUNT_FROM) {
		const along = mm * Math.tan(turn / 4);
		return [
			{ x: p.x + na.x * mm + a.x * along, y: p.y + na.y * mm + a.y * along },
			{ x: p.x + nb.x * mm - b.x * along, y: p.y + nb.y * mm - b.y * along },
		];
	}
	const share = Math.min(MOST_NOTCH, 1 / Math.max(1e-6, 1 + na.x * nb.x + na.y * nb.y));
	return [{ x: p.x + (na.x + nb.x) * mm * share, y: p.y + (na.y + nb.y) * mm * share }];
}

function directionOf(from: Point, to: Point): Point {
	const mm = Math.hypot(to.x - from.x, to.y - from.y) || 1;
	return { x: (to.x - from.x) / mm, y: (to.y - from.y) / mm };
}
