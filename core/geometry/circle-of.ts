import { boundsOf } from "./bounds";
import type { Ring } from "./region";
import type { CutShape } from "./shape";

/** So much off a circle is a chord of it, mm. */
const OFF_MM = 0.08;
const LEAST_CORNERS = 12;

/** The circle that a ring of many corners is drawn of, mm; undefined where it is none. */
export function circleOf(ring: Ring): (CutShape & { kind: "circle" }) | undefined {
	const { minX, minY, widthMm, heightMm } = boundsOf([ring]);
	const [x, y, r] = [minX + widthMm / 2, minY + heightMm / 2, Math.max(widthMm, heightMm) / 2];
	const isRound = ring.every((at) => Math.abs(Math.hypot(at.x - x, at.y - y) - r) < OFF_MM);
	return isRound && ring.length >= LEAST_CORNERS ? { kind: "circle", diameterMm: Math.floor(r * 20) / 10 } : undefined;
}
