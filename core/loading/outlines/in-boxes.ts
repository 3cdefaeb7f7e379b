import { bestPacking } from "../best-packing";
import type { Placement } from "../placement";
import type { Shelf } from "../shelf";
import type { LaidOut } from "./lay-outlines";
import type { Ranked } from "./ways";

/** Pieces on a rectangular shelf as boxes: what lies in boxes that are apart is apart. */
export function inBoxes(pieces: readonly Ranked[], shelf: Shelf, clearanceMm: number): LaidOut {
	const rank = new Map(pieces.map((one) => [one.id, one.rank]));
	const boxes = pieces.map(({ id, form }) => {
		const { minX, maxX, minY, maxY } = form.turns[0] as (typeof form.turns)[0];
		return { id, widthMm: maxX - minX, heightMm: maxY - minY };
	});
	const { places, left } = bestPacking(boxes, shelf, clearanceMm, (id) => rank.get(id) ?? 0);
	return {
		laid: places.map(
			({ id, xMm, yMm, widthMm, heightMm, turned }): Placement => ({
				id,
				xMm: xMm + widthMm / 2,
				yMm: yMm + heightMm / 2,
				turnDeg: turned ? 90 : 0,
			}),
		),
		leftIds: left.map(({ id }) => id),
	};
}
