import { mostOf } from "../extremes";
import { apart, boundsOf } from "../geometry/bounds";
import { type Nearest, nearestOf } from "../geometry/nearest";
import { areaMm2, intersect, offset, type Region, subtract, unite } from "../geometry/region";
import { type Lain, sharedOf } from "./lay";

/** A part has to lie on another by this much to stick before both draw in. Common practice, no source. */
export const LEAST_OVERLAP_MM = 2;
/** Under this it holds, but only just. Common practice, no source. */
export const SAFE_OVERLAP_MM = 3;
/** Parts nearer than this as laid up count as touching. */
export const TOUCH_MM = 0.5;
/** A part of which this share lies on another is carried by it, however narrow it is: a stringer. */
const CARRIED_SHARE = 0.5;

/**
 * How two parts meet: one lies on the other by enough; they lie side by side and hold by the edge, which is weaker; or they
 * only meet, and pull apart.
 */
export type Meeting = "joined" | "edge" | "touching";

export interface Contact {
	a: Lain;
	b: Lain;
	kind: Meeting;
	/** How far one lies on the other across the narrow way, mm: 0 where they only meet edge to edge. */
	overlapMm: number;
	/** What both cover. */
	shared: Region;
	nearest: Nearest;
}

/** All pairs of glass parts that meet, and how. What lies between two parts, glass or fibre, keeps them from meeting. */
export function contactsOf(lain: readonly Lain[]): Contact[] {
	const glass = lain.filter(({ glassMm }) => glassMm > 0);
	const keepsApart = lain.filter(
		({ part, glassMm }) => (glassMm > 0 && part.kind !== "thread") || (part.kind === "fibre" && part.use === "insert"),
	);
	return glass.flatMap((a, i) => glass.slice(i + 1).flatMap((b) => contactOf(a, b, keepsApart)));
}

function contactOf(a: Lain, b: Lain, keepsApart: readonly Lain[]): Contact[] {
	if (apart(a.box, b.box, TOUCH_MM)) return [];
	const whole = apart(a.box, b.box) ? [] : sharedOf(a, b);
	const overlaps = areaMm2(whole) > SLIVER_MM2;
	const shared = overlaps ? facing(whole, a, b, keepsApart) : [];
	if (overlaps && areaMm2(shared) <= SLIVER_MM2) return [];
	const nearest = overlaps ? overlapping(shared) : nearestOf(a.region, b.region);
	if (nearest.mm > TOUCH_MM) return [];
	const overlapMm = a.layer === b.layer ? 0 : narrowMm(shared);
	const carried = a.layer !== b.layer && areaMm2(shared) >= CARRIED_SHARE * Math.min(a.areaMm2, b.areaMm2);
	return [{ a, b, kind: carried || overlapMm >= LEAST_OVERLAP_MM ? "joined" : "touching", overlapMm, shared, nearest }];
}

/** Rounding of the overlay, mm². */
const SLIVER_MM2 = 0.05;

/** The part of an overlap where nothing lies between the two. */
function facing(shared: Region, a: Lain, b: Lain, keepsApart: readonly Lain[]): Region {
	const [low, high] = [Math.min(a.layer, b.layer), Math.max(a.layer, b.layer)];
	if (high - low < 2) return shared;
	const box = boundsOf(shared);
	const between = keepsApart.filter((one) => one.layer > low && one.layer < high && !apart(one.box, box));
	return between.length === 0
		? shared
		: subtract(
				shared,
				between.flatMap(({ region }) => region),
			);
}

const overlapping = (shared: Region): Nearest => {
	const at = shared[0]?.[0] ?? { x: 0, y: 0 };
	return { mm: 0, a: at, b: at };
};

/** Steps of the overlap that matter: none, under 2 mm, enough, safe. The widest strip of the overlap, mm. */
function narrowMm(shared: Region): number {
	if (shared.length === 0) return 0;
	const holds = (mm: number) => offset(shared, -mm / 2 + 0.01).length > 0;
	if (!holds(LEAST_OVERLAP_MM)) {
		const { widthMm, heightMm } = boundsOf(shared);
		return Math.min(widthMm, heightMm, LEAST_OVERLAP_MM - 0.1);
	}
	return holds(SAFE_OVERLAP_MM) ? SAFE_OVERLAP_MM : LEAST_OVERLAP_MM;
}

/** Parts that hold together, with how they do. */
export interface Group {
	parts: Lain[];
}

/** Groups of parts that hold together, by whatever kind of meeting, largest area first. One group: the piece stays whole. */
export function groupsOf(lain: readonly Lain[], contacts: readonly Contact[]): Group[] {
	const glass = lain.filter(({ glassMm }) => glassMm > 0);
	const up = new Map(glass.map(({ id }) => [id, id]));
	const rootOf = (id: string): string => {
		let root = id;
		while (up.get(root) !== root) root = up.get(root) as string;
		return root;
	};
	for (const { a, b, kind } of contacts) if (kind !== "touching") up.set(rootOf(a.id), rootOf(b.id));
	const groups = new Map<string, Lain[]>();
	for (const part of glass) {
		const root = rootOf(part.id);
		const group = groups.get(root);
		if (group) group.push(part);
		else groups.set(root, [part]);
	}
	const area = (parts: readonly Lain[]) => parts.reduce((sum, { areaMm2: mm2 }) => sum + mm2, 0);
	return [...groups.values()].sort((a, b) => area(b) - area(a)).map((parts) => ({ parts }));
}

/** Two cuts on one layer cannot lie in the same place. Grains and threads find their way between. */
export function collisionsOf(contacts: readonly Contact[]): { a: Lain; b: Lain; areaMm2: number }[] {
	const solid = ({ part }: Lain) => part.kind === "sheet" || part.kind === "lump" || part.kind === "component";
	return contacts
		.filter(({ a, b }) => a.layer === b.layer && solid(a) && solid(b))
		.map(({ a, b }) => ({ a, b, areaMm2: areaMm2(intersect(a.region, b.region)) }))
		.filter((pair) => pair.areaMm2 > 1);
}

/** Sheet on sheet below this in both directions lets its air go by itself, mm. Common practice, no source. */
export const TRAP_MM = 75;

/**
 * Longest span (mm) that a sheet has over glass below it, where there is room for a disc of 75 mm; 0 where there is none. What lies
 * between, grains or a dot, lets no air go, but for fibre; glass that was fused before traps it as cold glass does.
 */
export function trappedSpanMm(lain: readonly Lain[]): number {
	const inserts = lain.filter(({ part }) => part.kind === "fibre" && part.use === "insert");
	const flat = lain.filter(({ part }) => part.kind === "sheet" || part.kind === "component");
	const wide = flat.filter(({ box }) => Math.min(box.widthMm, box.heightMm) >= TRAP_MM);
	return mostOf(
		wide.map((upper) => {
			const below = flat.filter(
				(lower) => lower.layer < upper.layer && !(lower.fused && upper.fused) && !apart(lower.box, upper.box),
			);
			if (below.length === 0) return 0;
			const over = unite(below.map((lower) => sharedOf(lower, upper)));
			const open = inserts.filter(({ layer }) => layer < upper.layer).flatMap(({ region }) => region);
			return roomyMm(open.length > 0 ? subtract(over, open) : over);
		}),
		0,
	);
}

/** Longer side (mm) of what has room for a disc that lets no air go; 0 for what has none. */
function roomyMm(region: Region): number {
	const { widthMm, heightMm } = boundsOf(region);
	if (Math.min(widthMm, heightMm) < TRAP_MM || offset(region, 0.1 - TRAP_MM / 2).length === 0) return 0;
	return Math.max(widthMm, heightMm);
}

/** Threads and powder are too little glass to heat otherwise than what they lie on. Common practice, no source. */
const TONE_HIGH_MM = 2;
const TONE_MEETS_MM2 = 100;

/** Does dark opaque meet white opaque, both of some height, over more than a finger’s tip? */
export function touchesDarkAndWhite(contacts: readonly Contact[]): boolean {
	const tones = ({ glasses }: Lain) => new Set(glasses.map(({ tone }) => tone));
	return contacts.some(({ a, b, shared }) => {
		const highMm = Math.min(a.peakMm, b.peakMm);
		if (highMm < TONE_HIGH_MM) return false;
		const [one, other] = [tones(a), tones(b)];
		if (!(one.has("dark") && other.has("white")) && !(one.has("white") && other.has("dark"))) return false;
		const meetsMm2 = areaMm2(shared);
		return (meetsMm2 > SLIVER_MM2 ? meetsMm2 : alongMm(a, b) * highMm) >= TONE_MEETS_MM2;
	});
}

/** Along how much two parts lie side by side, mm. */
function alongMm(a: Lain, b: Lain): number {
	const joint = intersect(offset(a.region, TOUCH_MM), offset(b.region, TOUCH_MM));
	if (joint.length === 0) return 0;
	const { widthMm, heightMm } = boundsOf(joint);
	return Math.hypot(widthMm, heightMm);
}
