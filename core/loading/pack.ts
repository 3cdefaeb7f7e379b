import { type Shelf, usableMm2 } from "./shelf";

/** Something that lies on a shelf: its box as it will be after firing, mm. */
export interface Box {
	id: string;
	widthMm: number;
	heightMm: number;
}

/** Lower left corner on the shelf, mm from its lower left; `turned` by a quarter. Sizes as they lie. */
export interface BoxPlace extends Box {
	xMm: number;
	yMm: number;
	turned: boolean;
}

interface Rect {
	x: number;
	y: number;
	w: number;
	h: number;
}

/**
 * Lays boxes on a rectangular shelf in the order given, each at its best free corner, `clearanceMm` apart.
 * Keeps every maximal free rectangle and takes the one that leaves the shortest strip; a box that fits nowhere is left
 * over. Source: Jylänki, *A Thousand Ways to Pack the Bin* (2010), maximal rectangles, best short side fit.
 */
export function packShelf(
	boxes: readonly Box[],
	shelf: Shelf,
	clearanceMm: number,
): { places: BoxPlace[]; left: Box[] } {
	const inner = {
		w: shelf.widthMm - 2 * shelf.marginMm + clearanceMm,
		h: shelf.heightMm - 2 * shelf.marginMm + clearanceMm,
	};
	let free: Rect[] = [{ x: 0, y: 0, ...inner }];
	const places: BoxPlace[] = [];
	const left: Box[] = [];
	for (const box of boxes) {
		const best = bestFit(box, free, clearanceMm);
		if (!best) {
			left.push(box);
			continue;
		}
		free = largestOnly(free.flatMap((rect) => cutAway(rect, best.rect)));
		places.push({
			id: box.id,
			xMm: best.rect.x + shelf.marginMm,
			yMm: best.rect.y + shelf.marginMm,
			widthMm: best.rect.w - clearanceMm,
			heightMm: best.rect.h - clearanceMm,
			turned: best.turned,
		});
	}
	return { places, left };
}

function bestFit(box: Box, free: readonly Rect[], clearanceMm: number): { rect: Rect; turned: boolean } | undefined {
	let best: { rect: Rect; turned: boolean; short: number; y: number } | undefined;
	for (const turned of [false, true]) {
		const w = (turned ? box.heightMm : box.widthMm) + clearanceMm;
		const h = (turned ? box.widthMm : box.heightMm) + clearanceMm;
		for (const { x, y, w: freeW, h: freeH } of free) {
			if (w > freeW + 1e-9 || h > freeH + 1e-9) continue;
			const short = Math.min(freeW - w, freeH - h);
			if (!best || short < best.short - 1e-9 || (Math.abs(short - best.short) < 1e-9 && y < best.y)) {
				best = { rect: { x, y, w, h }, turned, short, y };
			}
		}
	}
	return best;
}

/** What is left of a free rectangle round a used one: up to four overlapping rests. */
function cutAway(free: Rect, used: Rect): Rect[] {
	const right = free.x + free.w;
	const top = free.y + free.h;
	if (used.x >= right || used.x + used.w <= free.x || used.y >= top || used.y + used.h <= free.y) return [free];
	return [
		{ ...free, w: used.x - free.x },
		{ ...free, x: used.x + used.w, w: right - used.x - used.w },
		{ ...free, h: used.y - free.y },
		{ ...free, y: used.y + used.h, h: top - used.y - used.h },
	].filter(({ w, h }) => w > 1e-9 && h > 1e-9);
}

const inside = (a: Rect, b: Rect) => a.x >= b.x && a.y >= b.y && a.x + a.w <= b.x + b.w && a.y + a.h <= b.y + b.h;

const largestOnly = (rects: readonly Rect[]): Rect[] =>
	rects.filter((a, i) => !rects.some((b, j) => i !== j && inside(a, b) && (!inside(b, a) || j < i)));

/** Share (0–1) of the usable shelf that the boxes cover. */
export const fillShare = (places: readonly BoxPlace[], shelf: Shelf): number =>
	places.reduce((sum, place) => sum + place.widthMm * place.heightMm, 0) / usableMm2(shelf);
