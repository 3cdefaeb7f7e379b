import { randomUUID } from "node:crypto";
import type { KeptSheet } from "@core/cutting/plan/kept";
import { lockStock } from "@db/queries/stock-book";
import type { Context } from "../../house/context";
import { Refusal } from "../../house/refusal";
import { recordStock } from "./take";

/** Sheets and offcuts that a plan takes, by the stock they are of. */
function takenBy(sheets: readonly KeptSheet[]): Map<string, number> {
	const taken = new Map<string, number>();
	for (const { from } of sheets)
		if (from.kind !== "rest" && from.itemId !== null) taken.set(from.itemId, (taken.get(from.itemId) ?? 0) + 1);
	return taken;
}

/**
 * Takes from the stock what a plan needs beyond the one before it, and puts back what it leaves.
 * @throws Refusal where something is of another glass, was taken meanwhile, or is set apart
 */
export async function takeForPlan(
	context: Context,
	glass: { id: string; name: string },
	before: readonly KeptSheet[],
	after: readonly KeptSheet[],
): Promise<void> {
	const [had, has] = [takenBy(before), takenBy(after)];
	const ids = [...new Set([...had.keys(), ...has.keys()])];
	const items = await lockStock(context.tx, ids);
	for (const { from, sheet } of after) {
		const item = from.kind === "rest" || from.itemId === null ? undefined : items.get(from.itemId);
		if (item && (item.widthMm !== sheet.widthMm || item.heightMm !== sheet.heightMm))
			throw new Refusal("conflict", `“${item.called}” has another size in the stock than in this plan. Plan again.`);
	}
	const changes = ids.flatMap((itemId) => {
		const change = (had.get(itemId) ?? 0) - (has.get(itemId) ?? 0);
		const item = items.get(itemId);
		if (!item || item.glassId !== glass.id || (item.kind !== "sheet" && item.kind !== "offcut"))
			throw new Refusal("conflict", `A sheet of this plan is not ${glass.name} of the stock. Plan again.`);
		if (change < 0 && item.amount < -change)
			throw new Refusal(
				"conflict",
				`${item.kind === "offcut" ? `Offcut “${item.called}”` : `A sheet of ${item.called}`} was taken meanwhile for another plan. Plan again: your list is still here.`,
			);
		const reason = change < 0 ? ("taken" as const) : ("returned" as const);
		return change === 0 ? [] : [{ eventId: randomUUID(), itemId, reason, change, note: "cutting plan" }];
	});
	await recordStock(context, changes);
}
