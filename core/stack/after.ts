import { leastOf, mostOf } from "../extremes";
import type { Bounds } from "../geometry/bounds";
import { isOn } from "../geometry/inside";
import {
	areaMm2,
	intersect,
	offset,
	type Point,
	perimeterMm,
	type Region,
	type Ring,
	subtract,
	unite,
} from "../geometry/region";
import { EDGE_SHARE, flowShare, PUDDLE_MM } from "./outline";

/** What a body of glass has become after a firing; an estimate. Lengths mm. */
export interface After {
	region: Region;
	areaMm2: number;
	/** Glass over the new area. */
	meanMm: number;
	/** How far its edge moved outwards (negative: inwards), where least and where most. */
	leastMm: number;
	mostMm: number;
	/** How far the edge moved at places along it, before its corners were rounded. */
	edge: readonly EdgeMove[];
}

/** How far the edge goes outwards at a place of the outline as laid up, and how far it would if it were hot for ever, mm. */
export interface EdgeMove {
	at: Point;
	/** Outwards; longer than 1 at a corner, so that both its edges move by the same. */
	out: Point;
	mm: number;
	finalMm: number;
}

/** The glass a body is made of. */
export interface Melting {
	region: Region;
	box: Bounds;
	areaMm2: number;
	glassMm: number;
	/** Rounded in an earlier firing: it does not draw in again. */
	rounded?: boolean;
}

/** Each stretch of edge moves by the thickness of the band this wide inside it, mm. Fitted to common practice. */
const BAND_MM = 12;
/** Where the thickness along the edge differs by less, the whole edge moves alike, mm. */
const ALIKE_MM = 0.25;
/** Gaps up to twice this between parts of one body close, mm. */
export const SLIT_MM = 0.16;
/** An estimate needs no finer arcs, mm. */
const ARC_MM = 0.08;
const SMALLEST_HOLE_MM2 = 0.5;

/**
 * The outline of one connected body after a firing of flow index `flow`: every stretch of edge goes by the flow's share of
 * the way to the puddle its 12 mm band strives for, then corners round off. The glass is conserved: mean × area.
 * Source of the puddle: de Gennes, Brochard-Wyart, Quéré, *Capillarity and Wetting Phenomena*; the rest is fitted.
 * @param held what holds it in, and what stands beside it
 */
export function afterOf(body: readonly Melting[], flow: number, held: Held = FREE): After {
	const start = oneOutline(body.map(({ region }) => region));
	const area = areaMm2(start);
	const volume = body.reduce((sum, one) => sum + one.areaMm2 * one.glassMm, 0);
	if (area <= 0) return { region: [], areaMm2: 0, meanMm: 0, leastMm: 0, mostMm: 0, edge: [] };
	const share = flowShare(area, flow);
	const moveOf = edgeMoves(start, area, share);
	const { region, leastMm, mostMm, edge } = movedEdge(start, body, share, moveOf);
	const round = roundedCorners(region, Math.min(1, share) * PUDDLE_MM);
	const free = round.length > 0 ? round : region;
	const within = held.within.reduce<Region>((left, opening) => intersect(left, opening), free);
	const ends = held.beside.length > 0 ? subtract(within, held.beside) : within;
	const after = areaMm2(ends);
	const all = { region: ends, areaMm2: after, meanMm: after > 0 ? volume / after : 0, leastMm, mostMm, edge };
	return ends === free ? all : { ...all, ...stoppedEdge(edge, ends) };
}

/** Walls round a body, by their openings, and walls that stand beside it. */
export interface Held {
	within: readonly Region[];
	beside: Region;
}

const FREE: Held = { within: [], beside: [] };
/** Halvings of the way that an edge goes until it meets a wall: 30 mm to a tenth. */
const HALVINGS = 9;

/** The edge of a body as far as walls let it go outwards. */
function stoppedEdge(edge: readonly EdgeMove[], region: Region): Pick<After, "edge" | "leastMm" | "mostMm"> {
	const stopped = edge.map((move) => (move.mm > 0 ? { ...move, mm: wayFree(move, region) } : move));
	const all = stopped.map(({ mm }) => mm);
	return { edge: stopped, leastMm: leastOf(all), mostMm: mostOf(all) };
}

function wayFree({ at, out, mm }: EdgeMove, region: Region): number {
	let [free, far] = [0, mm];
	if (isOn(along(at, out, far), region)) return far;
	for (let i = 0; i < HALVINGS; i++) {
		const middle = (free + far) / 2;
		if (isOn(along(at, out, middle), region)) free = middle;
		else far = middle;
	}
	return free;
}

/** All parts of a body as one outline; where it falls apart, parts that hold by their edges are closed up first. */
function oneOutline(regions: readonly Region[]): Region {
	const whole = unite(regions).filter((ring) => Math.abs(areaMm2([ring])) > SMALLEST_HOLE_MM2);
	const outer = whole.filter((ring) => areaMm2([ring]) > 0);
	return outer.length < 2 ? whole : offset(offset(whole, SLIT_MM, ARC_MM), -SLIT_MM, ARC_MM);
}

const TRIED_MM = [-3.2, -1.6, 0, 4, 12, 30];
const UNMOVED = TRIED_MM.indexOf(0);

/**
 * How far (mm) the edge of an outline moves where its band is `h` thick: the share of the δ that solves
 * e·A(δ) − 0.10·e²·p(δ) = A·h, with area and perimeter read from real offsets of the outline.
 */
function edgeMoves(start: Region, area: number, share: number): (h: number) => number {
	const e = PUDDLE_MM;
	const known = new Map<number, number>();
	const holds = (i: number): number => {
		const before = known.get(i);
		if (before !== undefined) return before;
		const grown = offset(start, TRIED_MM[i] as number, ARC_MM);
		const glass = e * areaMm2(grown) - EDGE_SHARE * e * e * perimeterMm(grown);
		known.set(i, glass);
		return glass;
	};
	return (h) => {
		const glass = area * h;
		let i = UNMOVED;
		while (i < TRIED_MM.length - 1 && holds(i) < glass) i++;
		while (i > 1 && holds(i - 1) >= glass) i--;
		const [low, high] = [holds(i - 1), holds(i)];
		const [from, to] = [TRIED_MM[i - 1] as number, TRIED_MM[i] as number];
		const aim = high === low ? from : from + ((to - from) * (glass - low)) / (high - low);
		const stuck = h < e ? Math.max(aim, h - e) : Math.max(0, aim);
		return share * (h < e ? Math.min(0, stuck) : stuck);
	};
}

function movedEdge(start: Region, body: readonly Melting[], share: number, moveOf: (h: number) => number) {
	const step = Math.max(2.5, perimeterMm(start) / 220);
	const rounded = body.filter((one) => one.rounded);
	const staysRound = ({ at, out }: EdgePoint) =>
		rounded.length > 0 && thicknessAt(inwards(at, out), rounded) >= thicknessAt(inwards(at, out), body);
	const rings = start.map((ring) => {
		const points = stepped(ring, step);
		const thick = points.map(({ at, out }) => bandMm(at, out, body));
		const reach = Math.max(1, Math.round(6 / step));
		const moves = thick.map((_, i) => {
			let sum = 0;
			for (let k = -reach; k <= reach; k++) sum += thick[(i + k + thick.length) % thick.length] as number;
			const mm = moveOf(sum / (2 * reach + 1));
			return mm < 0 && staysRound(points[i] as EdgePoint) ? 0 : mm;
		});
		return { points, moves };
	});
	const all = rings.flatMap(({ moves }) => moves);
	const leastMm = leastOf(all);
	const mostMm = mostOf(all);
	const alike = mostMm - leastMm < ALIKE_MM;
	const mean = all.reduce((sum, mm) => sum + mm, 0) / all.length;
	const region = alike
		? offset(start, mean, ARC_MM)
		: unite([rings.map(({ points, moves }) => points.map(({ at, out }, i) => along(at, out, moves[i] as number)))]);
	const edge = rings.flatMap(({ points, moves }) =>
		points.map(({ at, out }, i): EdgeMove => {
			const mm = moves[i] as number;
			return { at, out, mm, finalMm: share > 0 ? mm / share : 0 };
		}),
	);
	return { region, leastMm, mostMm, edge };
}

const inwards = (at: Point, out: Point): Point => along(at, out, -1 / (Math.hypot(out.x, out.y) || 1));

const along = (at: Point, out: Point, mm: number): Point => ({ x: at.x + out.x * mm, y: at.y + out.y * mm });

type EdgePoint = Pick<EdgeMove, "at" | "out">;

const LONGEST_MITRE = 1.5;

/** The corners of a ring and points between them no further apart than `step`, each with the way outwards. */
function stepped(ring: Ring, step: number): EdgePoint[] {
	const unit = (a: Point, b: Point): Point => {
		const mm = Math.hypot(b.x - a.x, b.y - a.y) || 1;
		return { x: (b.y - a.y) / mm, y: -(b.x - a.x) / mm };
	};
	return ring.flatMap((at, i): EdgePoint[] => {
		const before = ring[(i + ring.length - 1) % ring.length] as Point;
		const next = ring[(i + 1) % ring.length] as Point;
		const [one, other] = [unit(before, at), unit(at, next)];
		const [x, y] = [one.x + other.x, one.y + other.y];
		const square = x * x + y * y || 1;
		const mitre = Math.min(LONGEST_MITRE / Math.sqrt(square), 2 / square);
		const count = Math.floor(Math.hypot(next.x - at.x, next.y - at.y) / step);
		const between = Array.from({ length: Math.max(0, count - 1) }, (_, k) => {
			const t = (k + 1) / count;
			return { at: { x: at.x + t * (next.x - at.x), y: at.y + t * (next.y - at.y) }, out: other };
		});
		return [{ at, out: { x: x * mitre, y: y * mitre } }, ...between];
	});
}

const DEPTHS_MM = [1, BAND_MM / 3, (2 * BAND_MM) / 3, BAND_MM - 1];
const SIDEWAYS_MM = [-BAND_MM / 3, 0, BAND_MM / 3];

/** Mean thickness of the glass in the band behind a place on the edge, mm. */
function bandMm(at: Point, out: Point, body: readonly Melting[]): number {
	const mm = Math.hypot(out.x, out.y) || 1;
	const [nx, ny] = [out.x / mm, out.y / mm];
	let [sum, count] = [0, 0];
	for (const depth of DEPTHS_MM)
		for (const aside of SIDEWAYS_MM) {
			const here = thicknessAt({ x: at.x - nx * depth - ny * aside, y: at.y - ny * depth + nx * aside }, body);
			if (here === 0) continue;
			sum += here;
			count++;
		}
	return count > 0 ? sum / count : 0;
}

/** Glass over one place, mm. */
export function thicknessAt(p: Point, body: readonly Melting[]): number {
	let mm = 0;
	for (const { box, region, glassMm } of body) {
		if (p.x < box.minX || p.x > box.maxX || p.y < box.minY || p.y > box.maxY) continue;
		if (isOn(p, region)) mm += glassMm;
	}
	return mm;
}

/** Bars narrower than this share of the rounding keep themselves and are rounded by less. */
const BAR_SHARE = 0.3;
/** Less is not seen. */
const LEAST_RADIUS_MM = 1;

/** Each narrower try is this much smaller, so that a bar is rounded by nearly half its width. */
const NEXT_RADIUS = 0.8;
const BAR_RADIUS = 0.65;

/** Rounds corners by `radius` mm; what is too narrow for it is rounded by less, so that a bar never vanishes. */
function roundedCorners(region: Region, radius: number): Region {
	if (radius < LEAST_RADIUS_MM || region.length === 0) return region;
	const opened = offset(offset(region, -radius, ARC_MM), radius, ARC_MM);
	if (opened.length === 0) return roundedCorners(region, radius * NEXT_RADIUS);
	const lost = subtract(region, opened);
	const bars = offset(lost, -BAR_SHARE * radius, ARC_MM);
	if (bars.length === 0) return opened;
	const narrow = intersect(region, offset(bars, radius * 1.3, ARC_MM));
	return unite([opened, roundedCorners(narrow, radius * BAR_RADIUS)]);
}
