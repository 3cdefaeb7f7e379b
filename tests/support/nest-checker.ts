import type { Nest } from "@core/cutting/plan/nest";

interface At {
	x: number;
	y: number;
}

/** Outlines of a nest where they lie, by the plain formula of a turn. */
export const layNest = ({ outline, turnDeg, places }: Nest): At[][] =>
	places.map(({ xMm, yMm, half }) => {
		const a = ((turnDeg + (half ? 180 : 0)) * Math.PI) / 180;
		return outline.map(({ x, y }) => ({
			x: xMm + x * Math.cos(a) - y * Math.sin(a),
			y: yMm + x * Math.sin(a) + y * Math.cos(a),
		}));
	});

const EPS = 0.02;

/** What is wrong with a nest, by simple means of its own: every corner against every edge, and one inside the other. */
export function wrongWithNest(
	blank: { widthMm: number; heightMm: number; nest: Nest },
	apartMm: number,
	grindMm: number,
): string[] {
	const laid = layNest(blank.nest);
	const wrong: string[] = [];
	for (const [i, ring] of laid.entries())
		for (const { x, y } of ring) {
			const inside = Math.min(x, y, blank.widthMm - x, blank.heightMm - y);
			if (inside < grindMm - EPS) wrong.push(`outline ${i} comes to ${inside.toFixed(3)} mm of the blank's edge`);
		}
	for (const [i, a] of laid.entries())
		for (const [k, b] of laid.entries()) {
			if (k <= i) continue;
			const gap = Math.min(gapOf(a, b), gapOf(b, a));
			if (gap < apartMm - EPS) wrong.push(`outlines ${i} and ${k} are ${gap.toFixed(3)} mm apart`);
			if (isIn(a[0] as At, b) || isIn(b[0] as At, a)) wrong.push(`outline ${i} lies in ${k}`);
			if (crosses(a, b)) wrong.push(`outlines ${i} and ${k} cross`);
		}
	return wrong;
}

const edgesOf = (ring: readonly At[]) => ring.map((a, i) => [a, ring[(i + 1) % ring.length] as At] as const);

function gapOf(corners: readonly At[], ring: readonly At[]): number {
	let least = Number.POSITIVE_INFINITY;
	for (const p of corners)
		for (const [a, b] of edgesOf(ring)) {
			const [dx, dy] = [b.x - a.x, b.y - a.y];
			const t = Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / (dx * dx + dy * dy || 1)));
			least = Math.min(least, Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy));
		}
	return least;
}

function isIn({ x, y }: At, ring: readonly At[]): boolean {
	let inside = false;
	for (const [a, b] of edgesOf(ring))
		if (a.y > y !== b.y > y && x < a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x)) inside = !inside;
	return inside;
}

const turn = (a: At, b: At, c: At): number => Math.sign((b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x));
const crosses = (one: readonly At[], other: readonly At[]): boolean =>
	edgesOf(one).some(([a, b]) =>
		edgesOf(other).some(([c, d]) => turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0),
	);
