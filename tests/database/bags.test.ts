import { randomUUID } from "node:crypto";
import { METRIC } from "@core/units/phrase";
import { closePool } from "@server/heavy/in-pool";
import { shoppingPaperOf } from "@server/stock/papers";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { refusal } from "../support/refusal";
import { type DemoStudio, demoStudio } from "../support/studio";

let studio: DemoStudio;
let session: string;
let runId: string;
beforeAll(async () => {
	studio = await demoStudio();
	const { sessions } = await studio.see("calendar");
	session = sessions.find(({ title }) => title === "Wind and weather")?.id ?? "";
	runId = (await studio.see("bags", { session })).kits[0]?.runId ?? "";
});
afterAll(async () => {
	await studio.close();
	await closePool();
});

const bags = async () => (await studio.see("bags", { session })).kits[0];
const bag = async (number: number) => (await bags())?.bags[number - 1];
const line = (number: number, lineKey: string, inIt = true) =>
	studio.act("packLine", { cutRunId: runId, number, lineKey, inIt }, { role: "assistant" });
const pack = (number: number, packed: boolean, all = false) =>
	studio.act("packBag", { cutRunId: runId, number, packed, ...(all && { all }) }, { role: "assistant" });
const sentence = async (work: Promise<unknown>) => (await refusal(work)).problems[0]?.sentence;

describe("bags", () => {
	it("there is one for each kit, with a code of its own and everything that belongs in it", async () => {
		const kit = await bags();
		expect(kit?.bags.map(({ number }) => number)).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
		expect(new Set(kit?.bags.map(({ code }) => code)).size).toBe(8);
		// A nine-patch: one base, five and four patches, then glue, sheet and label.
		expect(kit?.contents.map(({ count }) => count).sort()).toEqual([1, 1, 1, 1, 4, 5]);
		const { labels } = await studio.see("bagLabels", { session });
		expect(labels.map(({ code }) => code)).toEqual(kit?.bags.map(({ code }) => code));
		expect(labels[0]).toMatchObject({ kit: "Nine-patch coaster", number: 1, of: 8, version: kit?.version });
	});

	it("two who pack one bag at once lose nothing; taken out again it is open again", async () => {
		const keys = (await bags())?.contents.map(({ key }) => key) ?? [];
		await Promise.all(keys.map((key, i) => line(2, key).then(() => (i % 2 === 0 ? line(2, key) : undefined))));
		expect((await bag(2))?.inIt.sort()).toEqual([...keys].sort());
		expect(await pack(2, true)).toEqual({ missing: 0 });
		expect((await bag(2))?.packedBy).toBeTruthy();
		await line(2, keys[0] ?? "", false);
		expect(await bag(2)).toMatchObject({ packedAt: null, packedBy: null });
	});

	it("closed with something missing it says how much; all in at once it says none", async () => {
		expect(await pack(3, true)).toEqual({ missing: 6 });
		expect((await bag(3))?.inIt).toEqual([]);
		expect(await pack(3, true, true)).toEqual({ missing: 0 });
		expect(await pack(3, false)).toEqual({ missing: 0 });
	});

	it("what does not belong in it, and a bag of nobody, are told", async () => {
		expect(await sentence(line(1, "dusk:rectangle:1x1"))).toMatch(/does not belong in the bag any more/);
		expect(await sentence(line(9, "glue"))).toBe("This list is for 8 kits now: there is no bag 9. Look again.");
		expect(await sentence(line(0, "glue"))).toMatch(/The bag must be at least 1/);
	});

	it("more kits, more bags; those that are packed stay", async () => {
		const { kits } = await studio.see("bags", { session });
		await studio.act("planCut", { sessionId: session, kitId: kits[0]?.kitId ?? "", kits: 10 });
		const now = await bags();
		expect(now?.bags).toHaveLength(10);
		expect(now?.bags.every(({ code }) => code !== null)).toBe(true);
		expect(now?.bags[1]?.inIt).toHaveLength(5);
	});
});

describe("a bag that is closed", () => {
	it("takes what is weighed and counted out of the stock, once, and gives it back when it is opened", async () => {
		const { kits } = await studio.see("calendar");
		const kite = kits.find(({ name }) => name === "Kite for a window")?.id ?? "";
		const { cutRunId } = await studio.act("planCut", { sessionId: session, kitId: kite, kits: 2 });
		const stocked = async () => {
			const { items } = await studio.see("stock");
			return items.filter(({ kind }) => kind === "grains" || kind === "finding").map(({ id, amount }) => [id, amount]);
		};
		const of = { cutRunId, number: 1 };
		const before = await stocked();
		await studio.act("packBag", { ...of, packed: true, all: true });
		const after = await stocked();
		expect(after).not.toEqual(before);
		await studio.act("packBag", { ...of, packed: true, all: true });
		expect(await stocked()).toEqual(after);
		await studio.act("packBag", { ...of, packed: false });
		expect(await stocked()).toEqual(before);
	});
});

describe("what is fired before it is packed", () => {
	it("is wanted by the list, comes as a lot, and is stock once it came out; sent twice it counts once", async () => {
		const lot = { lotId: randomUUID(), name: "dot", glassId: "stubble", sizeMm: 9, count: 24, sessionId: session };
		await studio.act("orderLot", lot, { role: "assistant" });
		await studio.act("orderLot", lot, { role: "assistant" });
		expect((await studio.see("bags", { session })).lots.filter(({ id }) => id === lot.lotId)).toHaveLength(1);
		expect(await studio.act("endLot", { lotId: lot.lotId, made: 22 }, { role: "assistant" })).toEqual({ made: 22 });
		expect(await studio.act("endLot", { lotId: lot.lotId, made: 3 }, { role: "assistant" })).toEqual({ made: 22 });
		const dots = async () =>
			(await studio.see("stock")).items.filter(
				({ kind, glassId, sizeMm }) => kind === "component" && glassId === "stubble" && sizeMm === 9,
			);
		expect(await dots()).toMatchObject([{ amount: 22 }]);
		const more = { ...lot, lotId: randomUUID() };
		await studio.act("orderLot", more);
		await studio.act("endLot", { lotId: more.lotId, made: 24 });
		expect(await dots()).toMatchObject([{ amount: 46 }]);
		const none = { ...lot, lotId: randomUUID() };
		await studio.act("orderLot", none);
		await studio.act("endLot", { lotId: none.lotId, made: 0 });
		expect(await dots()).toMatchObject([{ amount: 46 }]);
		expect((await studio.see("bags", { session })).lots).toEqual([]);
	});
});

describe("a lot of fired parts", () => {
	const order = async (glassId: string, count: number, sizeMm = 10) => {
		const lot = { lotId: randomUUID(), name: "dot", glassId, sizeMm, count, sessionId: session };
		await studio.act("orderLot", lot, { role: "assistant" });
		return lot.lotId;
	};
	const lots = async () => (await studio.see("bags", { session })).lots;
	const firingOf = async (lotId: string) => (await lots()).find(({ id }) => id === lotId)?.firing;

	it("has a firing of its own by the studio's schools; another of the family fills it up; called off they wait again", async () => {
		const [one, other, foreign] = [await order("stubble", 40), await order("dusk", 12), await order("lantern-96", 6)];
		const { kilns } = await studio.see("bags", { session });
		const kilnId = kilns[0]?.id ?? "";
		const firingId = randomUUID();
		const plan = { firingId, kilnId, lotIds: [one] };
		expect(await sentence(studio.act("fireLots", { ...plan, lotIds: [one, foreign] }))).toMatch(
			/several families or levels/,
		);
		const { number } = await studio.act("fireLots", plan);
		expect(await studio.act("fireLots", plan)).toEqual({ firingId, number }); // sent twice
		expect(await firingOf(one)).toMatchObject({ id: firingId, number, state: "planned" });
		const card = (await studio.see("fire")).firings.find(({ id }) => id === firingId);
		expect(card).toMatchObject({
			level: "full",
			what: "40 fired parts",
			lots: [{ count: 40, name: "stubble dot", sizeMm: 10 }],
		});
		await studio.act("fillWithLot", { lotId: other, firingId }, { role: "assistant" });
		expect(await firingOf(other)).toMatchObject({ id: firingId });
		expect(await sentence(studio.act("fillWithLot", { lotId: foreign, firingId }))).toMatch(/of another family/);
		expect(await sentence(studio.act("fireLots", { ...plan, firingId: randomUUID(), lotIds: [other] }))).toMatch(
			/fired or planned for already/,
		);
		const slabs = await order("stubble", 3, 30);
		expect(await sentence(studio.act("fillWithLot", { lotId: slabs, firingId }, { role: "assistant" }))).toMatch(
			/slower way up/,
		);
		await studio.act("endLot", { lotId: slabs, made: 0 });
		const heap = await order("stubble", 2000, 14);
		expect(await sentence(studio.act("fillWithLot", { lotId: heap, firingId }))).toMatch(/cm² of this shelf are free/);
		await studio.act("fillWithLot", { lotId: other, firingId: null });
		expect(await firingOf(other)).toBeNull();
		await studio.act("cancelFiring", { firingId });
		expect(await firingOf(one)).toBeNull();
		for (const lotId of [one, other, foreign, heap]) await studio.act("endLot", { lotId, made: 0 });
	});

	it("an assistant plans no firing", async () => {
		const lotId = await order("stubble", 4);
		const { kilns } = await studio.see("bags", { session });
		const plan = { firingId: randomUUID(), kilnId: kilns[0]?.id ?? "", lotIds: [lotId] };
		expect((await refusal(studio.act("fireLots", plan, { role: "assistant" }))).status).toBe(403);
		await studio.act("endLot", { lotId, made: 0 });
	});
});

describe("a kit in other colours", () => {
	it("is a list of its own, cut and packed in them; its bags say which; colours the kit has not are refused", async () => {
		const { kits, sessions } = await studio.see("calendar");
		const next = sessions.find(({ title }) => title === "Roofs and night sky")?.id ?? "";
		const wheel = (await studio.see("cut", { session: next })).kits.find(({ palettes }) => palettes.length > 0);
		const palette = wheel?.palettes[0];
		expect(palette).toBeDefined();
		expect(kits.some(({ id }) => id === wheel?.id)).toBe(true);
		const ask = { sessionId: next, kitId: wheel?.id ?? "", kits: 3 };
		const { cutRunId } = await studio.act("planCut", { ...ask, paletteId: palette?.id ?? "" });
		const drawn = await studio.act("planCut", { ...ask, kits: 2 });
		expect(drawn.cutRunId).not.toBe(cutRunId);
		expect((await studio.act("planCut", { ...ask, kits: 4, paletteId: palette?.id ?? "" })).cutRunId).toBe(cutRunId);
		const { runs } = await studio.see("cut", { session: next });
		const [own, plain] = [cutRunId, drawn.cutRunId].map((id) => runs.find((run) => run.id === id));
		expect([own?.palette, plain?.palette]).toEqual([palette?.name, null]);
		const glassesOf = (run: typeof own) => [...new Set(run?.lines.map(({ glassId }) => glassId))].sort();
		expect(glassesOf(own)).not.toEqual(glassesOf(plain));
		const bagged = (await studio.see("bags", { session: next })).kits.find((kit) => kit.runId === cutRunId);
		expect(bagged).toMatchObject({ palette: palette?.name, bags: { length: 4 } });
		const { labels } = await studio.see("bagLabels", { session: next });
		expect(labels.some((label) => label.palette === palette?.name)).toBe(true);
		const key = bagged?.contents[0]?.key ?? "";
		await studio.act("packLine", { cutRunId, number: 1, lineKey: key, inIt: true });
		expect(await sentence(studio.act("planCut", { ...ask, paletteId: "none" }))).toMatch(/has these colours no more/);
	});
});

describe("what is to be bought", () => {
	it("is what the lists take beyond the stock, as the plans say; assistants see no money", async () => {
		const seen = await studio.see("shopping", { session });
		const clear = seen.sheets.find(({ glassId }) => glassId === "clear");
		expect((clear?.sheets ?? 0) + (clear?.offcuts ?? 0)).toBeGreaterThanOrEqual(1);
		expect(seen.kits).toBe(12); // ten coasters and two kites
		expect(seen.sheets.every(({ costMinor }) => costMinor === null || costMinor > 0)).toBe(true);
		// The demo's racks: limewash powder stands at 140 g, to be bought again at 200.
		expect(seen.lines).toContainEqual(expect.objectContaining({ glassId: "limewash-powder", isLow: true, units: 1 }));
		const theirs = await studio.see("shopping", { session }, undefined, "assistant");
		expect(theirs.currency).toBeNull();
		expect(JSON.stringify(theirs)).not.toMatch(/"costMinor":\d/);
	});

	it("what it costs is shared by kits and students; nobody but an instructor sees it", async () => {
		const { costs, sheets } = await studio.see("shopping", { session });
		expect(costs?.lists.map(({ kits }) => kits).sort()).toEqual([10, 2]);
		const glass = sheets.reduce((sum, { costMinor }) => sum + (costMinor ?? 0), 0);
		const shared = costs?.lists.reduce((sum, { sheetMinor }) => sum + sheetMinor, 0) ?? 0;
		// What was cut without a plan costs as well: the lists bear no less than the plans' sheets.
		expect(shared).toBeGreaterThanOrEqual(glass - sheets.length - 2);
		expect(costs?.totalMinor).toBeGreaterThan(glass);
		expect(costs?.students).toBe(8);
		expect((await studio.see("shopping", { session }, undefined, "assistant")).costs).toBeNull();
	});

	it("comes as a PDF", async () => {
		const { body } = await shoppingPaperOf(studio.db, studio.who("assistant", new Date()), { session }, METRIC);
		expect(Buffer.from(body).subarray(0, 5).toString()).toBe("%PDF-");
	});
});
