import { mostOf } from "../extremes";
import { toOutlineMm } from "../geometry/nearest";
import { areaMm2, type Point, type Region, unite } from "../geometry/region";
import type { Column } from "./columns";
import type { Lain } from "./lay";

/** How one part lies before the fire: how high, and how far it sticks out over nothing. mm */
export interface Rest {
	part: Lain;
	/** Height of its underside. */
	restMm: number;
	/** Height under what sticks out that is filled already. */
	belowMm: number;
	/** Farthest that it reaches beyond what carries it; 0 where all of it is carried. */
	overhangMm: number;
	overhang: Region;
	/** Carried on both sides of the place that hangs free farthest: a span, not a tip. */
	isSpan: boolean;
}

/** A gap under a part smaller than this closes by itself, mm. */
const SLACK_MM = 0.6;

/**
 * Where every stiff part rests and what of it hangs free. Threads and grains bend to what is below them.
 * @param turnedOver the whole lies upside down: what was laid last lies lowest
 */
export function restsOf(columns: readonly Column<Lain>[], turnedOver = false): Rest[] {
	const isUnder = (other: Lain, part: Lain) => (turnedOver ? isBelow(part, other) : isBelow(other, part));
	const under = new Map<Lain, { below: number; column: Column<Lain> }[]>();
	for (const column of columns) {
		for (const part of column.parts) {
			if (!isStiff(part)) continue;
			const below = column.parts.reduce((sum, other) => (isUnder(other, part) ? sum + heightOf(other) : sum), 0);
			const places = under.get(part);
			if (places) places.push({ below, column });
			else under.set(part, [{ below, column }]);
		}
	}
	return [...under].map(([part, places]): Rest => {
		const restMm = mostOf(places.map(({ below }) => below));
		// Over other glass it only sinks until it lies on that.
		const free = places.filter(({ below, column }) => {
			const isOverGlass = column.parts.some((other) => other.glassMm > 0 && isUnder(other, part));
			return below < restMm - SLACK_MM && !isOverGlass;
		});
		const carried = places.filter(({ below }) => below >= restMm - SLACK_MM);
		if (free.length === 0) return { part, restMm, belowMm: 0, overhangMm: 0, overhang: [], isSpan: false };
		const overhang = unite(free.map(({ column }) => column.region)).filter((ring) => areaMm2([ring]) > 0.5);
		const support = carried.flatMap(({ column }) => column.region);
		return {
			part,
			restMm,
			belowMm: mostOf(free.map(({ below }) => below)),
			...farthest(overhang, support),
			overhang,
		};
	});
}

/** A support lies under the part of its own layer that it was laid for. */
const isBelow = (other: Lain, part: Lain): boolean =>
	other.layer < part.layer ||
	(other.layer === part.layer && other !== part && other.part.kind === "fibre" && other.part.use === "support");

const isStiff = ({ part }: Lain) => part.kind === "sheet" || part.kind === "lump" || part.kind === "component";

/** Metal and foil are too thin to lift what lies on them. */
const heightOf = (lain: Lain) =>
	lain.part.kind === "loop" || lain.part.kind === "foil" ? 0 : lain.fused ? lain.glassMm : lain.bulkMm;

/** The place farthest from what carries, and whether that lies on both sides of it. */
function farthest(region: Region, from: Region): Pick<Rest, "overhangMm" | "isSpan"> {
	if (from.length === 0) return { overhangMm: 0, isSpan: false };
	const places = placesAlong(region).map((place) => ({ place, mm: toOutlineMm(place, from) }));
	const far = places.reduce((a, b) => (b.mm > a.mm ? b : a), { place: { x: 0, y: 0 }, mm: 0 });
	const held = places.filter(({ mm }) => mm < HELD_MM).map(({ place }) => place);
	return { overhangMm: far.mm, isSpan: widestGapDeg(far.place, held) <= SPAN_GAP_DEG };
}

/** Places of the edge nearer than this to the support lie on it, mm. */
const HELD_MM = 0.1;
/** A span sees its supports all round but for the free sides. */
const SPAN_GAP_DEG = 200;

/** The widest angle, seen from a place, in which none of the points lies. */
function widestGapDeg(from: Point, points: readonly Point[]): number {
	const angles = points.map((to) => (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI).sort((a, b) => a - b);
	if (angles.length === 0) return 360;
	return angles.reduce((widest, angle, i) => {
		const next = angles[i + 1] ?? (angles[0] as number) + 360;
		return Math.max(widest, next - angle);
	}, 0);
}

/** Corners and middles of edges: the tip of an overhang, and the middle of a span between two supports. */
const placesAlong = (region: Region): Point[] =>
	region.flatMap((ring) =>
		ring.flatMap((from, i) => {
			const to = ring[(i + 1) % ring.length] as Point;
			return [from, { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 }];
		}),
	);
