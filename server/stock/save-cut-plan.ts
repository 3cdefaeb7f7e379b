import { isDeepStrictEqual } from "node:util";
import { cutSoFar } from "@core/cutting/plan/cut-so-far";
import type { KeptPlan, KeptSheet } from "@core/cutting/plan/kept";
import { nestProblem } from "@core/cutting/plan/nest-problem";
import { madeBy, planProblem } from "@core/cutting/plan/plan-problem";
import type { Blank } from "@core/cutting/plan/types";
import type { CutShape } from "@core/geometry/shape";
import { lockPlan, lockRuns, otherPlanOf, writePlanRuns } from "@db/queries/stock";
import { cutPlan, glass } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { saved } from "../house/saved";
import { shapesOf, usedIn, wantedOf } from "./models/lines";
import { takeForPlan } from "./models/plan-stock";

const STAYS = "Nothing that is cut is lost.";

/** Begins to cut a glass by a plan, or goes on by another: what is cut stays where it is, the stock gives and takes the rest. */
export const saveCutPlan: UseCase<"saveCutPlan"> = async (context, { planId, revision, glassId, runIds, plan }) => {
	const { tx, studio, now, actor } = context;
	const rows = await lockRuns(tx, runIds);
	if (rows.length < runIds.length)
		throw new Refusal("conflict", `One of these cut lists is gone. Look again. ${STAYS}`);
	const its = inTheBook((await tx.select().from(glass).where(eq(glass.id, glassId)))[0], "glass");
	const other = await otherPlanOf(tx, planId, glassId, runIds);
	if (other !== undefined)
		throw new Refusal(
			"conflict",
			`${other} has begun to cut ${its.name} for this by another plan. Look again: yours would cut it twice.`,
		);
	const before = await lockPlan(tx, planId);
	if (before && (before.glassId !== glassId || !before.runIds.every((id) => runIds.includes(id))))
		throw new Refusal("conflict", `This plan is of other cut lists: it is changed from there. ${STAYS}`);
	const by = { rules: plan.rules, sheet: studio.customs.sheet, known: plan.blanks };
	const problem =
		planProblem(plan) ??
		listProblem(plan, wantedOf(rows, its, studio, by), !before) ??
		sawnProblem(plan, shapesOf(rows, studio));
	if (problem) throw new Refusal("conflict", problem);
	const isSent = before && isDeepStrictEqual(before.document, plan); // the same press sent twice
	if (before && !isSent && !keepsWhatIsCut(before.document, plan, usedIn(rows)))
		throw new Refusal(
			"conflict",
			`Somebody cut on meanwhile: this plan would move what is cut. Plan the rest again. ${STAYS}`,
		);
	const { startedAt = now, actorName = actor.name } = before ?? {};
	const begun = { id: planId, glassId, document: plan, startedAt, actorName };
	const next = await saved(its.name, tx, cutPlan, revision === 0 ? begun : { id: planId, document: plan }, revision);
	if (before?.revision !== next) {
		await writePlanRuns(tx, planId, glassId, runIds);
		await takeForPlan(context, its, before?.document.sheets ?? [], plan.sheets);
	}
	return { planId, revision: next };
};

/** A plan is for the list as it is: the same parts, as many of each as are wanted and none too few. */
function listProblem(plan: KeptPlan, wanted: readonly Blank[], isFirst: boolean): string | undefined {
	const made = madeBy(plan);
	for (const one of wanted) {
		const i = plan.blanks.findIndex(({ key }) => key === one.key);
		const { count, ...shape } = one;
		const { count: planned, ...its } = plan.blanks[i] ?? one;
		if (i < 0 || planned !== count || !isDeepStrictEqual(shape, its))
			return `The list was changed since this plan was made. Plan again. ${STAYS}`;
		if (isFirst && (made[i] ?? 0) > count) return `The plan makes more of a part than is wanted. Plan again. ${STAYS}`;
	}
	return undefined;
}

/** Outlines that are sawn apart are those of the kit, and the blade passes between them. */
function sawnProblem({ blanks, rules }: KeptPlan, shapeOf: (key: string) => CutShape | undefined): string | undefined {
	for (const one of blanks) {
		const shape = one.nest && shapeOf(one.key);
		// What is cut and not wanted any more has no shape on the list: it lies as it was kept.
		const problem = shape && nestProblem(one, shape, rules.kerfMm);
		if (problem) return `This plan cannot be sawn: ${problem} Plan again. ${STAYS}`;
	}
	return undefined;
}

/** Whether all that is cut by a plan is in the other one as it was. */
function keepsWhatIsCut(before: KeptPlan, after: KeptPlan, usedOf: (key: string) => number): boolean {
	const { begun } = cutSoFar(before, usedOf);
	return begun.every((sheet, i) => isSame(sheet, before, after.sheets[i], after));
}

function isSame(sheet: KeptSheet, before: KeptPlan, other: KeptSheet | undefined, after: KeptPlan): boolean {
	if (!other) return false;
	const named = ({ strips }: KeptSheet, { blanks }: KeptPlan, most: number) =>
		strips.slice(0, most).map((strip) => ({
			...strip,
			columns: strip.columns.map(({ blank, ...column }) => ({ ...column, key: blanks[blank]?.key })),
		}));
	const most = sheet.strips.length;
	const facts = ({ sheet: stock, turned, from, cleared }: KeptSheet) => ({ stock, turned, from, cleared });
	return (
		isDeepStrictEqual(facts(sheet), facts(other)) &&
		isDeepStrictEqual(named(sheet, before, most), named(other, after, most))
	);
}
