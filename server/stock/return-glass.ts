import { BOUGHT_SINGLY } from "@core/stock/kinds";
import { glass, stockItem } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { inTheBook } from "../house/refusal";
import { recordStock } from "./models/take";

/** Glass comes back: an offcut where somebody knows what it is, set apart where nobody does: that is never cut for a kit. */
export const returnGlass: UseCase<"returnGlass"> = async (
	context,
	{ itemId, eventId, glassId, name, place, ...sides },
) => {
	const { tx } = context;
	if (glassId) inTheBook((await tx.select().from(glass).where(eq(glass.id, glassId)))[0], "glass");
	const row = {
		id: itemId,
		kind: glassId ? ("offcut" as const) : ("apart" as const),
		glassId,
		name: name || (glassId ? "" : "unknown glass"),
		...sides,
		sizeMm: null,
		place,
		...BOUGHT_SINGLY,
		fromItemId: null,
	};
	await tx.insert(stockItem).values(row).onConflictDoNothing();
	await recordStock(context, [{ eventId, itemId, reason: "returned", change: 1, note: "" }]);
	return { itemId };
};
