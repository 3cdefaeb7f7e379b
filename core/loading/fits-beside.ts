import { keptFree } from "./outlines/kept-free";
import { layOutlines } from "./outlines/lay-outlines";
import { Templates } from "./outlines/templates";
import type { Uneven } from "./outlines/to-middle";
import type { PlacedForm, Placement, ShelfPiece } from "./placement";
import type { Shelf } from "./shelf";

/** Where each of some pieces would fit beside what lies on a shelf, alone; those that fit nowhere are left out. */
export function fitsBeside(
	candidates: readonly Pick<ShelfPiece, "id" | "form">[],
	there: readonly PlacedForm[],
	shelf: Shelf,
	clearanceMm: number,
	{ most = 12, kept = [] }: { most?: number; kept?: readonly Uneven[] } = {},
): Placement[] {
	const templates = new Templates(shelf, clearanceMm);
	const pinned = [...there, ...kept.map(keptFree)];
	const found: Placement[] = [];
	for (const one of candidates) {
		const { laid } = layOutlines([{ ...one, everyAngle: true }], { kind: "top", footMm: 0 }, templates, pinned);
		found.push(...laid);
		if (found.length >= most) break;
	}
	return found;
}
