import { byId } from "@core/by-id";
import { and, desc, eq, gte, inArray, isNull, ne, sql } from "drizzle-orm";
import { type DotGlasses, dotGlassIds } from "../../core/kit/dot-glasses";
import { inPalette, type KitDesign, paletteName } from "../../core/kit/kit";
import type { Reader, Transaction } from "../connect";
import {
	classSession,
	cutEvent,
	cutPlan,
	cutPlanRun,
	cutRun,
	cutTick,
	glass,
	kitBag,
	kitDesign,
	kitVersion,
} from "../schema";

/** Of which form and how thick the glasses are that kits round dots of; nothing is asked where none does. */
export async function dotGlassesOf(reader: Reader, designs: readonly KitDesign[]): Promise<DotGlasses> {
	const ids = [...new Set(designs.flatMap(dotGlassIds))];
	if (ids.length === 0) return new Map();
	const rows = await reader
		.select({ id: glass.id, form: glass.form, thicknessMm: glass.thicknessMm })
		.from(glass)
		.where(inArray(glass.id, ids));
	return byId(rows);
}

/**
 * What other lists still take out of the drawer, by what it is made of: as many as they counted on, for bags that are not closed.
 * @param since classes before this day are over
 */
export async function drawnByLists(reader: Reader, besides: string | undefined, since: string) {
	const open = sql<number>`(select count(*)::int from ${kitBag} where ${kitBag.cutRunId} = ${cutRun.id} and ${kitBag.number} <= ${cutRun.kits} and ${kitBag.packedAt} is null)`;
	const rows = await reader
		.select({ id: cutRun.id, kits: cutRun.kits, fromDrawer: cutRun.fromDrawer, open })
		.from(cutRun)
		.innerJoin(classSession, eq(classSession.id, cutRun.sessionId))
		.where(
			and(sql`${cutRun.fromDrawer} <> '{}'::jsonb`, gte(classSession.day, since), isNull(classSession.cancelledAt)),
		);
	return rows
		.filter(({ id }) => id !== besides)
		.map(({ kits, fromDrawer, open: bags }) => ({
			left: Object.fromEntries(
				Object.entries(fromDrawer).map(([madeOf, count]) => [madeOf, Math.ceil((count * Math.min(bags, kits)) / kits)]),
			),
		}));
}

/** One cut's kit as it was frozen, in its colours, and for how many; undefined where it is gone. */
export async function runKit(reader: Reader, cutRunId: string) {
	const [row] = await reader
		.select({
			...{ kits: cutRun.kits, paletteId: cutRun.paletteId, fromDrawer: cutRun.fromDrawer },
			...{ kitVersionId: cutRun.kitVersionId, document: kitVersion.document },
		})
		.from(cutRun)
		.innerJoin(kitVersion, eq(kitVersion.id, cutRun.kitVersionId))
		.where(eq(cutRun.id, cutRunId));
	if (!row) return undefined;
	const document = inPalette(row.document, row.paletteId);
	return { ...row, document, glasses: await dotGlassesOf(reader, [document]) };
}

/** Kits cut for classes, with their kit's frozen version and what is done of each cut. */
export async function cutRunsOf(reader: Reader, sessionIds: readonly string[]) {
	if (sessionIds.length === 0) return [];
	const rows = await reader
		.select({ run: cutRun, kit: kitVersion, now: kitDesign.revision })
		.from(cutRun)
		.innerJoin(kitVersion, eq(kitVersion.id, cutRun.kitVersionId))
		.innerJoin(kitDesign, eq(kitDesign.id, kitVersion.keptId))
		.where(inArray(cutRun.sessionId, [...sessionIds]))
		.orderBy(kitVersion.frozenAt, cutRun.id);
	if (rows.length === 0) return [];
	const ids = rows.map(({ run }) => run.id);
	const ticks = await reader.select().from(cutTick).where(inArray(cutTick.cutRunId, ids));
	const designs = rows.map(({ run, kit }) => inPalette(kit.document, run.paletteId));
	const glasses = await dotGlassesOf(reader, designs);
	return rows.map(({ run, kit, now }, i) => ({
		...{ run, glasses },
		kit: { ...kit, document: designs[i] as KitDesign },
		palette: paletteName(kit.document, run.paletteId),
		isOld: kit.revision < now,
		ticks: new Map(ticks.filter((tick) => tick.cutRunId === run.id).map((tick) => [tick.lineKey, tick])),
	}));
}

/** Counts an event once, whoever else counts at the same time. Returns how many are done and broke so far. */
export async function countCut(tx: Transaction, event: typeof cutEvent.$inferInsert) {
	const { cutRunId, lineKey, more, broke = 0 } = event;
	const [fresh] = await tx.insert(cutEvent).values(event).onConflictDoNothing().returning({ id: cutEvent.id });
	if (fresh)
		await tx
			.insert(cutTick)
			.values({ cutRunId, lineKey, done: Math.max(0, more), broken: broke })
			.onConflictDoUpdate({
				target: [cutTick.cutRunId, cutTick.lineKey],
				set: { done: sql`greatest(0, ${cutTick.done} + ${more})`, broken: sql`${cutTick.broken} + ${broke}` },
			});
	const [tick] = await tx
		.select({ done: cutTick.done, broken: cutTick.broken })
		.from(cutTick)
		.where(and(eq(cutTick.cutRunId, cutRunId), eq(cutTick.lineKey, lineKey)));
	return { done: tick?.done ?? 0, broken: tick?.broken ?? 0 };
}

/** Plans that any of these cuts is cut by, with all the cuts each is for. */
export async function cutPlansOf(reader: Reader, runIds: readonly string[]) {
	if (runIds.length === 0) return [];
	const its = reader
		.select({ id: cutPlanRun.planId })
		.from(cutPlanRun)
		.where(inArray(cutPlanRun.cutRunId, [...runIds]));
	const plans = await reader
		.select()
		.from(cutPlan)
		.where(inArray(cutPlan.id, its))
		.orderBy(cutPlan.startedAt, cutPlan.id);
	const runs = await reader.select().from(cutPlanRun).where(inArray(cutPlanRun.planId, its));
	return plans.map((plan) => ({
		...plan,
		runIds: runs.filter(({ planId }) => planId === plan.id).map(({ cutRunId }) => cutRunId),
	}));
}

/** Classes whose glass is cut by a plan together with these. */
export async function sessionsCutWith(reader: Reader, sessionIds: readonly string[]): Promise<string[]> {
	const own = reader
		.select({ id: cutRun.id })
		.from(cutRun)
		.where(inArray(cutRun.sessionId, [...sessionIds]));
	const plans = reader.select({ id: cutPlanRun.planId }).from(cutPlanRun).where(inArray(cutPlanRun.cutRunId, own));
	const rows = await reader
		.selectDistinct({ id: cutRun.sessionId })
		.from(cutPlanRun)
		.innerJoin(cutRun, eq(cutRun.id, cutPlanRun.cutRunId))
		.where(inArray(cutPlanRun.planId, plans));
	return rows.map(({ id }) => id);
}

/** The cuts a plan is to be for, so long as the transaction lasts: their list and their plans change no more meanwhile. */
export async function lockRuns(tx: Transaction, ids: readonly string[]) {
	await tx
		.select({ id: cutRun.id })
		.from(cutRun)
		.where(inArray(cutRun.id, [...ids]))
		.orderBy(cutRun.id)
		.for("update");
	const rows = await tx
		.select({ sessionId: cutRun.sessionId })
		.from(cutRun)
		.where(inArray(cutRun.id, [...ids]));
	const all = await cutRunsOf(tx, [...new Set(rows.map(({ sessionId }) => sessionId))]);
	return all.filter(({ run }) => ids.includes(run.id));
}

export async function lockPlan(tx: Transaction, id: string) {
	const [row] = await tx.select().from(cutPlan).where(eq(cutPlan.id, id)).for("update");
	if (!row) return undefined;
	const runs = await tx.select().from(cutPlanRun).where(eq(cutPlanRun.planId, id));
	return { ...row, runIds: runs.map(({ cutRunId }) => cutRunId) };
}

/** A cut's plan for a glass is somebody else's: who began it; undefined where it is free. */
export async function otherPlanOf(tx: Transaction, planId: string, glassId: string, runIds: readonly string[]) {
	const [row] = await tx
		.select({ actorName: cutPlan.actorName })
		.from(cutPlanRun)
		.innerJoin(cutPlan, eq(cutPlan.id, cutPlanRun.planId))
		.where(
			and(inArray(cutPlanRun.cutRunId, [...runIds]), eq(cutPlanRun.glassId, glassId), ne(cutPlanRun.planId, planId)),
		)
		.limit(1);
	return row?.actorName;
}

/** The cuts a plan is for, in place of those it was for. */
export async function writePlanRuns(tx: Transaction, planId: string, glassId: string, runIds: readonly string[]) {
	await tx.delete(cutPlanRun).where(eq(cutPlanRun.planId, planId));
	await tx.insert(cutPlanRun).values(runIds.map((cutRunId) => ({ planId, cutRunId, glassId })));
}

/** The cut of a kit for a class in some colours, in whatever version. */
export async function runOfKit(tx: Transaction, sessionId: string, kitId: string, paletteId: string) {
	const [row] = await tx
		.select({ id: cutRun.id })
		.from(cutRun)
		.innerJoin(kitVersion, eq(kitVersion.id, cutRun.kitVersionId))
		.where(and(eq(cutRun.sessionId, sessionId), eq(kitVersion.keptId, kitId), eq(cutRun.paletteId, paletteId)))
		.orderBy(desc(kitVersion.version))
		.limit(1);
	return row;
}
