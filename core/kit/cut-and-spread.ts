import { boundsOf } from "../geometry/bounds";
import { areaMm2, centroid, intersect, type Point, type Region } from "../geometry/region";
import { centred } from "../geometry/shape";
import { ok, problem, type Result } from "../result";
import { tidyMm } from "../units/tidy";
import type { NewId } from "./arrange";
import type { KitPart, PartOf } from "./kit";
import { placedRegion } from "./plan";

/** A score across a sheet, from edge to edge, mm of the plan. */
export interface Score {
	from: Point;
	to: Point;
}

/** Smallest piece that can be broken off, mm². */
const LEAST_PIECE_MM2 = 4;
const FAR_MM = 10_000;

/**
 * Cuts a sheet part along scores, one after another, and spreads the pieces apart by `gapMm` from the middle, so that what
 * lies below shows through as lines. Pieces are numbered in reading order (top row first) so that streaks run on.
 * @returns the pieces in place of the part, and the size a base needs to carry them
 */
export function cutAndSpread(
	part: PartOf<"sheet">,
	scores: readonly Score[],
	gapMm: number,
	newId: NewId,
): Result<{ pieces: KitPart[]; baseMm: { width: number; height: number } }> {
	if (scores.length === 0) return problem(["scores"], "Draw at least 1 score across the sheet.");
	let pieces: Piece[] = [{ region: placedRegion(part, { components: [] }), push: { x: 0, y: 0 } }];
	for (const score of scores) pieces = parted(pieces, score, gapMm);
	if (pieces.length === 1) return problem(["scores"], "No score crosses the sheet from edge to edge.");
	const all = pieces.map(({ region, push }) => ({ ring: region[0] ?? [], push }));
	const pushed = all.map(({ ring, push }) => ring.map(({ x, y }) => ({ x: x + push.x, y: y + push.y })));
	const box = boundsOf(pushed);
	const shift = { x: (box.minX + box.maxX) / 2 - part.xMm, y: (box.minY + box.maxY) / 2 - part.yMm };
	const placed = pushed
		.map((ring) => ring.map(({ x, y }) => ({ x: x - shift.x, y: y - shift.y })))
		.sort(inReadingOrder);
	return ok({
		pieces: placed.map((ring, i): KitPart => {
			const at = boundsOf([ring]);
			return {
				...part,
				id: i === 0 ? part.id : newId(),
				name: `${part.name} ${i + 1}`,
				shape: { kind: "outline", points: centred(ring).map(({ x, y }) => ({ x: tidyMm(x), y: tidyMm(y) })) },
				xMm: tidyMm((at.minX + at.maxX) / 2),
				yMm: tidyMm((at.minY + at.maxY) / 2),
				turnDeg: 0,
			};
		}),
		baseMm: { width: tidyMm(box.widthMm), height: tidyMm(box.heightMm) },
	});
}

interface Piece {
	region: Region;
	push: Point;
}

/** All pieces after one more score: what lies on either side of it is pushed half the gap away, cut or not. */
function parted(pieces: readonly Piece[], score: Score, gapMm: number): Piece[] {
	const sides = pieces.map((piece) => [1, -1].flatMap((side) => sideOf(piece, score, side, gapMm)));
	return sides.every((parts) => parts.length < 2) ? [...pieces] : sides.flat();
}

/** What of a piece lies on one side of a score, pushed that way. */
function sideOf(piece: Piece, { from, to }: Score, side: number, gapMm: number): Piece[] {
	const mm = Math.hypot(to.x - from.x, to.y - from.y) || 1;
	const [ux, uy] = [(to.x - from.x) / mm, (to.y - from.y) / mm];
	const [nx, ny] = [-uy * side, ux * side];
	const start = { x: from.x - ux * FAR_MM, y: from.y - uy * FAR_MM };
	const end = { x: from.x + ux * FAR_MM, y: from.y + uy * FAR_MM };
	const half: Point[] = [
		start,
		end,
		{ x: end.x + nx * FAR_MM, y: end.y + ny * FAR_MM },
		{ x: start.x + nx * FAR_MM, y: start.y + ny * FAR_MM },
	];
	const region = intersect(piece.region, [side > 0 ? half : half.reverse()]);
	const push = { x: piece.push.x + (nx * gapMm) / 2, y: piece.push.y + (ny * gapMm) / 2 };
	return region.filter((ring) => areaMm2([ring]) > LEAST_PIECE_MM2).map((ring) => ({ region: [ring], push }));
}

function inReadingOrder(a: readonly Point[], b: readonly Point[]): number {
	const [one, other] = [centroid([a]) ?? { x: 0, y: 0 }, centroid([b]) ?? { x: 0, y: 0 }];
	const [boxA, boxB] = [boundsOf([a]), boundsOf([b])];
	const sameRow = Math.abs(one.y - other.y) < Math.min(boxA.heightMm, boxB.heightMm) / 2;
	return sameRow ? one.x - other.x : other.y - one.y;
}
