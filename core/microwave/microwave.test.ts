import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { firstSaid } from "../../tests/support/said";
import { quantile } from "../quantile";
import { METRIC, phraseText } from "../units/phrase";
import { parsePowers } from "./powers";
import { afterLook, energyWs, LAST_STEP_S, LOOKS, type Look, programmeLike } from "./programme";
import { coolingMin, LEAST_COOLING_MIN, type MicrowaveRecord, suggestProgramme, USUAL_COOLING_MIN } from "./suggest";

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
	it("gives the energy it was asked for, as it was given before, ending in half-minute steps", () => {
		fc.assert(
			fc.property(fc.integer({ min: 60_000, max: 700_000 }), fc.constantFrom(350, 500, 800), (energy, watts) => {
				const before = [
					{ watts: 350, seconds: 200 },
					{ watts, seconds: 900 },
				];
				const steps = programmeLike(before, energy);
				expect(Math.abs(energyWs(steps) - energy)).toBeLessThan(watts * LAST_STEP_S);
				expect(steps[0]?.watts).toBe(350);
				const short = steps.filter(({ seconds }) => seconds === LAST_STEP_S);
				expect(energyWs(short) / energyWs(steps)).toBeGreaterThan(0.15);
			}),
		);
	});

	// Common practice, no source: half power, a look after 60 kJ, then every 15 kJ; palm-sized blocks take 110 to 280 kJ.
	it.each([
		[[180, 350, 500, 750], 350],
		[[300, 600, 1000], 600],
		[[450, 900], 450],
	])("begins without a record at half of %j W, is looked in after 60 kJ and then every 15 kJ", (watts, half) => {
		const { steps, fromIds, energyWs: energy, because } = suggestProgramme([], { ...wish, watts });
		expect(new Set(steps.map((step) => step.watts))).toEqual(new Set([half]));
		const [first, ...rest] = steps.map((step) => step.watts * step.seconds);
		expect(first).toBeGreaterThan(57_000);
		expect(first).toBeLessThan(63_000);
		for (const one of rest) expect(Math.abs(one - 15_000)).toBeLessThanOrEqual(half * 2.5);
		expect(energy).toBeGreaterThan(95_000);
		expect(energy).toBeLessThan(125_000);
		expect(fromIds).toEqual([]);
		expect(phraseText(because, METRIC)).toContain("about 110 to 280 kJ");
	});

	it("plans more without a record the further it is to go, fired before or not", () => {
		for (const fired of [false, true]) {
			const energies = LOOKS.map((outcome) => suggestProgramme([], { ...wish, outcome, fired }).energyWs);
			expect(energies).toEqual(energies.toSorted((a, b) => a - b));
			expect(new Set(energies).size).toBe(LOOKS.length);
		}
	});

	it("offers what came out as wanted again, unchanged: a noted 4:00 comes back as 4:00", () => {
		const four = { watts: 350, seconds: 240 };
		const records = [record("new", { steps: [four, four], looks: [] }), record("old")];
		const { steps, fromIds } = suggestProgramme(records, wish);
		expect(steps).toEqual([four, four]);
		expect(fromIds).toEqual(["new"]);
	});

	it("fired before it starts at the same powers and as gently as fresh", () => {
		const fresh = suggestProgramme([record("near")], wish);
		expect(suggestProgramme([record("near")], { ...wish, fired: true }).steps).toEqual(fresh.steps);
		const again = record("again", { fired: true, steps: [{ watts: 180, seconds: 600 }] });
		expect(suggestProgramme([record("near"), again], { ...wish, fired: true }).fromIds).toEqual(["again"]);
	});

	it("goes by this block in this oven before any other record", () => {
		const records = [
			record("far", { ovenId: "shed", steps: [{ watts: 900, seconds: 900 }] }),
			record("near"),
			record("other", { blockId: "drum", steps: [{ watts: 900, seconds: 600 }] }),
		];
		expect(suggestProgramme(records, wish)).toMatchObject({ fromIds: ["near"], steps: record("near").steps });
		expect(suggestProgramme(records.slice(0, 1), wish).fromIds).toEqual(["far"]);
		expect(suggestProgramme(records.slice(2), wish).fromIds).toEqual(["other"]);
	});

	it("takes a look along the way for what it is, and reckons from the nearest where it was never seen so", () => {
		const soft = suggestProgramme([record("near")], { ...wish, outcome: "edgesSoft" });
		const round = suggestProgramme([record("near")], wish);
		const flat = suggestProgramme([record("near")], { ...wish, outcome: "flat" });
		expect(soft.energyWs).toBeLessThan(round.energyWs);
		expect(flat.energyWs).toBeGreaterThan(round.energyWs);
		expect([soft.fromIds, flat.fromIds]).toEqual([["near"], ["near"]]);
	});

	it("uses only powers the oven has", () => {
		const suggestion = suggestProgramme([record("near")], { ...wish, watts: [300, 600], fired: true });
		expect(suggestion.steps.every(({ watts }) => [300, 600].includes(watts))).toBe(true);
		expect(Math.abs(suggestion.energyWs / energyWs(record("near").steps) - 1)).toBeLessThan(0.12);
	});

	it("is shortened and lengthened by what was seen last", () => {
		const left = [
			{ watts: 500, seconds: 240 },
			{ watts: 500, seconds: 30 },
		];
		const rest = (seen: Look, wanted: Look = "rounded", steps = left) => energyWs(afterLook(steps, seen, wanted, 500));
		expect(rest("rounded")).toBe(0);
		expect(rest("flat")).toBe(0);
		expect(rest("edgesSoft")).toBe(30_000);
		expect(rest("glowing")).toBe(60_000);
		expect(rest("dull")).toBe(90_000);
		expect(rest("glowing", "rounded", [])).toBe(30_000);
		// What was planned stays where it is about right.
		expect(afterLook([{ watts: 500, seconds: 45 }], "edgesSoft", "rounded", 500)).toEqual([
			{ watts: 500, seconds: 45 },
		]);
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

	it("is never planned by a block that was opened right after heating", () => {
		const early = [0, 3, 20, LEAST_COOLING_MIN - 1].map((min, i) => record(`early ${i}`, { coolingMin: min }));
		expect(coolingMin(early, "thimble")).toEqual({ min: USUAL_COOLING_MIN, from: 0 });
		expect(coolingMin([...early, record("waited", { coolingMin: 50 })], "thimble")).toEqual({ min: 50, from: 1 });
	});
	// Hyndman & Fan (1996), type 7: the median of 1, 2, 3, 10 is 2.5, the 90 % quantile 7.9.
	it("counts quantiles as statistics packages do", () => {
		expect(quantile([1, 2, 3, 10], 0.5)).toBe(2.5);
		expect(quantile([1, 2, 3, 10], 0.9)).toBeCloseTo(7.9, 9);
		expect(quantile([], 0.5)).toBeNaN();
	});
});

describe("an oven's powers", () => {
	it.each([
		["180, 350, 500, 750", [180, 350, 500, 750]],
		["900 W, 50 %, 30%", [270, 450, 900]],
		["1000; 10 %; 100 %", [100, 1000]],
		["", []],
	])("%j", (text, watts) => expect(parsePowers(text)).toEqual({ ok: true, value: watts }));

	it.each([
		["50 %, 80 %", "full power"],
		["700, warm", "“warm” is no power"],
		["-5", "“-5” is no power"],
	])("%j is refused", (text, words) => {
		const read = parsePowers(text);
		expect(read.ok ? "" : firstSaid(read.problems)).toContain(words);
	});
});
