import { randomUUID } from "node:crypto";
import { kitDesign } from "@db/schema";
import { closePool } from "@server/heavy/in-pool";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { refusal } from "../support/refusal";
import { type DemoStudio, demoStudio } from "../support/studio";

let studio: DemoStudio;
let sessions: { id: string }[];
let kit: typeof kitDesign.$inferSelect;
beforeAll(async () => {
	studio = await demoStudio();
	sessions = (await studio.see("calendar")).sessions.filter(({ cancelled }) => !cancelled);
	const kits = await studio.db.select().from(kitDesign);
	kit = kits.find(({ document }) => document.components.length > 0) as typeof kit;
});
afterAll(async () => {
	await studio.close();
	await closePool();
});

const see = (session: string) => studio.see("bags", { session });
/** What a class’s list of the kit wants of its one fired part. */
const needIn = async (session: string, cutRunId: string) =>
	(await see(session)).fired.find((need) => need.cutRunId === cutRunId);
const plan = (sessionId: string, kits: number) => studio.act("planCut", { sessionId, kitId: kit.id, kits });
const linesOf = async (session: string, cutRunId: string) =>
	(await studio.see("cut", { session })).runs.find(({ id }) => id === cutRunId)?.lines ?? [];

describe("a kit's fired part, from its squares to the bag", () => {
	it("is wanted, cut, fired as a lot of its own level, counted good and spoiled, and packed; the next class takes the drawer first", async () => {
		const [first, second] = sessions.slice(-2).map(({ id }) => id) as [string, string];
		const component = kit.document.components[0] as (typeof kit.document.components)[number];
		const perKit = kit.document.parts.filter((part) => part.kind === "component").length;
		const level = kit.document.route[component.firing]?.level;

		const { cutRunId } = await plan(first, 3);
		const need = await needIn(first, cutRunId);
		expect(need).toMatchObject({ name: component.name, level, wanted: 3 * perKit, have: 0, coming: 0 });
		const cut = (await linesOf(first, cutRunId)).find(({ perKit: n }) => n === perKit);
		expect(cut?.needed).toBe(3 * perKit);
		const contents = (await see(first)).kits.find(({ runId }) => runId === cutRunId)?.contents ?? [];
		expect(contents.filter(({ fired }) => fired)).toMatchObject([{ words: component.name, count: perKit }]);

		const { madeOf = "", glassId = null, sizeMm = 0, spares = 0 } = need ?? {};
		const count = 3 * perKit + spares;
		const lot = { lotId: randomUUID(), name: "anything", glassId, sizeMm, count, sessionId: first };
		await studio.act("orderLot", { ...lot, of: { cutRunId, madeOf } }, { role: "assistant" });
		expect(await needIn(first, cutRunId)).toMatchObject({ coming: count });
		const row = (await see(first)).lots.find(({ id }) => id === lot.lotId);
		expect(row).toMatchObject({ name: component.name, level, count });

		const { kilns } = await see(first);
		const firingId = randomUUID();
		await studio.act("fireLots", { firingId, kilnId: kilns[0]?.id ?? "", lotIds: [lot.lotId] });
		const card = (await studio.see("fire")).firings.find(({ id }) => id === firingId);
		expect(card).toMatchObject({ level, lots: [{ count }] });
		expect((await refusal(studio.act("endLot", { lotId: lot.lotId, made: 1 }))).status).toBe(409);
		await studio.act("cancelFiring", { firingId });

		const good = 3 * perKit + 1;
		await studio.act("endLot", { lotId: lot.lotId, made: good });
		expect(await needIn(first, cutRunId)).toMatchObject({ have: good, coming: 0 });
		const drawer = async () =>
			(await studio.see("stock")).items.find((item) => item.kind === "component" && item.madeOf === madeOf)?.amount;
		expect(await drawer()).toBe(good);

		await studio.act("packBag", { cutRunId, number: 1, packed: true, all: true });
		expect(await drawer()).toBe(good - perKit);
		expect(await needIn(first, cutRunId)).toMatchObject({ wanted: 3 * perKit, packed: perKit, have: good - perKit });
		await studio.act("packBag", { cutRunId, number: 1, packed: false });
		expect(await drawer()).toBe(good);
		for (const number of [1, 2, 3]) await studio.act("packBag", { cutRunId, number, packed: true, all: true });
		expect(await drawer()).toBe(1);

		// Said again with more kits, what lies in closed bags is not cut once more.
		await plan(first, 4);
		const more = (await linesOf(first, cutRunId)).find(({ perKit: n }) => n === perKit);
		expect(more?.needed).toBe(4 * perKit - good);
		await plan(first, 3);

		// Two of these are left besides what the first class took: the next list cuts that many fewer.
		await studio.act("orderLot", { ...lot, lotId: randomUUID(), count: 4, of: { cutRunId, madeOf } });
		const another = (await see(first)).lots.find(({ count: n }) => n === 4)?.id ?? "";
		await studio.act("endLot", { lotId: another, made: 4 });
		const next = await plan(second, 2);
		const later = (await linesOf(second, next.cutRunId)).find(({ perKit: n }) => n === perKit);
		expect(later?.needed).toBe(2 * perKit - 5);
		// Nobody else counts on the same ones.
		const third = await plan(sessions.at(-3)?.id ?? "", 1);
		const alone = (await linesOf(sessions.at(-3)?.id ?? "", third.cutRunId)).find(({ perKit: n }) => n === perKit);
		expect(alone?.needed).toBe(perKit);
	});

	it("of a kit that has it no more it is refused", async () => {
		const session = sessions.at(-1)?.id ?? "";
		const cutRunId = (await see(session)).kits[0]?.runId ?? "";
		const lot = { lotId: randomUUID(), name: "x", glassId: null, sizeMm: 9, count: 3, sessionId: session };
		const gone = studio.act("orderLot", { ...lot, of: { cutRunId, madeOf: "gone" } });
		expect((await refusal(gone)).problems[0]?.sentence).toMatch(/no more/);
	});
});
