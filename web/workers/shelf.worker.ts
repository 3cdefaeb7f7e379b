import type { Ring } from "@core/geometry/region";
import { fitsBeside } from "@core/loading/fits-beside";
import { otherHalf } from "@core/loading/halves";
import type { Reached } from "@core/loading/heat-there";
import { kilnFor, layByFamily } from "@core/loading/lay-by-family";
import { isFuller, type TiersLaid } from "@core/loading/lay-on-tiers";
import { USUAL_LAY_PASSES } from "@core/loading/outlines/best-laid";
import { formOf } from "@core/loading/outlines/form";
import type { KilnPlacement, PlacedPiece, ShelfPiece } from "@core/loading/placement";
import { type KilnShelves, tiersOf } from "@core/loading/tiers";
import { expose } from "comlink";

/** As it is sent: the other side makes the form from its outline. */
type Outlined<P> = Omit<P, "form"> & { outline: Ring };
export type Sent = Outlined<ShelfPiece>;
export type SentPlaced = Outlined<PlacedPiece>;

/** What pieces are laid into. */
export interface LayInto {
	kiln: KilnShelves;
	clearanceMm: number;
	/** Of one family, or of two on halves. */
	reached: readonly Reached[];
}

/** A shelf is laid further in so many rounds of so many layings. */
const ROUNDS = 16;
const ROUND_PASSES = 240;

const formed = <P extends { outline: Ring }>({ outline, ...one }: P) => ({ ...one, form: formOf(outline) });

/** What takes longer than a frame on the shelf map. */
const layer = {
	/** Everything laid anew round what is pinned, on as few shelves as hold it. */
	again(pieces: Sent[], pinned: SentPlaced[], { kiln, clearanceMm, reached }: LayInto): TiersLaid {
		return layByFamily({
			pieces: pieces.map((one) => formed(one)),
			pinned: pinned.map((one) => formed(one)),
			...{ kiln, clearanceMm, reached, passes: USUAL_LAY_PASSES },
		});
	},
	/**
	 * The same laid over and over, each round from another beginning.
	 * @param leftIds what finds no room as it lies now
	 * @param tell what is fuller than that and than all before, and how much is done, 0 to 1
	 */
	async goOn(
		pieces: Sent[],
		pinned: SentPlaced[],
		{ kiln, clearanceMm, reached }: LayInto,
		leftIds: string[],
		tell: (found: TiersLaid | undefined, share: number) => void,
	) {
		const task = {
			pieces: pieces.map((one) => formed(one)),
			pinned: pinned.map((one) => formed(one)),
			kiln,
			clearanceMm,
			reached,
		};
		let best: TiersLaid = { laid: [], leftIds, shelves: 0 };
		for (let round = 1; round <= ROUNDS; round++) {
			const found = layByFamily({ ...task, passes: ROUND_PASSES, seed: round + 1 });
			const isBetter = isFuller(found, best, task.pieces);
			if (isBetter) best = found;
			await tell(isBetter ? found : undefined, round / ROUNDS);
		}
	},
	/** Which of these would fit beside what lies on one shelf of so many, and where. */
	gaps(
		candidates: Sent[],
		there: SentPlaced[],
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
				there.filter((one) => one.shelf === shelf).map((one) => formed(one)),
				tier.shelf,
				clearanceMm,
				{ kept: reached.length > 1 ? [otherHalf(tier.shelf, half)] : [] },
			).map((one) => ({ ...one, shelf })),
		);
	},
};
export type ShelfLayer = typeof layer;
expose(layer);
