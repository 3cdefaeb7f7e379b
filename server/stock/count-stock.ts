import { lockStock, writeRecords } from "@db/queries/stock-book";
import type { UseCase } from "../house/context";
import { inTheBook } from "../house/refusal";
import { isSentAgain } from "./models/take";

/** What was counted on the shelves is so; the difference from what the book thought is a record. */
export const countStock: UseCase<"countStock"> = async ({ tx, now, actor }, { counts }) => {
	const items = await lockStock(
		tx,
		counts.map(({ itemId }) => itemId),
	);
	let changed = 0;
	for (const { eventId, itemId, amount } of counts) {
		const { amount: before } = inTheBook(items.get(itemId), "thing");
		if (await isSentAgain(tx, { eventId, itemId, reason: "counted" })) continue;
		if (amount !== before) changed++;
		const change = Math.round((amount - before) * 1000) / 1000;
		await writeRecords(tx, [
			{ id: eventId, itemId, reason: "counted", change, at: now, actorName: actor.name, note: `counted: ${amount}` },
		]);
	}
	return { changed };
};
