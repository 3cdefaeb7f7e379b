import { describe, expect, it } from "vitest";
import type { CountedLine } from "../cutting/glass-lists";
import { listCosts } from "./list-costs";

const base = { kind: "sheet" as const, stuff: "", stripMm: 20, spares: 0, done: 0, broken: 0, amount: null };
const square = (key: string, glassId: string, sideMm: number, needed: number): CountedLine => ({
	...{ ...base, key, glassId, needed, perKit: 1 },
	shape: { kind: "square", sideMm },
});
const frit = (glassId: string, g: number, needed: number): CountedLine => ({
	...{ ...base, kind: "grains", key: `${glassId} frit`, glassId, needed, perKit: 1, shape: null, amount: { g } },
});
const GLASSES = [
	{ id: "dusk", priceMinor: 10_000 },
	{ id: "powder", priceMinor: 4000 },
];
const nothing = { name: "", widthMm: null, heightMm: null, sizeMm: null };

describe("what kits cost", () => {
	it("a sheet is borne by what each list takes of it, waste with it", () => {
		// 0.2 m² used at 100 a m²: 20 in all. Lists cut 0.09 and 0.06 m²: 12 and 8.
		const runs = [
			{ id: "a", kits: 9, lines: [square("a", "dusk", 100, 9)] },
			{ id: "b", kits: 6, lines: [square("b", "dusk", 100, 6)] },
		];
		const { lists, totalMinor, wasteShare } = listCosts(
			runs,
			[{ glassId: "dusk", usedMm2: 200_000, cutMm2: 150_000, beforeMm2: 0 }],
			[],
			GLASSES,
		);
		expect(lists.map(({ sheetMinor }) => sheetMinor)).toEqual([1200, 800]);
		expect(lists.map(({ kitMinor }) => kitMinor)).toEqual([133, 133]);
		expect(totalMinor).toBe(2000);
		expect(wasteShare).toBeCloseTo(0.25, 9);
	});
	it("what was cut without a plan counts with the usual waste of a quarter", () => {
		const runs = [{ id: "a", kits: 6, lines: [square("a", "dusk", 100, 6)] }];
		// 0.06 m² cut: 0.08 m² of glass at 100 a m².
		const none = [{ glassId: "dusk", usedMm2: 0, cutMm2: 0, beforeMm2: 60_000 }];
		expect(listCosts(runs, none, [], GLASSES)).toMatchObject({ totalMinor: 800, wasteShare: 0.25 });
		const half = [{ glassId: "dusk", usedMm2: 32_000, cutMm2: 30_000, beforeMm2: 30_000 }];
		expect(listCosts(runs, half, [], GLASSES).totalMinor).toBe(320 + 400);
	});
	it("frit goes by the stock's price, else by the glass book's for a kilogram", () => {
		const runs = [{ id: "a", kits: 10, lines: [frit("powder", 5, 10)] }];
		const item = { ...nothing, kind: "grains" as const, glassId: "powder", buyAmount: 100, priceMinor: 900 };
		expect(listCosts(runs, [], [item], GLASSES).lists[0]).toMatchObject({ otherMinor: 450, kitMinor: 45 });
		expect(listCosts(runs, [], [], GLASSES).lists[0]).toMatchObject({ otherMinor: 200, kitMinor: 20 });
	});
	it("what has no price is named, never guessed", () => {
		const runs = [{ id: "a", kits: 2, lines: [square("a", "fog", 50, 2), frit("mist", 3, 2)] }];
		const found = listCosts(runs, [{ glassId: "fog", usedMm2: 5000, cutMm2: 5000, beforeMm2: 0 }], [], []);
		expect(found).toMatchObject({ totalMinor: 0, wasteShare: 0, unpriced: ["fog", "mist"] });
	});
	it("lists share all of it: nothing is lost but by rounding to whole units", () => {
		const runs = [1, 2, 3, 5].map((n) => ({
			...{ id: `${n}`, kits: n },
			lines: [square("p", "dusk", 30 + 7 * n, 3 * n), square("q", "other", 20, n)],
		}));
		const sheets = [
			{ glassId: "dusk", usedMm2: 430_000, cutMm2: 400_000, beforeMm2: 0 },
			{ glassId: "other", usedMm2: 60_000, cutMm2: 50_000, beforeMm2: 0 },
		];
		const { totalMinor } = listCosts(
			runs,
			sheets,
			[],
			[
				{ id: "dusk", priceMinor: 9500 },
				{ id: "other", priceMinor: 13_500 },
			],
		);
		expect(Math.abs(totalMinor - (0.43 * 9500 + 0.06 * 13_500))).toBeLessThanOrEqual(4);
	});
});
