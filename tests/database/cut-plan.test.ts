import { randomUUID } from "node:crypto";
import { addDays } from "@core/calendar/days";
import { blanksOf } from "@core/cutting/plan/blanks";
import { cutSoFar, stillToCut } from "@core/cutting/plan/cut-so-far";
import { keptPlanOf, restId } from "@core/cutting/plan/keep-plan";
import type { KeptPlan } from "@core/cutting/plan/kept";
import { searchPlans } from "@core/cutting/plan/search";
import { type StockSheet, USUAL_CUT_RULES } from "@core/cutting/plan/types";
import { METRIC } from "@core/units/phrase";
import { dayOf } from "@formats/time";
import { closePool } from "@server/heavy/in-pool";
import { cutMapOf } from "@server/stock/papers";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { refusal } from "../support/refusal";
import { type DemoStudio, demoStudio } from "../support/studio";

let studio: DemoStudio;
beforeAll(async () => {
	studio = await demoStudio();
});
afterAll(async () => {
	await studio.close();
	await closePool();
});

const rules = USUAL_CUT_RULES;
const sheet = { widthMm: 500, heightMm: 430 };
let days = 3;

/** A class of its own with a list of the quilt coaster: dusk and stubble squares of 32 mm on clear. */
async function listed(kits = 8, kit = "Nine-patch coaster") {
	const { courses: _, ...calendar } = await studio.see("calendar");
	const kitId = calendar.kits.find(({ name }) => name === kit)?.id ?? "";
	const id = randomUUID();
	const day = addDays(dayOf(new Date(), "America/Denver"), days++);
	const evening = { id: randomUUID(), day, startsAt: "18:00", endsAt: "20:00", promisedDay: null };
	const course = {
		...{ id, title: "Cutting", about: "", room: `Room ${days}`, places: 30, priceMinor: null },
		...{ kitIds: [], largeKitIds: [], smallKits: 1 },
	};
	await studio.act("saveCourse", { course, revision: 0, evenings: [evening] });
	const { cutRunId } = await studio.act("planCut", { sessionId: evening.id, kitId, kits });
	return { sessionId: evening.id, cutRunId, kitId };
}

const see = (sessionId: string, also = "") => studio.see("cut", { session: sessionId, ...(also && { also }) });

/** A glass's list as the page has it. */
async function glassOf(sessionId: string, glassId: string, also = "") {
	const view = await see(sessionId, also);
	const lines = view.runs.flatMap(({ id, lines: its }) => its.map((line) => ({ ...line, runId: id })));
	const its = lines.filter((line) => line.glassId === glassId && line.kind === "sheet");
	const directed = view.glasses.find(({ id }) => id === glassId)?.directed ?? false;
	return {
		view,
		wanted: blanksOf(its, directed, (line) => `${line.runId} ${line.key}`),
		runIds: [...new Set(its.map(({ runId }) => runId))],
		row: view.plans.find((plan) => plan.glassId === glassId),
		usedOf: (key: string) => {
			const line = its.find((one) => `${one.runId} ${one.key}` === key);
			return (line?.done ?? 0) + (line?.broken ?? 0);
		},
	};
}
type List = Awaited<ReturnType<typeof glassOf>>;

const planFor = (
	{ wanted }: List,
	offcuts: StockSheet[] = [],
	stock?: { itemId: string; amount: number },
): KeptPlan => {
	const best = [...searchPlans({ blanks: wanted, offcuts, sheet, rules }, 12)].at(-1)?.best;
	const found = (offcuts.length > 0 ? best?.useOffcuts : best?.fewestSheets)?.plan ?? { sheets: [], short: [] };
	return keptPlanOf(found, wanted, wanted, rules, stock);
};
const begin = (
	list: List,
	glassId: string,
	plan: KeptPlan,
	planId = randomUUID(),
	role: "instructor" | "assistant" = "assistant",
) => studio.act("saveCutPlan", { planId, revision: 0, glassId, runIds: list.runIds, plan }, { role });
const sentence = async (work: Promise<unknown>) => (await refusal(work)).problems[0]?.sentence;
const amountOf = async (id: string) => (await studio.see("stock")).items.find((one) => one.id === id)?.amount;
const inStock = async (glassId: string, kind: "sheet" | "offcut", widthMm = 500, heightMm = 430, amount = 3) => {
	const item = {
		...{ id: randomUUID(), kind, glassId, name: `T${days}`, widthMm, heightMm, sizeMm: null, place: "rack" },
		...{ low: null, buyAmount: 1, priceMinor: null, supplier: "", fromItemId: null },
	};
	await studio.act("saveStock", { item, revision: 0, amount });
	return item.id;
};
const tick = (cutRunId: string, lineKey: string, more: number, broke = 0) =>
	studio.act("tickCut", { cutRunId, lineKey, eventId: randomUUID(), more, ...(broke > 0 && { broke }) });

describe("a plan somebody cuts by", () => {
	it("takes its sheets from the stock, is seen on every tablet, and gives them back while nothing is cut", async () => {
		const { sessionId } = await listed();
		const itemId = await inStock("dusk", "sheet");
		const list = await glassOf(sessionId, "dusk");
		const planId = randomUUID();
		const plan = planFor(list, [], { itemId, amount: 3 });
		expect(await begin(list, "dusk", plan, planId)).toEqual({ planId, revision: 1 });
		expect(await begin(list, "dusk", plan, planId)).toEqual({ planId, revision: 1 }); // sent twice
		expect(await amountOf(itemId)).toBe(3 - plan.sheets.length);
		expect((await glassOf(sessionId, "dusk")).row).toMatchObject({ id: planId, revision: 1, plan });
		await studio.act("dropCutPlan", { planId });
		await studio.act("dropCutPlan", { planId });
		expect(await amountOf(itemId)).toBe(3);
		expect((await glassOf(sessionId, "dusk")).row).toBeUndefined();
	});

	it("is not overwritten from another list's page: what is cut of it stays cut, and in no stock", async () => {
		const { sessionId, cutRunId } = await listed();
		const itemId = await inStock("dusk", "sheet");
		const list = await glassOf(sessionId, "dusk");
		const planId = randomUUID();
		await begin(list, "dusk", planFor(list, [], { itemId, amount: 3 }), planId);
		const after = await amountOf(itemId);
		await tick(cutRunId, (list.wanted[0]?.key ?? "").split(" ").slice(1).join(" "), 1);
		const other = await glassOf((await listed()).sessionId, "dusk");
		const foreign = { ...planFor(other), sheets: [] };
		const send = (runIds: string[], plan: KeptPlan) =>
			studio.act("saveCutPlan", { planId, revision: 1, glassId: "dusk", runIds, plan }, { role: "assistant" });
		expect(await sentence(send(other.runIds, foreign))).toMatch(/of other cut lists/);
		expect(await sentence(send(other.runIds, planFor(other)))).toMatch(/of other cut lists/);
		expect(await amountOf(itemId)).toBe(after);
	});

	it("two who begin at once: one wins, the other is told who; what is begun cannot be dropped", async () => {
		const { sessionId, cutRunId } = await listed();
		const list = await glassOf(sessionId, "dusk");
		const plan = planFor(list);
		const tries = await Promise.allSettled([begin(list, "dusk", plan), begin(list, "dusk", plan)]);
		expect(tries.map(({ status }) => status).sort()).toEqual(["fulfilled", "rejected"]);
		expect(await sentence(begin(list, "dusk", plan))).toMatch(/has begun to cut dusk for this by another plan/);
		const { row, wanted } = await glassOf(sessionId, "dusk");
		await tick(cutRunId, (wanted[0]?.key ?? "").split(" ").slice(1).join(" "), 1);
		expect(await sentence(studio.act("dropCutPlan", { planId: row?.id ?? "" }))).toMatch(/is cut by this plan already/);
	});

	it("the same offcut for two plans: the later one is told, and its list stays", async () => {
		const [one, other] = [await listed(2), await listed(2)];
		const offcut = await inStock("dusk", "offcut", 300, 200, 1);
		const stock = [{ id: offcut, widthMm: 300, heightMm: 200 }];
		const lists = [await glassOf(one.sessionId, "dusk"), await glassOf(other.sessionId, "dusk")] as const;
		const plans = lists.map((list) => planFor(list, stock));
		expect(plans[0]?.sheets[0]?.from).toEqual({ kind: "offcut", itemId: offcut });
		await begin(lists[0], "dusk", plans[0] as KeptPlan);
		expect(await amountOf(offcut)).toBeUndefined(); // used up: on no list any more
		expect(await sentence(begin(lists[1], "dusk", plans[1] as KeptPlan))).toMatch(
			/^Offcut “dusk, T\d+” was taken meanwhile for another plan\. Plan again/,
		);
		expect((await see(other.sessionId)).runs[0]?.lines.length).toBeGreaterThan(0);
	});

	it("glass of another kind, and glass that stands apart, is never taken", async () => {
		const { sessionId } = await listed(2);
		const list = await glassOf(sessionId, "dusk");
		const apart = randomUUID();
		const back = { name: "", widthMm: 500, heightMm: 430, place: "", glassId: null };
		await studio.act("returnGlass", { ...back, itemId: apart, eventId: randomUUID() });
		for (const itemId of [await inStock("stubble", "sheet"), apart])
			expect(await sentence(begin(list, "dusk", planFor(list, [], { itemId, amount: 1 })))).toMatch(
				/is not dusk of the stock/,
			);
	});

	it("by a saw: outlines laid into each other are kept as they lie, though the list grows; two in one place are refused", async () => {
		const { sessionId, kitId } = await listed(3, "Pump-wheel tile");
		const saw = { ...rules, kerfMm: 1.5 };
		const wantedBy = ({ view }: List, known?: KeptPlan["blanks"]) => {
			const lines = view.runs.flatMap(({ id, lines: its }) => its.map((line) => ({ ...line, runId: id })));
			const its = lines.filter(({ glassId, kind }) => glassId === "pump-rust" && kind === "sheet");
			return blanksOf(its, false, (line) => `${line.runId} ${line.key}`, { rules: saw, sheet, known });
		};
		const list = await glassOf(sessionId, "pump-rust");
		const wanted = wantedBy(list);
		expect(wanted.some(({ nest }) => (nest?.places.length ?? 0) > 1)).toBe(true);
		const best = [...searchPlans({ blanks: wanted, offcuts: [], sheet, rules: saw }, 12)].at(-1)?.best;
		const plan = keptPlanOf(best?.fewestSheets.plan ?? { sheets: [], short: [] }, wanted, wanted, saw, undefined);
		const heaped = plan.blanks.map((one) => ({
			...one,
			...(one.nest && { nest: { ...one.nest, places: one.nest.places.map((place, _, all) => all[0] ?? place) } }),
		}));
		expect(await sentence(begin(list, "pump-rust", { ...plan, blanks: heaped }))).toMatch(
			/This plan cannot be sawn: the blade does not pass/,
		);
		const { planId } = await begin(list, "pump-rust", plan);
		await studio.act("planCut", { sessionId, kitId, kits: 5 });
		const later = await glassOf(sessionId, "pump-rust");
		const more = wantedBy(later, later.row?.plan.blanks);
		expect(more.map(({ nest }) => nest)).toEqual(wanted.map(({ nest }) => nest));
		const so = cutSoFar(plan, later.usedOf);
		const still = stillToCut(more, plan, so);
		const found = [...searchPlans({ blanks: still, offcuts: [], sheet, rules: saw }, 12)].at(-1)?.best.fewestSheets;
		const next = keptPlanOf(found?.plan ?? { sheets: [], short: [] }, still, more, saw, undefined, {
			plan,
			sheets: [],
		});
		const sent = { planId, revision: 1, glassId: "pump-rust", runIds: later.runIds, plan: next };
		expect(await studio.act("saveCutPlan", sent)).toEqual({ planId, revision: 2 });
	});

	it("a sheet that is of another size in the stock is told; one rest is kept once", async () => {
		const { sessionId } = await listed(2);
		const list = await glassOf(sessionId, "dusk");
		const small = await inStock("dusk", "sheet", 300, 200);
		expect(await sentence(begin(list, "dusk", planFor(list, [], { itemId: small, amount: 1 })))).toMatch(
			/has another size in the stock than in this plan/,
		);
		const { planId } = await begin(list, "dusk", planFor(list));
		const twice = [0, 0].map((rest) => ({ itemId: randomUUID(), rest, name: "" }));
		const sent = { planId, revision: 1, sheet: 0, place: "", keep: twice };
		expect(await sentence(studio.act("clearSheet", sent))).toBe("One rest is kept twice.");
	});

	it("one broke: the rest is planned anew, what is cut stays; a plan that would move it is refused", async () => {
		const { sessionId, cutRunId } = await listed();
		const itemId = await inStock("dusk", "sheet");
		const before = await glassOf(sessionId, "dusk");
		const plan = planFor(before, [], { itemId, amount: 3 });
		const { planId } = await begin(before, "dusk", plan);
		const key = before.wanted[0]?.key ?? "";
		const lineKey = key.split(" ").slice(1).join(" ");
		const perStrip = plan.sheets[0]?.strips[0]?.columns.reduce((sum, { stack }) => sum + stack, 0) ?? 0;
		await tick(cutRunId, lineKey, perStrip - 1);
		expect(await tick(cutRunId, lineKey, 0, 1)).toEqual({ done: perStrip - 1, broken: 1 });
		const now = await glassOf(sessionId, "dusk");
		expect(now.wanted[0]?.count).toBe((before.wanted[0]?.count ?? 0) + 1);

		const moved = planFor(now, [], { itemId, amount: 3 });
		const upset = { ...moved, sheets: moved.sheets.map((one) => ({ ...one, turned: !one.turned })) };
		const save = (its: KeptPlan, revision = 1) =>
			studio.act("saveCutPlan", { planId, revision, glassId: "dusk", runIds: now.runIds, plan: its });
		expect(await sentence(save(upset))).toMatch(/Sheet 1:|would move what is cut/);

		const so = cutSoFar(plan, now.usedOf);
		const still = stillToCut(now.wanted, plan, so);
		const offcuts = so.rests.map((rest) => ({ ...rest, id: restId(rest.id), inHand: true }));
		const found = [...searchPlans({ blanks: still, offcuts, sheet, rules }, 12)].at(-1)?.best.useOffcuts.plan;
		const next = keptPlanOf(found ?? { sheets: [], short: [] }, still, now.wanted, rules, undefined, {
			plan,
			sheets: so.begun,
		});
		expect(await save(next)).toEqual({ planId, revision: 2 });
		expect(await save(next)).toEqual({ planId, revision: 2 });
		expect(await amountOf(itemId)).toBe(3 - plan.sheets.length);
		expect(await sentence(save(plan, 2))).toMatch(/The list was changed since this plan was made/);
	});

	it("rests go onto the rack once, as offcuts of the sheet they are of", async () => {
		const { sessionId } = await listed(3);
		const itemId = await inStock("dusk", "sheet");
		const list = await glassOf(sessionId, "dusk");
		const plan = planFor(list, [], { itemId, amount: 3 });
		const { planId } = await begin(list, "dusk", plan);
		const offcut = randomUUID();
		const sent = { planId, revision: 1, sheet: 0, place: "bin", keep: [{ itemId: offcut, rest: 0, name: "R1" }] };
		expect(await studio.act("clearSheet", sent)).toEqual({ planId, revision: 2 });
		await studio.act("clearSheet", { ...sent, revision: 1 }).catch(() => {});
		const { items } = await studio.see("stock");
		expect(items.find(({ id }) => id === offcut)).toMatchObject({
			...{ kind: "offcut", glassId: "dusk", name: "R1", place: "bin", amount: 1, fromItemId: itemId },
		});
		const none = { ...sent, revision: 2, keep: [{ itemId: randomUUID(), rest: 99, name: "" }] };
		expect(await studio.act("clearSheet", none)).toEqual({ planId, revision: 3 }); // cleared already: nothing more is kept
	});

	it("classes that are cut together share sheets, and are seen together from either", async () => {
		const [one, other] = [await listed(3), await listed(4)];
		const list = await glassOf(one.sessionId, "dusk", other.sessionId);
		expect(list.runIds.sort()).toEqual([one.cutRunId, other.cutRunId].sort());
		await begin(list, "dusk", planFor(list));
		for (const [from, to] of [
			[one, other],
			[other, one],
		] as const) {
			const view = await see(from.sessionId);
			expect(view.together).toEqual([to.sessionId]);
			expect(view.plans).toHaveLength(1);
		}
	});

	it("a kit that was changed since is said, and taken as it is now without losing a count", async () => {
		const { sessionId, cutRunId, kitId } = await listed(2);
		const { wanted } = await glassOf(sessionId, "dusk");
		const lineKey = (wanted[0]?.key ?? "").split(" ").slice(1).join(" ");
		await tick(cutRunId, lineKey, 5);
		const { kit } = await studio.see("kit", { id: kitId });
		const document = { ...kit.document, note: "changed since" };
		await studio.act("saveKit", { kitId, revision: kit.revision, document });
		expect((await see(sessionId)).runs.map(({ isOld }) => isOld)).toEqual([true]);
		expect(await studio.act("renewCut", { cutRunId })).toEqual({ cutRunId });
		const [run] = (await see(sessionId)).runs;
		expect(run?.isOld).toBe(false);
		expect(run?.lines.find(({ key }) => key === lineKey)?.done).toBe(5);
		await studio.act("planCut", { sessionId, kitId, kits: 3 });
		expect((await see(sessionId)).runs.map(({ kits }) => kits)).toEqual([3]);
	});

	it("a fiddly cut gets more spares, and the plan is then one of another list", async () => {
		const { sessionId, cutRunId } = await listed(8);
		const list = await glassOf(sessionId, "dusk");
		const lineKey = (list.wanted[0]?.key ?? "").split(" ").slice(1).join(" ");
		const plan = planFor(list);
		expect(await studio.act("setSpares", { cutRunId, lineKey, spares: 9 }, { role: "assistant" })).toEqual({
			spares: 9,
		});
		expect((await glassOf(sessionId, "dusk")).wanted[0]?.count).toBe(32 + 9);
		expect(await sentence(begin(list, "dusk", plan))).toMatch(/The list was changed since this plan was made/);
		await studio.act("setSpares", { cutRunId, lineKey, spares: null });
		expect((await glassOf(sessionId, "dusk")).wanted[0]?.count).toBe(32 + 4);
		await begin(list, "dusk", plan);
	});

	it("its sheet comes as a PDF, true to scale or on one page; anything else is not there", async () => {
		const { sessionId } = await listed(2);
		const list = await glassOf(sessionId, "dusk");
		const { planId } = await begin(list, "dusk", planFor(list));
		for (const scale of ["full", "fit"] as const) {
			const { body, name } = await cutMapOf(studio.db, { planId, file: "0.pdf", scale, units: METRIC });
			expect(Buffer.from(body).subarray(0, 5).toString()).toBe("%PDF-");
			expect(name).toBe("dusk-sheet-1.pdf");
		}
		for (const file of ["99.pdf", "0.txt", "-1.pdf"])
			expect((await refusal(cutMapOf(studio.db, { planId, file, scale: "fit", units: METRIC }))).kind).toBe("missing");
	});
});
