import type { Ring } from "@core/geometry/region";
import { fitsBeside } from "@core/loading/fits-beside";
import { otherHalf } from "@core/loading/halves";
import type { Reached } from "@core/loading/heat-there";
import { kilnFor, layByFamily } from "@core/loading/lay-by-family";
import type { TiersLaid } from "@core/loading/lay-on-tiers";
import { USUAL_LAY_PASSES } from "@core/loading/outlines/best-laid";
import { formOf } from "@core/loading/outlines/form";
import type { KilnPlacement, PlacedPiece, ShelfPiece } from "@core/loading/placement";
import { type KilnShelves, tiersOf } from "@core/loading/tiers";
import { expose } from "comlink";

/** As it is sent: the other side makes the form from its outline. */
type Sent<P> = Omit<P, "form"> & { outline: Ring };

/** What pieces are laid into. */
export interface LayInto {
	kiln: KilnShelves;
	clearanceMm: number;
	/** Of one family, or of two on halves. */
	reached: readonly Reached[];
}

const formed = <P>({ outline, ...one }: Sent<P>) => ({ ...one, form: formOf(outline) });

/** What takes longer than a frame on the shelf map. */
const layer = {
	/** Everything laid anew round what is pinned, on as few shelves as hold it. */
	again(pieces: Sent<ShelfPiece>[], pinned: Sent<PlacedPiece>[], { kiln, clearanceMm, reached }: LayInto): TiersLaid {
		return layByFamily({
			pieces: pieces.map(formed),
			pinned: pinned.map(formed),
			...{ kiln, clearanceMm, reached, passes: USUAL_LAY_PASSES },
		});
	},
	/** Which of these would fit beside what lies on one shelf of so many, and where. */
	gaps(
		candidates: Sent<ShelfPiece>[],
		there: Sent<PlacedPiece>[],
		{ kiln, clearanceMm, reached }: LayInto,
		shelf: number,
		of: number,
	): KilnPlacement[] {
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
