import { type HalfProblem, halfProblems } from "./halves";
import { type HeatProblem, heatProblems, type Reached } from "./heat-there";
import { kilnFor } from "./lay-by-family";
import { type LayProblem, problemsOf, shelvedProblems } from "./lay-problems";
import type { PlacedPiece } from "./placement";
import { type KilnShelves, mostTiers, shelvesUsed, tiersOf } from "./tiers";

/** What may be wrong with where a piece lies. */
export type LoadProblem = LayProblem | HeatProblem | HalfProblem | { kind: "noShelf"; id: string };

interface Into {
	kiln: KilnShelves;
	clearanceMm: number;
	reached: readonly Reached[];
}

/**
 * Everything that is wrong with a load as it lies: edges, posts, neighbours, heights, heat, and halves of two families.
 * @param used how many shelves it lies on, with a piece that is in the hand
 */
export const loadProblems = (all: readonly PlacedPiece[], into: Into, used = shelvesUsed(all)): LoadProblem[] => [
	...shelvedProblems(all, tiersOf(kilnFor(into.kiln, into.reached.length), used), into.clearanceMm),
	...problemsByPlace(all, all, into),
];

/** The same for one piece in the hand among others: what is wrong between those does not change with it. */
export function heldProblems(one: PlacedPiece, others: readonly PlacedPiece[], into: Into): LoadProblem[] {
	const all = [...others, one];
	const tier = tiersOf(kilnFor(into.kiln, into.reached.length), shelvesUsed(all))[one.shelf];
	const beside = others.filter(({ shelf }) => shelf === one.shelf);
	return [
		...(tier ? problemsOf(one, beside, tier.shelf, into.clearanceMm) : []),
		...(tier && one.standsMm > tier.clearHeightMm ? [{ kind: "tall" as const, id: one.id }] : []),
		...problemsByPlace([one], all, into),
	];
}

/** What is wrong with the place of each of some pieces, whatever lies beside it. @param all that lie in the kiln */
function problemsByPlace(
	some: readonly PlacedPiece[],
	all: readonly PlacedPiece[],
	{ kiln, reached }: Into,
): LoadProblem[] {
	const into = kilnFor(kiln, reached.length);
	const tiers = tiersOf(into, shelvesUsed(all));
	const most = mostTiers(into);
	const familyOf = new Map(some.map(({ id, familyId }) => [id, familyId]));
	const halfOf = (id: string) => reached.findIndex(({ family }) => family.id === familyOf.get(id));
	return [
		...some.filter(({ shelf }) => shelf >= most).map(({ id }) => ({ kind: "noShelf" as const, id })),
		...(reached.length > 1 ? halfProblems(some, into.shelf, halfOf) : []),
		...reached.flatMap((its) =>
			heatProblems(
				some.filter(({ familyId }) => familyId === its.family.id),
				tiers,
				kiln.uneven ?? [],
				its,
			),
		),
	];
}
