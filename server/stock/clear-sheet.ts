import type { KeptPlan } from "@core/cutting/plan/kept";
import { restsToKeep } from "@core/cutting/plan/rests-to-keep";
import { BOUGHT_SINGLY } from "@core/stock/kinds";
import { lockPlan, lockRuns } from "@db/queries/stock";
import { cutPlan, stockItem } from "@db/schema";
import type { UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { saved } from "../house/saved";
import { usedIn } from "./models/lines";
import { recordStock } from "./models/take";

/** A sheet is done with: those of its rests that somebody keeps become offcuts on the rack. */
export const clearSheet: UseCase<"clearSheet"> = async (context, { planId, revision, sheet: index, place, keep }) => {
	const { tx } = context;
	const { document, glassId, runIds } = inTheBook(await lockPlan(tx, planId), "plan");
	const sheet = inTheBook(document.sheets[index], "sheet");
	const rests = restsToKeep(document, index, usedIn(await lockRuns(tx, runIds)));
	if (!rests)
		throw new Refusal("conflict", "The plan goes on with what is left of this sheet. Begin to cut that first.");
	const plan: KeptPlan = {
		...document,
		sheets: document.sheets.map((one, i) => (i === index ? { ...one, cleared: true } : one)),
	};
	const next = await saved("this plan", tx, cutPlan, { id: planId, document: plan }, revision);
	if (sheet.cleared) return { planId, revision: next };
	for (const { itemId, rest: at, name } of keep) {
		const rest = rests[at];
		if (!rest) throw new Refusal("conflict", "This sheet has no such rest any more. Look again.");
		const [widthMm, heightMm] = sheet.turned ? [rest.heightMm, rest.widthMm] : [rest.widthMm, rest.heightMm];
		await tx
			.insert(stockItem)
			.values({
				...{ id: itemId, kind: "offcut" as const, glassId, name, widthMm, heightMm, sizeMm: null, place },
				...BOUGHT_SINGLY,
				fromItemId: sheet.from.kind === "rest" ? null : sheet.from.itemId,
			})
			.onConflictDoNothing();
		await recordStock(context, [{ eventId: itemId, itemId, reason: "returned", change: 1, note: "rest of a sheet" }]);
	}
	return { planId, revision: next };
};
