import { leastOf } from "../extremes";
import { type Box, type BoxPlace, packShelf } from "./pack";
import type { Shelf } from "./shelf";

export interface Packing {
	places: BoxPlace[];
	left: Box[];
}

/**
 * The best of several orders in which boxes are laid on a rectangular shelf: whoever is promised first is left out last; then the fullest shelf.
 * Large first fills most, by promise leaves least behind.
 * @param boxes in the order of their promises
 * @param rankOf the same for all that are promised for one day, less for an earlier one
 */
export function bestPacking(
	boxes: readonly Box[],
	shelf: Shelf,
	clearanceMm: number,
	rankOf: (id: string) => number,
): Packing {
	let best: Packing = { places: [], left: [...boxes] };
	for (const order of ordersOf(boxes)) {
		const found = packShelf(order, shelf, clearanceMm);
		if (isBetter(found, best, rankOf)) best = found;
		if (best.left.length === 0) return best;
	}
	return best;
}

function ordersOf(boxes: readonly Box[]): Box[][] {
	const by = (size: (box: Box) => number) => [...boxes].sort((a, b) => size(b) - size(a) || a.id.localeCompare(b.id));
	const long = ({ widthMm, heightMm }: Box) => Math.max(widthMm, heightMm);
	const short = ({ widthMm, heightMm }: Box) => Math.min(widthMm, heightMm);
	return [[...boxes], by((box) => box.widthMm * box.heightMm), by(long), by(short)];
}

function isBetter(a: Packing, b: Packing, rankOf: (id: string) => number): boolean {
	const firstLeft = ({ left }: Packing) => leastOf(left.map(({ id }) => rankOf(id)));
	const [mine, theirs] = [firstLeft(a), firstLeft(b)];
	if (mine !== theirs) return mine > theirs;
	const area = ({ places }: Packing) => places.reduce((sum, one) => sum + one.widthMm * one.heightMm, 0);
	return area(a) > area(b) + 1e-6;
}
