import type { Laid, LaidForm } from "./lay-problems";
import { keptFree } from "./outlines/kept-free";
import { layOutlines, type ToLay } from "./outlines/lay-outlines";
import { Templates } from "./outlines/templates";
import type { Uneven } from "./outlines/to-middle";
import type { Shelf } from "./shelf";

/** Where each of some pieces would fit beside what lies on a shelf, alone; those that fit nowhere are left out. */
export function fitsBeside(
	candidates: readonly ToLay[],
	there: readonly LaidForm[],
	shelf: Shelf,
	clearanceMm: number,
	{ most = 12, kept = [] }: { most?: number; kept?: readonly Uneven[] } = {},
): Laid[] {
	const templates = new Templates(shelf, clearanceMm);
	const pinned = [...there.map(({ form, id, ...at }) => ({ id, form, at })), ...kept.map(keptFree)];
	const found: Laid[] = [];
	for (const one of candidates) {
		const { laid } = layOutlines([one], { everyDeg: 15, footMm: 0 }, templates, pinned);
		found.push(...laid);
		if (found.length >= most) break;
	}
	return found;
}
