import { boundsOf } from "../../geometry/bounds";
import { nearestOf } from "../../geometry/nearest";
import { centroid, intersect, offset, type Point, type Region } from "../../geometry/region";
import { regionOfShape } from "../../geometry/shape";
import type { Change } from "../../kit/change";
import { type KitPart, LARGEST_KIT } from "../../kit/kit";
import { placeRegion } from "../../kit/plan";
import { say } from "../../units/phrase";
import { tidyMm } from "../../units/tidy";
import type { Mend } from "../finding";
import type { Lain } from "../lay";
import type { Stack } from "../stack";
import { acrossDeg } from "./across";
import { freshId, freshIds } from "./fresh-ids";
import { neutralGlass } from "./neutral";
import { middle } from "./words";

/** Two parts, how far apart, mm, and the place between. */
export interface Gap {
	a: Lain;
	b: Lain;
	mm: number;
	at: Point;
}

/** The place where some parts come nearest to others; undefined where there are none. */
export function closest(parts: readonly Lain[], others: readonly Lain[]): Gap | undefined {
	let best: Gap | undefined;
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

/** More bridges than this nobody lays: a base is less work. */
const MOST_BRIDGES = 24;
const BRIDGE_MM = 8;
/** A bridge takes this share of a narrow part, so that the next one has room beside it. */
const PART_SHARE = 0.4;

/**
 * Strips over the narrowest gaps that make one body of several, lying on either part. Undefined where it takes too many, where
 * they would lie in each other’s place, or where a glass is not known.
 */
export function bridges(stack: Stack, bodies: readonly (readonly Lain[])[]): Mend | undefined {
	if (bodies.length < 2 || bodies.length - 1 > MOST_BRIDGES) return undefined;
	const newId = freshIds(stack.lain, "bridge");
	const parts = spanning(bodies)
		.map((gap) => bridgeOver(gap, newId))
		.filter((part) => part !== undefined);
	if (parts.length < bodies.length - 1 || parts.some((a, i) => parts.slice(i + 1).some((b) => crowd(a, b))))
		return undefined;
	const [first] = parts;
	const shape = first?.shape;
	return {
		label:
			parts.length === 1 && shape
				? say`Lay a bridge of ${{ mm: shape.lengthMm }}`
				: say`Lay ${{ n: parts.length }} bridges`,
		changes: parts.map((part) => ({ do: "add", part })),
	};
}

/** The narrowest gaps that connect all bodies: each joins its nearest, then each cluster its nearest, until one is left. */
function spanning(bodies: readonly (readonly Lain[])[]): Gap[] {
	let clusters = bodies;
	const gaps: Gap[] = [];
	while (clusters.length > 1) {
		const [first, ...others] = clusters;
		const gap = closest(first ?? [], others.flat());
		const met = gap && others.find((parts) => parts.includes(gap.b));
		if (!gap || !first || !met) return gaps;
		gaps.push(gap);
		clusters = [...others.filter((parts) => parts !== met), [...first, ...met]];
	}
	return gaps;
}

/** Do two bridges of one layer lie in each other's place? */
const crowd = (a: Bridge, b: Bridge): boolean => a.layer === b.layer && intersect(regionOf(a), regionOf(b)).length > 0;

const regionOf = (bridge: Bridge): Region => placeRegion(regionOfShape(bridge.shape), bridge);

type Bridge = KitPart & { kind: "sheet"; shape: { kind: "strip"; lengthMm: number; widthMm: number } };

function bridgeOver({ a, b, mm }: Gap, newId: () => string): Bridge | undefined {
	const glassId = a.part.kind === "sheet" ? a.part.glassId : b.part.kind === "sheet" ? b.part.glassId : undefined;
	if (!glassId) return undefined;
	const joint = intersect(offset(a.region, mm / 2 + 0.4), offset(b.region, mm / 2 + 0.4));
	const at = centroid(joint) ?? middle(a);
	const narrow = Math.min(a.box.widthMm, a.box.heightMm, b.box.widthMm, b.box.heightMm);
	const restMm = Math.min(BRIDGE_MM, Math.max(3, narrow * PART_SHARE));
	return {
		id: newId(),
		name: "Bridge",
		kind: "sheet",
		shape: { kind: "strip", lengthMm: Math.ceil(mm + 2 * restMm), widthMm: Math.round(restMm) },
		glassId,
		faceDown: false,
		layer: Math.max(a.layer, b.layer) + 1,
		firing: Math.max(a.part.firing, b.part.firing),
		xMm: Number(at.x.toFixed(2)),
		yMm: Number(at.y.toFixed(2)),
		turnDeg: Math.round(acrossDeg(joint.flat(), middle(a), middle(b))),
	};
}

/** A clear sheet on the shelf as large as all glass together, everything else a layer up. */
export function baseUnderAll(stack: Stack): Mend | undefined {
	const sheets = stack.glass.map(({ part }) => part).filter((part) => part.kind === "sheet");
	const clear = sheets[0] && neutralGlass(stack.book, sheets[0].glassId);
	const { parts } = stack.design;
	const highest = Math.max(...parts.map(({ layer }) => layer));
	if (!clear || highest + 1 >= LARGEST_KIT.layers) return undefined;
	const box = boundsOf(stack.glass.flatMap(({ region }) => region));
	const [widthMm, heightMm] = [tidyMm(box.widthMm, 0.1), tidyMm(box.heightMm, 0.1)];
	const part: KitPart = {
		id: freshId(stack.lain, "base"),
		name: "Base",
		kind: "sheet",
		shape: { kind: "rectangle", widthMm, heightMm },
		glassId: clear.id,
		faceDown: false,
		layer: 0,
		firing: Math.min(...stack.glass.map((one) => one.part.firing)),
		xMm: tidyMm((box.minX + box.maxX) / 2, 0.1),
		yMm: tidyMm((box.minY + box.maxY) / 2, 0.1),
		turnDeg: 0,
	};
	const changes: Change[] = [
		{ do: "raise", partIds: parts.map(({ id }) => id), layers: 1 },
		{ do: "add", part },
	];
	return { label: say`Lay a clear base, ${{ mm: widthMm }} × ${{ mm: heightMm }}`, changes };
}
