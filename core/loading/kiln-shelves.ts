import type { KilnFixture, KilnZone, ShelfShape, UpperShelf } from "../kiln/record";
import { unevenOf } from "./outlines/to-middle";
import { postsOf } from "./shelf";
import type { KilnShelves } from "./tiers";

/** What a kiln's record says of its room: the same words in a row of the book and on a card. Lengths mm. */
export interface KilnRoom {
	shelfWidthMm: number;
	shelfHeightMm: number;
	marginMm: number;
	shelfShape: ShelfShape;
	fixtures: readonly KilnFixture[];
	clearHeightMm: number;
	upper: readonly UpperShelf[];
	zones: readonly KilnZone[];
}

/** A kiln as it is loaded: a record counts from the far left corner, a load from the near one. */
export const kilnShelvesOf = (room: KilnRoom): KilnShelves => ({
	shelf: {
		widthMm: room.shelfWidthMm,
		heightMm: room.shelfHeightMm,
		marginMm: room.marginMm,
		shape: room.shelfShape,
		posts: postsOf(room.fixtures, room.shelfHeightMm),
	},
	clearHeightMm: room.clearHeightMm,
	upper: room.upper,
	uneven: unevenOf(room.zones, room.shelfHeightMm),
});
