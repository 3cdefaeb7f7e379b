import { randomUUID } from "node:crypto";
import { madeOfDot } from "@core/kit/dot-glasses";
import { firedParts } from "@core/kit/fired-parts";
import { BOUGHT_SINGLY } from "@core/stock/kinds";
import { firedThing } from "@core/stock/needs";
import { keyOf } from "@core/stock/to-buy";
import { finishLot, lockLot, writeLot } from "@db/queries/bags";
import { lockFiring } from "@db/queries/firings";
import { runKit } from "@db/queries/stock";
import { loadStock } from "@db/queries/stock-book";
import { stockItem } from "@db/schema";
import type { Context, UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { recordStock } from "./models/take";

/** So many parts are wanted that have to be fired first: dots, or parts as a kit draws them. */
export const orderLot: UseCase<"orderLot"> = async ({ tx, now }, { lotId, of, ...lot }) => {
	await writeLot(tx, { id: lotId, ...lot, ...(of && (await drawnPart(tx, of))), wantedAt: now });
	return { lotId };
};

/** What a kit says of one of its fired parts, in its colours. */
async function drawnPart(tx: Context["tx"], { cutRunId, madeOf }: { cutRunId: string; madeOf: string }) {
	const { document, glasses, kitVersionId, paletteId } = inTheBook(await runKit(tx, cutRunId), "cut list");
	const part = firedParts(document, glasses).find((one) => one.madeOf === madeOf);
	if (!part) throw new Refusal("conflict", "The kit has this part no more. Look again.");
	const { name, glassId, sizeMm, level, componentId } = part;
	return {
		name,
		glassId,
		sizeMm,
		level,
		madeOf,
		...(componentId !== null && { kitVersionId, paletteId, componentId }),
	};
}

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
	const { glassId, sizeMm, madeOf } = lot;
	const named = firedThing(lot.name, { glassId, sizeMm, madeOf: madeOf ?? madeOfDot(glassId ?? "", sizeMm ?? 0) });
	const thing = madeOf === null && glassId === null ? { ...named, madeOf: null } : named;
	const known = (await loadStock(tx)).find((one) => !one.retired && keyOf(one) === keyOf(thing));
	const itemId = known?.id ?? randomUUID();
	if (!known)
		await tx.insert(stockItem).values({ ...thing, id: itemId, place: "", ...BOUGHT_SINGLY, fromItemId: null });
	await recordStock(context, [{ eventId: lotId, itemId, reason: "returned", change: made, note: "out of the kiln" }]);
	return { made };
};
