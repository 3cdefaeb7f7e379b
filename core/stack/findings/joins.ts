import { nearestOf } from "../../geometry/nearest";
import { centroid, intersect, offset, type Point } from "../../geometry/region";
import type { KitPart } from "../../kit/kit";
import { say } from "../../units/phrase";
import { type Contact, collisionsOf, LEAST_OVERLAP_MM, SAFE_OVERLAP_MM } from "../contacts";
import type { Finding } from "../finding";
import type { Lain } from "../lay";
import type { Stack } from "../stack";
import { ids, middle, names } from "./words";

/** Bodies further apart than this are pieces of their own, not parts that came loose, mm. */
const OWN_PIECE_MM = 10;
const BRIDGE = { widthMm: 8, restMm: 8 };

/** Touching is not joining: parts that lie on nothing by 2 mm pull away. */
export function joinFindings(stack: Stack): Finding[] {
	const [main, ...others] = stack.bodies;
	if (!main) return [];
	const loose = others.flatMap(({ parts }) => looseFinding(stack, parts, main.parts));
	return [...loose, ...barely(stack.contacts), ...collisions(stack)];
}

function looseFinding(stack: Stack, parts: readonly Lain[], main: readonly Lain[]): Finding[] {
	const rest = stack.glass.filter((lain) => !parts.includes(lain));
	const pair = closest(parts, rest.length > 0 ? rest : main);
	if (!pair) return [];
	if (pair.mm > OWN_PIECE_MM) {
		return [
			{
				code: "own-piece",
				severity: "know",
				sentence: say`${names(parts)} lies ${{ mm: pair.mm }} from everything else: it comes out as a piece of its own.`,
				remedy: say`Lay it on a neighbour by ${{ mm: SAFE_OVERLAP_MM }} if it belongs to the same piece.`,
				partIds: ids(parts),
				at: middle(parts[0] as Lain),
			},
		];
	}
	const bridge = bridgeOver(stack, pair);
	return [
		{
			code: "loose",
			severity: "fix",
			sentence: say`${names(parts)} lies on nothing by ${{ mm: LEAST_OVERLAP_MM }}: touching is not joining, it pulls away.`,
			remedy: say`Let it lie on ${pair.b.name} by ${{ mm: LEAST_OVERLAP_MM }} to ${{ mm: SAFE_OVERLAP_MM }}, or lay a part over the joint.`,
			partIds: ids(parts),
			at: pair.at,
			...(bridge && {
				fix: { label: say`Lay a bridge of ${{ mm: bridge.lengthMm }}`, changes: [{ do: "add", part: bridge.part }] },
			}),
		},
	];
}

interface Pair {
	a: Lain;
	b: Lain;
	mm: number;
	at: Point;
}

function closest(parts: readonly Lain[], others: readonly Lain[]): Pair | undefined {
	let best: Pair | undefined;
	for (const a of parts)
		for (const b of others) {
			const boxGap = Math.max(
				a.box.minX - b.box.maxX,
				b.box.minX - a.box.maxX,
				a.box.minY - b.box.maxY,
				b.box.minY - a.box.maxY,
			);
			if (best && boxGap >= best.mm) continue;
			const near = nearestOf(a.region, b.region);
			if (best && near.mm >= best.mm) continue;
			best = { a, b, mm: near.mm, at: { x: (near.a.x + near.b.x) / 2, y: (near.a.y + near.b.y) / 2 } };
		}
	return best;
}

/** A strip across the middle of the joint, lying 8 mm on either part. */
function bridgeOver({ lain }: Stack, { a, b, mm }: Pair): { part: KitPart; lengthMm: number } | undefined {
	const glassId = a.part.kind === "sheet" ? a.part.glassId : b.part.kind === "sheet" ? b.part.glassId : undefined;
	if (!glassId) return undefined;
	const joint = intersect(offset(a.region, mm / 2 + 0.4), offset(b.region, mm / 2 + 0.4));
	const at = centroid(joint) ?? middle(a);
	const lengthMm = Math.ceil(mm + 2 * BRIDGE.restMm);
	const part: KitPart = {
		id: freshId(lain, "bridge"),
		name: "Bridge",
		kind: "sheet",
		shape: { kind: "strip", lengthMm, widthMm: BRIDGE.widthMm },
		glassId,
		faceDown: false,
		layer: Math.max(a.layer, b.layer) + 1,
		firing: Math.max(a.part.firing, b.part.firing),
		xMm: Number(at.x.toFixed(2)),
		yMm: Number(at.y.toFixed(2)),
		turnDeg: Math.round(acrossDeg(joint.flat(), middle(a), middle(b))),
	};
	return { part, lengthMm };
}

/** An id no part of the kit has. */
export const freshId = (lain: readonly Lain[], word: string): string => freshIds(lain, word)();

/** Ids no part of the kit has, one after another. */
export function freshIds(lain: readonly Lain[], word: string): () => string {
	const taken = new Set(lain.map(({ id }) => id));
	let i = 0;
	return () => {
		do i++;
		while (taken.has(`${word}-${i}`));
		return `${word}-${i}`;
	};
}

/** The way across a joint, degrees: the short axis of its points; between the middles where it has none. */
export function acrossDeg(points: readonly Point[], from: Point, to: Point): number {
	const direct = (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI;
	if (points.length < 3) return direct;
	const [mx, my] = ["x" as const, "y" as const].map((k) => points.reduce((sum, p) => sum + p[k], 0) / points.length);
	let [xx, xy, yy] = [0, 0, 0];
	for (const p of points) {
		const [dx, dy] = [p.x - (mx as number), p.y - (my as number)];
		xx += dx * dx;
		xy += dx * dy;
		yy += dy * dy;
	}
	const spread = Math.hypot(xx - yy, 2 * xy) / (xx + yy || 1);
	if (spread < 0.2) return direct;
	return ((0.5 * Math.atan2(2 * xy, xx - yy) + Math.PI / 2) * 180) / Math.PI;
}

function barely(contacts: readonly Contact[]): Finding[] {
	const few = contacts.filter(
		({ kind, overlapMm, a, b, shared }) =>
			kind === "joined" && overlapMm < SAFE_OVERLAP_MM && overlapMm > 0 && shared.length > 0 && !carriedWhole(a, b),
	);
	if (few.length === 0) return [];
	const parts = few.map(({ a, b }) => (a.layer > b.layer ? a : b));
	return [
		{
			code: "barely-joined",
			severity: "know",
			sentence: say`${names(parts)} lies on its neighbour by less than ${{ mm: SAFE_OVERLAP_MM }}, at ${{ n: few.length }} joints: it holds, but only just.`,
			remedy: say`Give it ${{ mm: SAFE_OVERLAP_MM }} where the look allows it.`,
			partIds: ids(parts),
			at: few[0]?.nearest.a ?? { x: 0, y: 0 },
		},
	];
}

/** A thread, strewn grains or a part smaller than the safe overlap lies on its neighbour as well as it can. */
const carriedWhole = (a: Lain, b: Lain): boolean =>
	[a, b].some(({ part }) => part.kind === "thread" || part.kind === "grains") ||
	Math.min(a.box.widthMm, a.box.heightMm, b.box.widthMm, b.box.heightMm) <= SAFE_OVERLAP_MM;

function collisions({ contacts }: Stack): Finding[] {
	return collisionsOf(contacts).map(({ a, b, areaMm2 }) => {
		const upper = a.areaMm2 < b.areaMm2 ? a : b;
		return {
			code: "same-place",
			severity: "fix" as const,
			sentence: say`${a.name} and ${b.name} share ${{ n: Math.round(areaMm2) }} mm² of layer ${{ n: a.layer + 1 }}: two cuts cannot lie in one place.`,
			remedy: say`Move one, or put it on layer ${{ n: a.layer + 2 }}.`,
			partIds: [a.id, b.id],
			at: middle(upper),
			fix: {
				label: say`Put ${upper.name} on layer ${{ n: a.layer + 2 }}`,
				changes: [{ do: "raise" as const, partIds: [upper.id], layers: 1 }],
			},
		};
	});
}
