import { describe, expect, it } from "vitest";
import type { StockItem } from "./kinds";
import { type StockNeed, toBuy } from "./to-buy";

const item = (change: Partial<StockItem> & { amount: number }): StockItem & { amount: number } => ({
	id: "a",
	kind: "sheet",
	glassId: "dusk",
	name: "",
	widthMm: 500,
	heightMm: 430,
	sizeMm: null,
	place: "rack 1",
	low: null,
	buyAmount: 1,
	priceMinor: 2400,
	supplier: "",
	fromItemId: null,
	...change,
});
const need = (change: Partial<StockNeed> = {}): StockNeed => ({
	kind: "sheet",
	glassId: "dusk",
	name: "",
	widthMm: 500,
	heightMm: 430,
	sizeMm: null,
	amount: 3,
	...change,
});

describe("what is to be bought", () => {
	it.each<[string, Parameters<typeof toBuy>, [units: number, missing: number, cost: number | null][]]>([
		["nothing where there is enough", [[need()], [item({ amount: 3 })]], []],
		["what is missing", [[need()], [item({ amount: 1 })]], [[2, 2, 4800]]],
		["lines of one thing together", [[need(), need({ amount: 2 })], [item({ amount: 4 })]], [[1, 1, 2400]]],
		["all of it where the book does not know it", [[need({ glassId: "dawn" })], []], [[3, 3, null]]],
		["a sheet lying the other way is the same", [[need({ widthMm: 430, heightMm: 500 })], [item({ amount: 3 })]], []],
		["another size is another thing", [[need()], [item({ amount: 9, widthMm: 300 })]], [[3, 3, null]]],
		["an offcut is no sheet", [[need()], [item({ amount: 9, kind: "offcut" })]], [[3, 3, null]]],
		[
			"whole jars",
			[
				[need({ kind: "grains", widthMm: null, heightMm: null, amount: 500 })],
				[item({ kind: "grains", widthMm: null, heightMm: null, amount: 120, buyAmount: 450, priceMinor: 1800 })],
			],
			[[1, 380, 1800]],
		],
		["what has run low, up to its line", [[], [item({ amount: 1, low: 3 })]], [[2, 2, 4800]]],
		["just at its line, one", [[], [item({ amount: 3, low: 3 })]], [[1, 1e-9, 2400]]],
		["low once the list has taken its own", [[need()], [item({ amount: 4, low: 2 })]], [[1, 1, 2400]]],
		["not low above it", [[need()], [item({ amount: 9, low: 2 })]], []],
	])("%s", (_, [needs, items], expected) => {
		expect(
			toBuy(needs, items).map(({ units, missing, costMinor }) => [units, Math.round(missing * 1e9) / 1e9, costMinor]),
		).toEqual(expected);
	});

	it("one thing on two racks is added up", () => {
		expect(toBuy([need()], [item({ amount: 1 }), item({ id: "b", amount: 2, place: "rack 2" })])).toEqual([]);
	});
});
