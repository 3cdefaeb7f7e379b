import { type Rest, restsOf } from "./figures";
import { type KeptPlan, usedByPlan } from "./kept";
import { progressOf } from "./progress";
import { isAbove } from "./rest-above";

/**
 * Rests of a sheet of a plan that can go onto the rack: all of them, but for what another sheet of the plan is cut from. Undefined while
 * nobody has begun that one: planned anew it may be cut otherwise.
 * @param usedOf parts cut of a blank by its key, those that broke with them
 */
export function restsToKeep(plan: KeptPlan, index: number, usedOf: (key: string) => number): Rest[] | undefined {
	const sheet = plan.sheets[index];
	if (!sheet) return [];
	const rests = restsOf(sheet, plan.rules);
	const further = plan.sheets.findIndex(({ from }) => from.kind === "rest" && from.of === index);
	if (further < 0) return rests;
	const progress = progressOf(plan, plan.blanks, usedByPlan(plan, usedOf));
	const isBegun = plan.sheets[further]?.cleared || progress.some(({ sheet: at, done }) => at === further && done > 0);
	return isBegun ? rests.filter((rest) => !isAbove(rest, sheet, plan.rules)) : undefined;
}
