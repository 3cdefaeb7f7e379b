import { otherHalf } from "./halves";
import { barredOn, type Reached } from "./heat-there";
import { layOnTiers, type TiersLaid } from "./lay-on-tiers";
import type { PlacedPiece, ShelfPiece } from "./placement";
import { type KilnShelves, shelvesUsed, type Tier, tiersOf } from "./tiers";

interface FamilyTask {
	/** In the order of their promises. */
	pieces: readonly ShelfPiece[];
	pinned?: readonly PlacedPiece[];
	kiln: KilnShelves;
	clearanceMm: number;
	passes: number;
	seed?: number;
	/** One family; or two, on the left half and on the right. */
	reached: readonly Reached[];
}

/** Two families lie on halves of one shelf, whatever shelves there are above it. */
export const kilnFor = <K extends KilnShelves>(kiln: K, families: number): K =>
	families < 2 ? kiln : { ...kiln, shelf: (tiersOf(kiln, 1)[0] as Tier).shelf, upper: [] };

/** Everything laid where its family lies and its level is kept. */
export function layByFamily({ pieces, pinned = [], kiln, reached, ...task }: FamilyTask): TiersLaid {
	const into = kilnFor(kiln, reached.length);
	const all = reached.map((its, half) =>
		layOnTiers({
			...{ ...task, kiln: into },
			pieces: pieces.filter(({ familyId }) => familyId === its.family.id),
			pinned: pinned.filter(({ familyId }) => familyId === its.family.id),
			barred: (tier) => {
				const barred = barredOn(tier, into.uneven ?? [], its);
				return barred && (reached.length > 1 ? [...barred, otherHalf(into.shelf, half)] : barred);
			},
		}),
	);
	const laid = all.flatMap((one) => one.laid);
	return { laid, leftIds: all.flatMap(({ leftIds }) => leftIds), shelves: shelvesUsed([...laid, ...pinned]) };
}
