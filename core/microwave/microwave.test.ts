import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { quantile } from "../quantile";
import { energyWs, LAST_STEP_S, LOOKS, programmeOf } from "./programme";
import { coolingMin, type MicrowaveRecord, suggestProgramme, USUAL_COOLING_MIN } from "./suggest";

const record = (id: string, rest: Partial<MicrowaveRecord> = {}): MicrowaveRecord => ({
	id,
	blockId: "thimble",
	ovenId: "galley",
	steps: [
		{ watts: 350, seconds: 240 },
		{ watts: 500, seconds: 240 },
		{ watts: 500, seconds: 30 },
	],
	looks: [{ s: 480, seen: "edgesSoft" }],
	outcome: "rounded",
	fired: false,
	coolingMin: 65,
	...rest,
});
const wish = {
	blockId: "thimble",
	ovenId: "galley",
	watts: [180, 350, 500, 750],
	outcome: "rounded",
	fired: false,
} as const;

describe("a microwave programme", () => {
	it("gives the energy it was asked for, ending in half-minute steps", () => {
		fc.assert(
			fc.property(fc.integer({ min: 120_000, max: 700_000 }), fc.constantFrom(350, 500, 800), (energy, watts) => {
				const steps = programmeOf(energy, [
					{ watts: 350, share: 0.4 },
					{ watts, share: 0.6 },
				]);
				expect(Math.abs(energyWs(steps) - energy)).toBeLessThan(watts * LAST_STEP_S);
				const short = steps.filter(({ seconds }) => seconds === LAST_STEP_S);
				expect(energyWs(short) / energyWs(steps)).toBeGreaterThan(0.2);
			}),
		);
	});

	it("begins as usual without a record, and says that it has none", () => {
		const { steps, fromIds, energyWs: energy } = suggestProgramme([], wish);
		// Common practice, no source: 350 W 4 min, 500 W 4 min, then short steps.
		expect(energy).toBeGreaterThan(200_000);
		expect(energy).toBeLessThan(270_000);
		expect(steps[0]?.watts).toBe(350);
		expect(fromIds).toEqual([]);
	});

	it("goes by this block in this oven before any other record", () => {
		const records = [
			record("far", { ovenId: "shed", steps: [{ watts: 900, seconds: 900 }] }),
			record("near"),
			record("other", { blockId: "drum", steps: [{ watts: 900, seconds: 600 }] }),
		];
		const suggestion = suggestProgramme(records, wish);
		expect(suggestion.fromIds).toEqual(["near"]);
		expect(Math.abs(suggestion.energyWs / energyWs(record("near").steps) - 1)).toBeLessThan(0.08);
		expect(suggestProgramme(records.slice(0, 1), wish).fromIds).toEqual(["far"]);
		expect(suggestProgramme(records.slice(2), wish).fromIds).toEqual(["other"]);
	});

	it("takes a look along the way for what it is: less energy for edges soft than for rounded", () => {
		const soft = suggestProgramme([record("near")], { ...wish, outcome: "edgesSoft" });
		const round = suggestProgramme([record("near")], wish);
		expect(soft.energyWs).toBeLessThan(round.energyWs);
		expect(soft.fromIds).toEqual(["near"]);
	});

	it("uses only powers the oven has", () => {
		const suggestion = suggestProgramme([record("near")], { ...wish, watts: [300, 600], fired: true });
		expect(new Set(suggestion.steps.map(({ watts }) => watts))).toEqual(new Set([300, 600]));
	});

	it("knows what can be seen, coldest first", () => {
		expect(LOOKS[0]).toBe("dull");
		expect(LOOKS.at(-1)).toBe("flat");
	});
});

describe("how long the lesson has to be", () => {
	it("takes the cooling time from the record, and an hour without one", () => {
		const records = [
			record("a", { coolingMin: 55 }),
			record("b", { coolingMin: 70 }),
			record("c", { coolingMin: null }),
		];
		expect(coolingMin(records, "thimble")).toEqual({ min: 70, from: 2 });
		expect(coolingMin(records, "drum")).toEqual({ min: USUAL_COOLING_MIN, from: 0 });
	});
	// Hyndman & Fan (1996), type 7: the median of 1, 2, 3, 10 is 2.5, the 90 % quantile 7.9.
	it("counts quantiles as statistics packages do", () => {
		expect(quantile([1, 2, 3, 10], 0.5)).toBe(2.5);
		expect(quantile([1, 2, 3, 10], 0.9)).toBeCloseTo(7.9, 9);
		expect(quantile([], 0.5)).toBeNaN();
	});
});
