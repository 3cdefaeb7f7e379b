import type { Point, Ring } from "./region";

/** Does a closed outline keep out of its own way: no edge crosses or touches another but at their common corner? */
export function isSimple(ring: Ring): boolean {
	const edges = ring.map((from, i) => ({ from, to: ring[(i + 1) % ring.length] as Point }));
	return edges.every((one, i) =>
		edges.slice(i + 1).every((other, k) => {
			const neighbours = k === 0 || (i === 0 && i + k + 1 === edges.length - 1);
			return neighbours ? !foldsBack(one, other, k === 0) : !meet(one, other);
		}),
	);
}

interface Edge {
	from: Point;
	to: Point;
}

const side = (a: Point, b: Point, p: Point) => (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x);

/** Two edges with a common corner run over each other when they leave it in the same direction. */
function foldsBack(one: Edge, other: Edge, follows: boolean): boolean {
	const [corner, a, b] = follows ? [one.to, one.from, other.to] : [one.from, one.to, other.from];
	const cross = side(corner, a, b);
	const dot = (a.x - corner.x) * (b.x - corner.x) + (a.y - corner.y) * (b.y - corner.y);
	return Math.abs(cross) < 1e-9 && dot > 0;
}

function meet(one: Edge, other: Edge): boolean {
	const boxesApart =
		Math.max(one.from.x, one.to.x) < Math.min(other.from.x, other.to.x) ||
		Math.max(other.from.x, other.to.x) < Math.min(one.from.x, one.to.x) ||
		Math.max(one.from.y, one.to.y) < Math.min(other.from.y, other.to.y) ||
		Math.max(other.from.y, other.to.y) < Math.min(one.from.y, one.to.y);
	if (boxesApart) return false;
	return (
		side(one.from, one.to, other.from) * side(one.from, one.to, other.to) <= 0 &&
		side(other.from, other.to, one.from) * side(other.from, other.to, one.to) <= 0
	);
}
