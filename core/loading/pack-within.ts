import type { Box, BoxPlace } from "./pack";
import { type Shelf, usableBetween } from "./shelf";

/** Heights are tried in such steps, mm. */
const STEP_MM = 2;

/**
 * Lays boxes within a shelf of any outline in the order given, each as far down as it goes and then as far left, `clearanceMm` apart;
 * what fits nowhere is left over.
 * @param footMm the first row begins so far above the shelf's foot: on a round shelf that is where it is wide enough
 */
export function packWithin(
	boxes: readonly Box[],
	shelf: Shelf,
	clearanceMm: number,
	footMm: number,
): { places: BoxPlace[]; left: Box[] } {
	const places: BoxPlace[] = [];
	const left: Box[] = [];
	// A class's pieces are alike: where one found no place its equals find none.
	const fitNowhere = new Set<string>();
	for (const box of boxes) {
		const size = `${box.widthMm} ${box.heightMm}`;
		if (fitNowhere.has(size)) {
			left.push(box);
			continue;
		}
		const upright = lowest(box, false, places, shelf, clearanceMm, footMm);
		const turned = box.widthMm === box.heightMm ? undefined : lowest(box, true, places, shelf, clearanceMm, footMm);
		const place = turned && (!upright || topOf(turned) < topOf(upright) - 1e-9) ? turned : upright;
		if (place) places.push(place);
		else {
			fitNowhere.add(size);
			left.push(box);
		}
	}
	return { places, left };
}

const topOf = ({ yMm, heightMm }: BoxPlace): number => yMm + heightMm;

function lowest(
	{ id, ...box }: Box,
	turned: boolean,
	places: readonly BoxPlace[],
	shelf: Shelf,
	clearanceMm: number,
	footMm: number,
): BoxPlace | undefined {
	const [widthMm, heightMm] = turned ? [box.heightMm, box.widthMm] : [box.widthMm, box.heightMm];
	const last = shelf.heightMm - shelf.marginMm - heightMm;
	// Beside the steps, right above each box that lies there already: rows of equal pieces stand close.
	const heights = places.map((one) => topOf(one) + clearanceMm).filter((y) => y <= last && y >= footMm);
	for (let y = shelf.marginMm + footMm; y <= last + 1e-9; y += STEP_MM) heights.push(y);
	for (const yMm of heights.sort((a, b) => a - b)) {
		const range = usableBetween(shelf, yMm, yMm + heightMm);
		if (!range) continue;
		const beside = places.filter(
			(one) => one.yMm < yMm + heightMm + clearanceMm - 1e-9 && topOf(one) + clearanceMm > yMm + 1e-9,
		);
		const xMm = freeAt(range[0], widthMm, beside, clearanceMm);
		if (xMm + widthMm <= range[1] + 1e-9) return { id, xMm, yMm, widthMm, heightMm, turned };
	}
	return undefined;
}

/** As far left as a box goes past those beside it. */
function freeAt(from: number, widthMm: number, beside: readonly BoxPlace[], clearanceMm: number): number {
	let x = from;
	for (const one of [...beside].sort((a, b) => a.xMm - b.xMm)) {
		const isBefore = x + widthMm + clearanceMm <= one.xMm + 1e-9;
		if (!isBefore) x = Math.max(x, one.xMm + one.widthMm + clearanceMm);
	}
	return x;
}
