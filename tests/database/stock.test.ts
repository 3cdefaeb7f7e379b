import { randomUUID } from "node:crypto";
import type { ActionInput } from "@contract/actions";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { refusal } from "../support/refusal";
import { type DemoStudio, demoStudio } from "../support/studio";

let studio: DemoStudio;
beforeAll(async () => {
	studio = await demoStudio();
});
afterAll(() => studio.close());

type Item = ActionInput<"saveStock">["item"];
const sheet = (change: Partial<Item> = {}): Item => ({
	id: randomUUID(),
	kind: "sheet",
	glassId: "dusk",
	name: "",
	widthMm: 300,
	heightMm: 200,
	sizeMm: null,
	place: "rack 9",
	low: 1,
	buyAmount: 1,
	priceMinor: 1200,
	supplier: "",
	fromItemId: null,
	...change,
});
const kept = async (change: Partial<Item> = {}, amount = 4) => {
	const item = sheet(change);
	await studio.act("saveStock", { item, revision: 0, amount });
	return item.id;
};
const amountOf = async (id: string) => (await studio.see("stock")).items.find((one) => one.id === id)?.amount;
const move = (
	itemId: string,
	reason: "taken" | "bought" | "returned" | "broke",
	amount: number,
	eventId = randomUUID(),
) => studio.act("moveStock", { eventId, itemId, reason, amount, note: "" }, { role: "assistant" });
const sentence = async (work: Promise<unknown>) => (await refusal(work)).problems[0]?.sentence;

describe("the stock", () => {
	it("is what its records come to: what is bought, taken, comes back and breaks", async () => {
		const id = await kept();
		expect(await move(id, "taken", 3)).toEqual({ amount: 1 });
		expect(await move(id, "bought", 2)).toEqual({ amount: 3 });
		expect(await move(id, "returned", 1)).toEqual({ amount: 4 });
		expect(await move(id, "broke", 1)).toEqual({ amount: 3 });
		const { records } = await studio.see("stock");
		expect(records.filter(({ itemId }) => itemId === id).map(({ reason, change }) => [reason, change])).toEqual(
			expect.arrayContaining([
				["counted", 4],
				["taken", -3],
				["bought", 2],
				["returned", 1],
				["broke", -1],
			]),
		);
		expect(await amountOf(id)).toBe(3);
	});

	it("a press that is sent twice counts once, and so does a save", async () => {
		const item = sheet();
		await studio.act("saveStock", { item, revision: 0, amount: 4 });
		await studio.act("saveStock", { item, revision: 0, amount: 4 });
		const eventId = randomUUID();
		await move(item.id, "taken", 1, eventId);
		expect(await move(item.id, "taken", 1, eventId)).toEqual({ amount: 3 });
	});

	it("is never less than nothing, also where two take the last at once; the refusal says what to do", async () => {
		const id = await kept({}, 3);
		const tries = await Promise.allSettled([2, 2].map((n) => move(id, "taken", n)));
		expect(tries.map(({ status }) => status).sort()).toEqual(["fulfilled", "rejected"]);
		expect(await amountOf(id)).toBe(1);
		expect(await sentence(move(id, "broke", 2))).toBe(
			"Of “dusk” there are 1 in the book, not 2. Count what stands there and write that down first.",
		);
	});

	it("grams do not drift: ten times a tenth is one", async () => {
		const id = await kept({ kind: "grains", glassId: "dusk-fine", widthMm: null, heightMm: null }, 1);
		for (let i = 0; i < 10; i++) await move(id, "taken", 0.1);
		expect(await amountOf(id)).toBe(0);
		expect(await sentence(move(id, "taken", 0.1))).toMatch(/there are 0 g in the book, not 0\.1 g/);
	});

	it("counted on the shelves, the difference becomes a record; sent twice it counts once", async () => {
		const [a, b] = [await kept(), await kept({}, 2)];
		const counts = [
			{ eventId: randomUUID(), itemId: a, amount: 6 },
			{ eventId: randomUUID(), itemId: b, amount: 2 },
		];
		expect(await studio.act("countStock", { counts }, { role: "assistant" })).toEqual({ changed: 1 });
		await move(a, "taken", 1);
		await studio.act("countStock", { counts });
		expect(await amountOf(a)).toBe(5);
		const { items, records } = await studio.see("stock");
		expect(items.find(({ id }) => id === b)?.countedAt).toMatch(/^\d{4}-/);
		expect(records.find(({ id }) => id === counts[1]?.eventId)).toMatchObject({ reason: "counted", change: 0 });
		const twice = counts.map((one) => ({ ...one, itemId: a, eventId: randomUUID() }));
		expect(await sentence(studio.act("countStock", { counts: twice }))).toBe("One of them is counted twice.");
	});

	it("glass that comes back is an offcut of its family; what nobody knows is set apart", async () => {
		const back = { name: "E4", widthMm: 90, heightMm: 70, place: "bin" };
		const known = { ...back, itemId: randomUUID(), eventId: randomUUID(), glassId: "stubble" };
		const unknown = { ...back, name: "", itemId: randomUUID(), eventId: randomUUID(), glassId: null };
		for (const one of [known, known, unknown]) await studio.act("returnGlass", one, { role: "assistant" });
		const { items } = await studio.see("stock");
		expect(items.find(({ id }) => id === known.itemId)).toMatchObject({
			kind: "offcut",
			glassId: "stubble",
			amount: 1,
		});
		expect(items.find(({ id }) => id === unknown.itemId)).toMatchObject({
			kind: "apart",
			glassId: null,
			name: "unknown glass",
			amount: 1,
		});
		expect(await sentence(studio.act("returnGlass", { ...known, itemId: randomUUID(), glassId: "nothing" }))).toBe(
			"There is no such glass in this studio.",
		);
	});

	it.each<[string, Partial<Item>, string[]]>([
		["a sheet without its sides", { widthMm: null, heightMm: null }, ["item.widthMm", "item.heightMm"]],
		["a sheet of no glass", { glassId: null, name: "x" }, ["item.glassId"]],
		["wire with a glass", { kind: "finding", name: "loop" }, ["item.glassId"]],
		["a thread of no length", { kind: "thread", widthMm: null, heightMm: null }, ["item.sizeMm"]],
		["nothing bought at once", { buyAmount: 0 }, ["item.buyAmount"]],
		["less than nothing as its low line", { low: -1 }, ["item.low"]],
	])("%s is told at its field", async (_, change, paths) => {
		const { problems } = await refusal(studio.act("saveStock", { item: sheet(change), revision: 0, amount: 1 }));
		expect(problems.map(({ path }) => path.join("."))).toEqual(paths);
	});

	it("money is for instructors, and so is what is written of a thing", async () => {
		const id = await kept();
		const seen = async (role: "instructor" | "assistant") =>
			(await studio.see("stock", {}, undefined, role)).items.find((one) => one.id === id)?.priceMinor;
		expect(await seen("instructor")).toBe(1200);
		expect(await seen("assistant")).toBeNull();
		const save = studio.act("saveStock", { item: sheet(), revision: 0, amount: 1 }, { role: "assistant" });
		expect((await refusal(save)).kind).toBe("forbidden");
	});

	it("with records it stays in the book and can be put away", async () => {
		const id = await kept();
		expect(await sentence(studio.act("strikeOut", { what: "stock", id }))).toBe(
			"“dusk” stays in the book for 1 record of it. Put it away instead.",
		);
		await studio.act("putAway", { what: "stock", id, retired: true });
		expect((await studio.see("stock")).items.find((one) => one.id === id)?.retired).toBe(true);
	});
});
