import { randomUUID } from "node:crypto";
import { BOUGHT_SINGLY } from "@core/stock/kinds";
import { keyOf } from "@core/stock/to-buy";
import { finishLot, lockLot, writeLot } from "@db/queries/bags";
import { lockFiring } from "@db/queries/firings";
import { loadStock } from "@db/queries/stock-book";
import { stockItem } from "@db/schema";
import type { UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { recordStock } from "./models/take";

/** So many parts are wanted that have to be fired first. */
export const orderLot: UseCase<"orderLot"> = async ({ tx, now }, { lotId, ...lot }) => {
	await writeLot(tx, { id: lotId, ...lot, wantedAt: now });
	return { lotId };
};

/** A lot is out of the kiln: its good parts are stock. */
export const endLot: UseCase<"endLot"> = async (context, { lotId, made }) => {
	const { tx, now } = context;
	const lot = inTheBook(await lockLot(tx, lotId), "lot");
	if (lot.onFamilyId !== null) throw new Refusal("invalid", "This is a strain test: read it in the book of families.");
	if (lot.firedAt) return { made: lot.made ?? 0 }; // the same press sent twice
	if (made > lot.count)
		throw new Refusal("invalid", [
			{ path: ["made"], sentence: `${lot.count} were ordered: no more than these can be good.` },
		]);
	if (made > 0 && lot.firingId && (await lockFiring(tx, lot.firingId))?.state !== "opened")
		throw new Refusal("conflict", "Its firing is not opened yet: nothing of it is good before.");
	await finishLot(tx, lotId, now, made);
	if (made === 0) return { made };
	const thing = { kind: "component" as const, glassId: lot.glassId, sizeMm: lot.sizeMm, widthMm: null, heightMm: null };
	const name = lot.glassId ? "" : lot.name;
	const known = (await loadStock(tx)).find((one) => !one.retired && keyOf(one) === keyOf({ ...thing, name }));
	const itemId = known?.id ?? randomUUID();
	if (!known)
		await tx.insert(stockItem).values({
			...{ ...thing, id: itemId, name, place: "", ...BOUGHT_SINGLY },
			fromItemId: null,
		});
	await recordStock(context, [{ eventId: lotId, itemId, reason: "returned", change: made, note: "out of the kiln" }]);
	return { made };
};
