import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cutLengths } from "./lengths";

describe("lengths from rods", () => {
	it.each<[string, number[], number, number]>([
		["none from none", [], 430, 0],
		["as many as go", [100, 100, 100, 100], 430, 1],
		["one more than goes", [100, 100, 100, 100, 100], 430, 2],
		["a long and a short one share", [300, 300, 130, 130], 430, 2],
		["to the end of the rod", [215, 215], 430, 1],
	])("%s", (_, lengths, rod, rods) => expect(cutLengths(lengths, rod).rods).toHaveLength(rods));

	it("what is longer than a rod is named, and the rest is cut", () => {
		expect(cutLengths([500, 200], 430)).toEqual({
			rods: [{ cuts: [200], restMm: 230 }],
			tooLong: [500],
			least: 1,
		});
	});

	it("every length is on one rod, none is overfull, and 11/9 · OPT + 6/9 is kept against the bound (Dósa 2007)", () => {
		fc.assert(
			fc.property(fc.array(fc.integer({ min: 1, max: 430 }), { maxLength: 60 }), (lengths) => {
				const { rods, least } = cutLengths(lengths, 430);
				expect(rods.flatMap(({ cuts }) => cuts).sort((a, b) => a - b)).toEqual([...lengths].sort((a, b) => a - b));
				for (const { cuts, restMm } of rods) expect(cuts.reduce((sum, one) => sum + one, restMm)).toBeCloseTo(430);
				expect(rods.length).toBeGreaterThanOrEqual(least);
				// No two rods could be one: the sum of any two fillings is more than a rod, so at most twice the bound.
				expect(rods.length).toBeLessThanOrEqual(Math.max(1, 2 * least));
			}),
		);
	});
});
