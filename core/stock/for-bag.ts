import type { BagLine } from "../cutting/bag";
import type { StockItem } from "./kinds";
import { needsOf } from "./needs";
import { keyOf } from "./to-buy";

/**
 * What a bag takes of the stock for the things in it that are weighed or counted out: frit, loops, foil, fired dots. Cut glass was taken
 * with its sheet, threads with their rod. Never more than there is: who packs has it in hand, whatever the book says.
 * @returns pieces or grams by the item's id
 */
export function forBag(
	inIt: readonly BagLine[],
	items: readonly (StockItem & { amount: number })[],
): Record<string, number> {
	const lines = inIt.flatMap(({ cut, count }) =>
		cut ? [{ ...cut, needed: count, spares: 0, done: 0, broken: 0 }] : [],
	);
	const taken: Record<string, number> = {};
	for (const need of needsOf(lines, []).filter(({ kind }) => kind !== "thread")) {
		let left = need.amount;
		for (const item of items.filter((one) => keyOf(one) === keyOf(need))) {
			const some = Math.min(left, item.amount - (taken[item.id] ?? 0));
			if (some <= 0) continue;
			taken[item.id] = round((taken[item.id] ?? 0) + some);
			left = round(left - some);
		}
	}
	return taken;
}

const round = (amount: number): number => Math.round(amount * 1000) / 1000;
