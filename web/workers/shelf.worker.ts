import type { Ring } from "@core/geometry/region";
import { fitsBeside } from "@core/loading/fits-beside";
import type { Laid } from "@core/loading/lay-problems";
import { bestLaid, USUAL_LAY_PASSES } from "@core/loading/outlines/best-laid";
import { formOf } from "@core/loading/outlines/form";
import type { Shelf } from "@core/loading/shelf";
import { expose } from "comlink";

export interface ToLayAnew {
	id: string;
	outline: Ring;
	/** Less is promised sooner. */
	rank: number;
}

/** What takes longer than a frame on the shelf map. */
const layer = {
	/** Everything laid anew round what is pinned. */
	again(pieces: ToLayAnew[], pinned: (Laid & { outline: Ring })[], shelf: Shelf, clearanceMm: number): Laid[] {
		const found = bestLaid({
			pieces: pieces.map(({ outline, ...one }) => ({ ...one, form: formOf(outline) })),
			pinned: pinned.map(({ id, outline, ...at }) => ({ id, form: formOf(outline), at })),
			...{ shelf, clearanceMm, passes: USUAL_LAY_PASSES },
		});
		return found.laid;
	},
	/** Which of these would fit beside what lies there, and where. */
	gaps(candidates: ToLayAnew[], there: (Laid & { outline: Ring })[], shelf: Shelf, clearanceMm: number): Laid[] {
		return fitsBeside(
			candidates.map(({ id, outline }) => ({ id, form: formOf(outline) })),
			there.map(({ outline, ...one }) => ({ ...one, form: formOf(outline) })),
			shelf,
			clearanceMm,
		);
	},
};
export type ShelfLayer = typeof layer;
expose(layer);
