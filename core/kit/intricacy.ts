import { apart, type Bounds, boundsOf } from "../geometry/bounds";
import type { Ring } from "../geometry/region";
import { centred } from "../geometry/shape";
import type { KitDesign, KitPart } from "./kit";
import { ownRegion, placedRegion, placeRegion } from "./plan";

/** A kit with more estimated crossings than this is not read: it would take minutes (docs/benchmarks.md). */
export const MOST_CROSSINGS = 30_000;
/** Nor one with more edges, those of its components as often as they lie there: tracing them alone would take seconds. */
const MOST_EDGES = 300_000;

type Outlines = Pick<KitDesign, "parts" | "components">;

/**
 * How often the edges of parts may cross, arcs counted by their chords: pairs of edges whose upright boxes overlap. A part that
 * lies on another counts with its own edges even where none cross, for the overlay carries them all the same. Counted no
 * further than just past the limit.
 */
export function crossingsOf(design: Outlines): number {
	if (edgesIn(design) > MOST_EDGES) return MOST_CROSSINGS + 1;
	let count = 0;
	for (const parts of [design.parts, ...design.components.map((one) => one.parts)]) {
		const traced = parts.map((part) => trace(part, design)).sort((a, b) => a.box.minX - b.box.minX);
		for (let i = 0; i < traced.length; i++)
			for (let j = i + 1; j < traced.length && count <= MOST_CROSSINGS; j++) {
				const [a, b] = [traced[i] as Traced, traced[j] as Traced];
				if (b.box.minX > a.box.maxX - SLACK_MM) break;
				if (!apart(a.box, b.box, -SLACK_MM)) count += between(a, b, MOST_CROSSINGS + 1 - count);
			}
	}
	return count;
}

/** Edges of all parts, before any is traced where it lies: what is used often is looked at once. */
function edgesIn(design: Outlines): number {
	const own = (part: KitPart) => ownRegion(part, design).reduce((sum, ring) => sum + ring.length, 0);
	const inComponent = new Map(
		design.components.map(({ id, parts }) => [id, parts.reduce((sum, part) => sum + own(part), 0)]),
	);
	const whole = [...inComponent.values()].reduce((sum, n) => sum + n, 0);
	return design.parts.reduce(
		(sum, part) => sum + (part.kind === "component" ? (inComponent.get(part.componentId) ?? 0) : own(part)),
		whole,
	);
}

/** Parts side by side do not lie on each other, mm. */
const SLACK_MM = 0.1;

interface Traced {
	box: Bounds;
	/** Boxes of its edges: least x, greatest x, least y, greatest y, one after the other; in the order of their least x. */
	edges: Float64Array[];
}

/** Crossings of two parts, no more than `most`. */
function between(a: Traced, b: Traced, most: number): number {
	let count = Math.min(a.edges.length, b.edges.length);
	const near = b.edges.filter((edge) => meets(edge, a.box));
	for (const edge of a.edges) {
		if (!meets(edge, b.box)) continue;
		for (const other of near) {
			if ((other[0] as number) > (edge[1] as number)) break;
			if (overlap(edge, other)) count++;
		}
		if (count >= most) return most;
	}
	return count;
}

const overlap = ([x0 = 0, x1 = 0, y0 = 0, y1 = 0]: Float64Array, [u0 = 0, u1 = 0, v0 = 0, v1 = 0]: Float64Array) =>
	x0 < u1 && u0 < x1 && y0 < v1 && v0 < y1;

const meets = ([x0 = 0, x1 = 0, y0 = 0, y1 = 0]: Float64Array, box: Bounds) =>
	x0 < box.maxX && box.minX < x1 && y0 < box.maxY && box.minY < y1;

/** A part's edges where it lies. A thread is taken as its path, there and back. */
function trace(part: KitPart, design: Outlines): Traced {
	const region =
		part.kind === "thread"
			? placeRegion([[...centred(part.points), ...[...centred(part.points)].reverse()]], part)
			: placedRegion(part, design);
	return { box: boundsOf(region), edges: region.flatMap(edgesOf).sort((a, b) => (a[0] as number) - (b[0] as number)) };
}

const edgesOf = (ring: Ring): Float64Array[] =>
	ring.map((a, i) => {
		const b = ring[(i + 1) % ring.length] ?? a;
		return Float64Array.of(Math.min(a.x, b.x), Math.max(a.x, b.x), Math.min(a.y, b.y), Math.max(a.y, b.y));
	});
