import type { Laid, LaidForm } from "./lay-problems";
import { layOutlines, type ToLay } from "./outlines/lay-outlines";
import { Templates } from "./outlines/templates";
import type { Shelf } from "./shelf";

/** Where each of some pieces would fit beside what lies on a shelf, alone; those that fit nowhere are left out. */
export function fitsBeside(
	candidates: readonly ToLay[],
	there: readonly LaidForm[],
	shelf: Shelf,
	clearanceMm: number,
	most = 12,
): Laid[] {
	const templates = new Templates(shelf, clearanceMm);
	const pinned = there.map(({ form, id, ...at }) => ({ id, form, at }));
	const found: Laid[] = [];
	for (const one of candidates) {
		const { laid } = layOutlines([one], { everyDeg: 15, footMm: 0 }, templates, pinned);
		found.push(...laid);
		if (found.length >= most) break;
	}
	return found;
}
