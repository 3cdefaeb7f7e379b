import { glass, stockItem } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { inTheBook } from "../house/refusal";
import { saved } from "../house/saved";
import { recordStock } from "./models/take";

/** Writes down what the studio keeps of something; what it has of it comes as a first count. */
export const saveStock: UseCase<"saveStock"> = async (context, { item, revision, amount }) => {
	const { tx } = context;
	const its = item.glassId ? await tx.select().from(glass).where(eq(glass.id, item.glassId)) : [];
	const called = item.glassId ? inTheBook(its[0], "glass").name : item.name;
	const next = await saved(called, tx, stockItem, item, revision);
	if (revision === 0 && amount)
		// Its own id: the same save sent twice counts once.
		await recordStock(context, [
			{ eventId: item.id, itemId: item.id, reason: "counted", change: amount, note: "written down" },
		]);
	return { itemId: item.id, revision: next };
};
