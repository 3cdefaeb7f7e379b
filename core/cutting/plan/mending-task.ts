import type { CountedLine, GlassList, RackItem } from "../glass-lists";
import { cutSoFar, notYetCut, stillToCut } from "./cut-so-far";
import { restId } from "./keep-plan";
import type { KeptPlan } from "./kept";
import { madeBy } from "./plan-problem";
import type { CutTask } from "./search";
import type { Blank } from "./types";

/** A glass's list, whatever its lines and plans hold besides. */
type List = Omit<GlassList<CountedLine, RackItem, never>, "kept">;

/** So many blanks of a list found no place in the plan that was made for it. */
export function tooLargeIn(plan: KeptPlan, wanted: readonly Blank[]): number {
	const made = madeBy(plan);
	const placed = (key: string) => made[plan.blanks.findIndex((one) => one.key === key)] ?? 0;
	return notYetCut(wanted, plan.before).reduce((sum, { key, count }) => sum + Math.max(0, count - placed(key)), 0);
}

/** What is left to cut of a plan, from the rests in hand, offcuts and sheets it had not begun, and the stock. */
export function mendingTask(list: List, plan: KeptPlan, usedOf: (key: string) => number) {
	const { wanted, sheet, stock } = list;
	const so = cutSoFar(plan, usedOf);
	const own = so.untouched.flatMap(({ from, sheet: its }) =>
		from.kind === "offcut" ? [{ ...its, id: from.itemId }] : [],
	);
	// Sheets of this plan that nobody began are as good as on the rack.
	const back = so.untouched.filter(({ from }) => from.kind === "whole" && from.itemId === stock?.itemId).length;
	const itsOwn = so.untouched.find(({ from }) => from.kind === "whole" && from.itemId)?.from;
	const wholes =
		stock ?? (itsOwn?.kind === "whole" && itsOwn.itemId ? { itemId: itsOwn.itemId, amount: 0 } : undefined);
	const amount = stock
		? stock.amount + back
		: so.untouched.filter(({ from }) => from.kind === "whole" && from.itemId).length;
	return {
		begun: so.begun,
		stock: wholes && { itemId: wholes.itemId, amount },
		task: {
			blanks: stillToCut(wanted, plan, so),
			offcuts: [
				...so.rests.map((rest) => ({ ...rest, id: restId(rest.id), inHand: true })),
				...own,
				...list.offcuts.map(({ id, widthMm, heightMm }) => ({ id, widthMm, heightMm })),
			],
			sheet,
			rules: plan.rules,
		} satisfies CutTask,
	};
}
