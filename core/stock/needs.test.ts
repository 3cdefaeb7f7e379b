import { describe, expect, it } from "vitest";
import { cut, lay, square } from "../../tests/support/kit";
import { cutListOf, forKits } from "../cutting/count";
import type { KitPart } from "../kit/kit";
import { needsOf } from "./needs";

const thread = (mm: number) =>
	lay({
		kind: "thread",
		glassId: "thread",
		points: [
			{ x: 0, y: 0 },
			{ x: mm, y: 0 },
		],
	});
const counted = (parts: readonly KitPart[], kits: number, done = 0) =>
	cutListOf(forKits(parts, kits)).map((line) => ({ ...line, done, broken: 0 }));

describe("what a list takes of the stock", () => {
	it("grams of frit, all pots together", () => {
		const pot = lay({ kind: "grains", glassId: "powder", gPerCm2: 0.2, shape: square(50) });
		expect(needsOf(counted([pot], 8), [])).toMatchObject([{ kind: "grains", glassId: "powder", amount: 40 }]);
	});

	it("whole rods of thread, of the length there is in the stock", () => {
		// Eight lengths of 100 mm: four to a rod of 430 mm, two to one of 250.
		const lines = counted([thread(100)], 8);
		expect(needsOf(lines, [])).toMatchObject([{ kind: "thread", sizeMm: 430, amount: 2 }]);
		expect(needsOf(lines, [{ kind: "thread", glassId: "thread", sizeMm: 250 }])).toMatchObject([
			{ sizeMm: 250, amount: 4 },
		]);
	});

	it("loops by metal and eye, slices by glass and size; nothing of what is done, and no sheet", () => {
		const loop = lay({ kind: "loop", metal: "copper", wireMm: 1, eyeMm: 6, tailMm: 12 });
		const dot = lay({ kind: "lump", form: "slice", diameterMm: 10, heightMm: 5, glassId: "clear" });
		expect(needsOf(counted([cut(square(20)), loop, dot], 5), [])).toMatchObject([
			{ kind: "finding", name: "copper wire loop", sizeMm: 6, amount: 5 },
			{ kind: "component", glassId: "clear", sizeMm: 10, amount: 5 },
		]);
		expect(needsOf(counted([loop], 5, 5), [])).toEqual([]);
	});
});
