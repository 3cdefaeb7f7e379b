import type { BagLine } from "../cutting/bag";
import type { CountedLine } from "../cutting/glass-lists";
import type { StockItem } from "./kinds";
import { firedThing, needsOf } from "./needs";
import { keyOf, type StockNeed } from "./to-buy";

/**
 * What a bag takes of the stock for the things in it that are weighed, measured or counted out: frit, threads as a part of their rod,
 * loops, foil, fired dots. Cut glass was taken with its sheet. Never more than there is: who packs has it in hand, whatever the book says.
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
	const needs = [
		...needsOf(lines, []).filter(({ kind }) => kind !== "thread"),
		...threadsOf(lines, items),
		...inIt.flatMap(({ fired, words, count }) => (fired ? [{ ...firedThing(words, fired), amount: count }] : [])),
	];
	for (const need of needs) {
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

/** Threads by the part of a rod that each length is. */
function threadsOf(
	lines: readonly CountedLine[],
	items: readonly Pick<StockItem, "kind" | "glassId" | "sizeMm">[],
): StockNeed[] {
	return lines.flatMap(({ kind, glassId, amount, needed }) => {
		const rod = items.find((one) => one.kind === "thread" && one.glassId === glassId)?.sizeMm;
		if (kind !== "thread" || !rod || !amount || !("mm" in amount)) return [];
		const rods = round((needed * amount.mm) / rod);
		return [{ kind, glassId, name: "", widthMm: null, heightMm: null, sizeMm: rod, amount: rods }];
	});
}

const round = (amount: number): number => Math.round(amount * 1000) / 1000;
