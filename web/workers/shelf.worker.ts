import type { Ring } from "@core/geometry/region";
import { fitsBeside } from "@core/loading/fits-beside";
import { otherHalf } from "@core/loading/halves";
import type { Reached } from "@core/loading/heat-there";
import { kilnFor, layByFamily } from "@core/loading/lay-by-family";
import type { TiersLaid } from "@core/loading/lay-on-tiers";
import type { Shelved } from "@core/loading/lay-problems";
import { USUAL_LAY_PASSES } from "@core/loading/outlines/best-laid";
import { formOf } from "@core/loading/outlines/form";
import type { Uneven } from "@core/loading/outlines/to-middle";
import { type Tiered, tiersOf } from "@core/loading/tiers";
import { expose } from "comlink";

export interface ToLayAnew {
	id: string;
	familyId: string;
	outline: Ring;
	standsMm: number;
	/** Less is promised sooner. */
	rank: number;
}

/** What pieces are laid into. */
export interface LayInto {
	kiln: Tiered & { uneven: readonly Uneven[] };
	clearanceMm: number;
	/** Of one family, or of two on halves. */
	reached: readonly Reached[];
}

type Outlined = Shelved & { outline: Ring; standsMm: number; familyId: string };
const formed = ({ outline, ...one }: Outlined) => ({ ...one, form: formOf(outline) });

/** What takes longer than a frame on the shelf map. */
const layer = {
	/** Everything laid anew round what is pinned, on as few shelves as hold it. */
	again(pieces: ToLayAnew[], pinned: Outlined[], { kiln, clearanceMm, reached }: LayInto): TiersLaid {
		return layByFamily({
			pieces: pieces.map(({ outline, ...one }) => ({ ...one, form: formOf(outline) })),
			pinned: pinned.map(formed),
			...{ kiln, clearanceMm, reached, passes: USUAL_LAY_PASSES, uneven: kiln.uneven },
		});
	},
	/** Which of these would fit beside what lies on one shelf of so many, and where. */
	gaps(
		candidates: ToLayAnew[],
		there: Outlined[],
		{ kiln, clearanceMm, reached }: LayInto,
		shelf: number,
		of: number,
	): Shelved[] {
		const tier = tiersOf(kilnFor(kiln, reached.length), of)[shelf];
		if (!tier) return [];
		const low = candidates.filter(({ standsMm }) => standsMm <= tier.clearHeightMm);
		return reached.flatMap(({ family }, half) =>
			fitsBeside(
				low.filter(({ familyId }) => familyId === family.id).map(({ id, outline }) => ({ id, form: formOf(outline) })),
				there.filter((one) => one.shelf === shelf).map(formed),
				tier.shelf,
				clearanceMm,
				{ kept: reached.length > 1 ? [otherHalf(tier.shelf, half)] : [] },
			).map((one) => ({ ...one, shelf })),
		);
	},
};
export type ShelfLayer = typeof layer;
expose(layer);
