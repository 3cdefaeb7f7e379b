import { describe, expect, it } from "vitest";
import { isPlausible, type LineFigures, plausible } from "./plausible";

const GOOD: LineFigures = { airC: 812, setC: 815, duty: 0.4, kwh: 12.5, segment: 3, elapsedS: 7200 };

describe("what a line says", () => {
	it("stays as it is where it can be true", () => {
		expect(plausible({ ...GOOD, status: "running" })).toEqual({ ...GOOD, status: "running" });
	});

	// A register is 16 bits wide: 65,535 and −32,768 are what an empty or broken one says (Modbus application protocol 1.1b3).
	it.each<[keyof LineFigures, number]>([
		["kwh", 1e300],
		["kwh", -1],
		["segment", 40_000],
		["segment", 2.5],
		["segment", -1],
		["airC", -9999],
		["airC", 65_535],
		["setC", Number.POSITIVE_INFINITY],
		["duty", 1.5],
		["elapsedS", Number.NaN],
		["elapsedS", 4_294_967_295],
	])("loses only its %s where that is %d", (name, value) => {
		expect(plausible({ ...GOOD, [name]: value })).toEqual({ ...GOOD, [name]: null });
	});

	it("says nothing where there was nothing", () => {
		const none = { airC: null, setC: null, duty: null, kwh: null, segment: null, elapsedS: null };
		expect(plausible(none)).toEqual(none);
	});

	// Glass kilns end below 1,300 °C by their wire (common practice, no source); a cold workshop freezes.
	it.each([-10, 0, 21, 600, 1290])("takes %d °C", (c) => {
		expect(isPlausible("airC", c)).toBe(true);
	});
});
