import { type HalfProblem, halfProblems } from "./halves";
import { type HeatProblem, heatProblems, type Reached } from "./heat-there";
import { kilnFor } from "./lay-by-family";
import { type LayProblem, type ShelvedForm, shelvedProblems } from "./lay-problems";
import type { Uneven } from "./outlines/to-middle";
import { mostTiers, shelvesUsed, type Tiered, tiersOf } from "./tiers";

/** What may be wrong with where a piece lies. */
export type LoadProblem = LayProblem | HeatProblem | HalfProblem | { kind: "noShelf"; id: string };

/** Everything that is wrong with a load as it lies: edges, posts, neighbours, heights, heat, and halves of two families. */
export function loadProblems(
	all: readonly (ShelvedForm & { familyId: string })[],
	kiln: Tiered & { uneven?: readonly Uneven[] },
	clearanceMm: number,
	reached: readonly Reached[],
): LoadProblem[] {
	const into = kilnFor(kiln, reached.length);
	const most = mostTiers(into);
	const tiers = tiersOf(into, shelvesUsed(all));
	const halfOf = (id: string) => {
		const its = all.find((one) => one.id === id);
		return reached.findIndex(({ family }) => family.id === its?.familyId);
	};
	return [
		...all.filter(({ shelf }) => shelf >= most).map(({ id }) => ({ kind: "noShelf" as const, id })),
		...shelvedProblems(all, tiers, clearanceMm),
		...(reached.length > 1 ? halfProblems(all, into.shelf, halfOf) : []),
		...reached.flatMap((its) =>
			heatProblems(
				all.filter(({ familyId }) => familyId === its.family.id),
				tiers,
				kiln.uneven ?? [],
				its,
			),
		),
	];
}
