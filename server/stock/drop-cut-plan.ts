import { cutSoFar } from "@core/cutting/plan/cut-so-far";
import { lockPlan, lockRuns } from "@db/queries/stock";
import { cutPlan, glass } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { usedIn } from "./models/lines";
import { takeForPlan } from "./models/plan-stock";

/** Nobody cuts by a plan after all: its glass goes back, so long as nothing of it is cut. */
export const dropCutPlan: UseCase<"dropCutPlan"> = async (context, { planId }) => {
	const { tx } = context;
	const plan = await lockPlan(tx, planId);
	if (!plan) return { dropped: true }; // gone already: the same press sent twice
	const rows = await lockRuns(tx, plan.runIds);
	if (cutSoFar(plan.document, usedIn(rows)).begun.length > 0)
		throw new Refusal("conflict", "Something is cut by this plan already. Plan the rest again instead.");
	const its = inTheBook((await tx.select().from(glass).where(eq(glass.id, plan.glassId)))[0], "glass");
	await takeForPlan(context, its, plan.document.sheets, []);
	await tx.delete(cutPlan).where(eq(cutPlan.id, planId));
	return { dropped: true };
};
