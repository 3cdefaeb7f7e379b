import type { Ring } from "../../geometry/region";
import { insetAt, type Shelf } from "../shelf";

/**
 * From where to where the origin of an outline may lie at a height `yMm`, mm from the shelf's left edge, so that all of it is on
 * the usable shelf; undefined where it nowhere is. Exact: all shelves bulge outwards, so the hull's corners decide.
 */
export function roomAt(shelf: Shelf, hull: Ring, yMm: number): [from: number, to: number] | undefined {
	let [from, to] = [Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY];
	for (const { x, y } of hull) {
		const height = yMm + y;
		if (height < shelf.marginMm - 1e-9 || height > shelf.heightMm - shelf.marginMm + 1e-9) return undefined;
		const inset = insetAt(shelf, height);
		from = Math.max(from, inset - x);
		to = Math.min(to, shelf.widthMm - inset - x);
	}
	return from <= to + 1e-9 ? [from, to] : undefined;
}
