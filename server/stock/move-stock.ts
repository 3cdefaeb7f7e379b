import type { UseCase } from "../house/context";
import { recordStock } from "./models/take";

/** So much came or went, by one press. */
export const moveStock: UseCase<"moveStock"> = async (context, { eventId, itemId, reason, amount, note }) => {
	const change = reason === "bought" || reason === "returned" ? amount : -amount;
	const left = await recordStock(context, [{ eventId, itemId, reason, change, note }]);
	return { amount: left.get(itemId) ?? 0 };
};
