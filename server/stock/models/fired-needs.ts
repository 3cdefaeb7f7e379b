import type { FiredNeed } from "@contract/lots";
import { sparesFor } from "@core/cutting/count";
import type { Spares } from "@core/cutting/spares";
import { groupBy } from "@core/group-by";
import { firedParts } from "@core/kit/fired-parts";
import { firedThing } from "@core/stock/needs";
import { keyOf } from "@core/stock/to-buy";
import type { bagsOf } from "@db/queries/bags";
import type { loadStock } from "@db/queries/stock-book";
import type { componentLot } from "@db/schema";
import type { cutBook } from "./cut-book";

type Run = Awaited<ReturnType<typeof cutBook>>["runs"][number];
type Bag = Awaited<ReturnType<typeof bagsOf>>[number];
type Lot = typeof componentLot.$inferSelect;

/** What the bags of some lists take that is fired first: how much lies in the drawer, how much is on its way. */
export function firedNeeds(
	runs: readonly Run[],
	items: Awaited<ReturnType<typeof loadStock>>,
	lots: readonly Lot[],
	spares: Spares,
	bags: readonly Pick<Bag, "taken">[],
): FiredNeed[] {
	const all = runs.flatMap((run) =>
		firedParts(run.kit, run.dotGlasses).map((part) => ({ part, run, wanted: part.perKit * run.kits })),
	);
	return [...groupBy(all, ({ part }) => part.madeOf).values()].map((same): FiredNeed => {
		const [{ part, run }] = same as [(typeof all)[number]];
		const { name, madeOf, level, glassId, sizeMm, componentId, parts } = part;
		const thing = firedThing(name, part);
		const wanted = same.reduce((sum, one) => sum + one.wanted, 0);
		const square = componentId === null && parts[0] && "shape" in parts[0] ? parts[0].shape : undefined;
		const its = items.filter((item) => keyOf(item) === keyOf(thing));
		const ofIt = (lot: Lot) =>
			lot.madeOf ? lot.madeOf === madeOf : componentId === null && lot.glassId === glassId && lot.sizeMm === sizeMm;
		return {
			...{ name, madeOf, level, glassId, sizeMm, wanted, cutRunId: run.id },
			squareMm: square?.kind === "square" ? square.sideMm : null,
			spares: sparesFor({ kind: "square", sideMm: sizeMm }, wanted, spares),
			packed: bags.reduce((sum, { taken }) => sum + its.reduce((all, { id }) => all + (taken[id] ?? 0), 0), 0),
			have: its.filter(({ retired }) => !retired).reduce((sum, { amount }) => sum + amount, 0),
			coming: lots.filter(ofIt).reduce((sum, { count }) => sum + count, 0),
		};
	});
}
