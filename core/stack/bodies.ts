import { FUSE_LEVELS, type FuseLevel, LEVEL_AIM } from "../firing/level";
import { boundsOf } from "../geometry/bounds";
import { areaMm2, intersect, offset, type Point } from "../geometry/region";
import { type After, afterOf, type EdgeMove } from "./after";
import { type Contact, groupsOf } from "./contacts";
import type { Lain } from "./lay";
import type { Rest } from "./rest";
import { isHeldBy, type Wall } from "./walls";

/** Parts that hold together, and what the firing makes of them. */
export interface Body {
	parts: Lain[];
	after: After;
}

/** Parts side by side with no wider gap than this may hold by the edge, mm. Common practice, no source. */
const EDGE_GAP_MM = 0.3;
/** Along so much of it, mm; two lumps rounded before need one point only. Common practice, no source. */
const EDGE_LENGTH_MM = 3;
/** An edge that draws in further than this pulls away, and so does one that strives to go much further: a single does at any
 * level, two do at none. mm. Common practice, no source. */
const DRAWN_MM = -0.3;
const STRIVING_MM = -0.8;
/** Edges do not stick below this level. */
const STICKS: readonly FuseLevel[] = FUSE_LEVELS.slice(FUSE_LEVELS.indexOf("tack"));

/**
 * What holds together at a fuse level, largest first, and every contact with its kind at that level: stacks of parts that
 * lie on each other first; then those of them that lie side by side and have no wish to shrink there.
 * @param walls what holds glass in that lies in them
 */
export function bodiesOf(
	lain: readonly Lain[],
	contacts: readonly Contact[],
	rests: readonly Rest[],
	level: FuseLevel,
	walls: readonly Wall[],
): { bodies: Body[]; contacts: Contact[] } {
	const melt = (parts: Lain[]): Body => ({ parts, after: afterWithin(parts, LEVEL_AIM[level], walls) });
	const stacks = groupsOf(lain, contacts).map(({ parts }) => melt(parts));
	const known = edgeJoined(contacts, stacks, rests, level);
	if (known.every(({ kind }) => kind !== "edge")) return { bodies: stacks, contacts: known };
	const bodies = groupsOf(lain, known).map(
		({ parts }) =>
			stacks.find((stack) => stack.parts.length === parts.length && stack.parts[0] === parts[0]) ?? melt(parts),
	);
	return { bodies, contacts: known };
}

/** The contacts, with those that hold by the edge marked so. */
function edgeJoined(
	contacts: readonly Contact[],
	stacks: readonly Body[],
	rests: readonly Rest[],
	level: FuseLevel,
): Contact[] {
	if (!STICKS.includes(level)) return [...contacts];
	const stackOf = new Map(stacks.flatMap((stack) => stack.parts.map((part) => [part, stack] as const)));
	const restMm = new Map(rests.map(({ part, restMm: mm }) => [part, mm]));
	const beside = (a: Lain, b: Lain) => {
		const [low, other] = [restMm.get(a), restMm.get(b)];
		return low !== undefined && other !== undefined && low < other + b.bulkMm && other < low + a.bulkMm;
	};
	return contacts.map((contact) => {
		const { a, b, kind, nearest } = contact;
		const [one, other] = [stackOf.get(a), stackOf.get(b)];
		if (kind !== "touching" || nearest.mm > EDGE_GAP_MM || !one || !other || one === other || !beside(a, b))
			return contact;
		const joint = sharedEdge(a, b);
		if (!joint || (joint.mm < EDGE_LENGTH_MM && !(a.rounded && b.rounded))) return contact;
		const holds = [one, other].every((stack) => {
			const { mm, finalMm } = moveNear(stack.after, joint.at);
			return mm > DRAWN_MM && finalMm > STRIVING_MM;
		});
		return holds ? { ...contact, kind: "edge" as const } : contact;
	});
}

/** Where two parts lie side by side, and along how much, mm. */
function sharedEdge(a: Lain, b: Lain): { mm: number; at: Point } | undefined {
	const reach = EDGE_GAP_MM / 2 + 0.02;
	const joint = intersect(offset(a.region, reach), offset(b.region, reach));
	if (joint.length === 0) return undefined;
	const { minX, maxX, minY, maxY, widthMm, heightMm } = boundsOf(joint);
	return { mm: Math.hypot(widthMm, heightMm), at: { x: (minX + maxX) / 2, y: (minY + maxY) / 2 } };
}

/** How the edge of a body moved where it comes nearest to a place. */
function moveNear({ edge }: After, place: Point): Pick<EdgeMove, "mm" | "finalMm"> {
	let [least, move] = [Number.POSITIVE_INFINITY, { mm: 0, finalMm: 0 }];
	for (const one of edge) {
		const square = (one.at.x - place.x) ** 2 + (one.at.y - place.y) ** 2;
		if (square >= least) continue;
		least = square;
		move = one;
	}
	return move;
}

/** Every part of it is meant to come out by itself. */
export const isLoose = ({ parts }: Pick<Body, "parts">): boolean => parts.every(({ part }) => part.loose === true);

/** Do two bodies run into each other in the firing? */
export const runTogether = (one: Body, other: Body): boolean =>
	areaMm2(intersect(one.after.region, other.after.region)) > 0.5;

/** What a firing makes of parts that hold together, held in by the walls that stand round them. */
export function afterWithin(parts: readonly Lain[], flow: number, walls: readonly Wall[]): After {
	const around = walls.filter((wall) => isHeldBy(wall, parts));
	const beside = walls.filter((wall) => !around.includes(wall)).flatMap(({ dam }) => dam?.region ?? []);
	return afterOf(parts, flow, { within: around.map(({ opening }) => opening), beside });
}
