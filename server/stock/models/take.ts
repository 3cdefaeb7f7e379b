import { type StockReason, unitOf } from "@core/stock/kinds";
import { type LockedItem, lockStock, recordWith, writeRecords } from "@db/queries/stock-book";
import type { Context } from "../../house/context";
import { inTheBook, Refusal } from "../../house/refusal";

/** A change of an amount: more than 0 comes, less goes. */
export interface Change {
	eventId: string;
	itemId: string;
	reason: StockReason;
	change: number;
	note: string;
}

/**
 * Records what comes and goes, all of it or none; what was recorded before is not counted again.
 * @returns what there is of each afterwards
 * @throws Refusal where more would be taken than there is
 */
export async function recordStock(
	{ tx, now, actor }: Context,
	changes: readonly Change[],
): Promise<Map<string, number>> {
	const items = await lockStock(
		tx,
		changes.map(({ itemId }) => itemId),
	);
	const left = new Map([...items].map(([id, { amount }]) => [id, amount]));
	for (const { eventId, itemId, reason, change, note } of changes) {
		const item = inTheBook(items.get(itemId), "thing");
		if (await isSentAgain(tx, { eventId, itemId, reason })) continue;
		const have = left.get(itemId) ?? 0;
		const after = Math.round((have + change) * 1000) / 1000;
		if (after < 0)
			throw new Refusal(
				"conflict",
				`Of “${item.called}” there are ${amountWords(have, item)} in the book, not ${amountWords(-change, item)}. Count what stands there and write that down first.`,
			);
		left.set(itemId, after);
		await writeRecords(tx, [{ id: eventId, itemId, reason, change, at: now, actorName: actor.name, note }]);
	}
	return left;
}

/** Whether this was recorded before. @throws Refusal where the number is that of another record */
export async function isSentAgain(
	tx: Context["tx"],
	{ eventId, itemId, reason }: Pick<Change, "eventId" | "itemId" | "reason">,
): Promise<boolean> {
	const again = await recordWith(tx, eventId);
	if (again && (again.itemId !== itemId || again.reason !== reason))
		throw new Refusal("conflict", "This was sent under the number of another record: nothing was written.");
	return again !== undefined;
}

const amountWords = (amount: number, { kind }: LockedItem): string =>
	unitOf(kind) === "g" ? `${amount} g` : String(amount);
