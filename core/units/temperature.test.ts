import { describe, expect, it } from "vitest";
import { firstSaid } from "../../tests/support/said";
import {
	celsius,
	celsiusStep,
	fahrenheit,
	formatRate,
	formatStep,
	formatTemperature,
	parseRateCPerH,
	parseStepK,
	parseTemperatureC,
} from "./temperature";

describe("temperatures and rates", () => {
	// Fixed points of the Fahrenheit scale: water freezes at 32 and boils at 212 (its definition).
	it("meets the scale's fixed points", () => {
		expect(fahrenheit(0)).toBe(32);
		expect(fahrenheit(100)).toBe(212);
		expect(celsius(-40)).toBeCloseTo(-40);
	});

	it("leaves the offset out of a rate", () => {
		expect(formatRate(100, "F")).toBe("180 °F/h");
		expect(formatRate(100, "C")).toBe("100 °C/h");
		expect(celsiusStep(180)).toBe(100);
	});

	it.each([
		["804", 804],
		["1480F", 804.444],
		["1480 °F", 804.444],
		["21,5 c", 21.5],
		["-5", -5],
	])("reads %s", (text, expected) => {
		const result = parseTemperatureC(text);
		expect(result.ok && result.value).toBeCloseTo(expected, 2);
	});

	it("says what it could not read", () => {
		const result = parseTemperatureC("hot");
		expect(!result.ok && firstSaid(result.problems)).toContain("“hot” is not a temperature");
	});

	it.each([
		[5, "C", "5 °C", "+5 °C"],
		[5, "F", "9 °F", "+9 °F"],
		[-9, "C", "−9 °C", "−9 °C"],
		[0.5, "F", "0.9 °F", "+0.9 °F"],
		[0, "C", "0 °C", "0 °C"],
	] as const)("writes a difference of %f K in °%s", (k, unit, plain, signed) => {
		expect(formatStep(k, unit)).toBe(plain);
		expect(formatStep(k, unit, true)).toBe(signed);
	});

	it.each([
		["5", "C", 5],
		["-9 F", "C", -5],
		["+9", "F", 5],
		["−5 °C", "F", -5],
	] as const)("reads %s with °%s as a difference", (text, unit, k) => {
		const read = parseStepK(text, unit);
		expect(read.ok && read.value).toBeCloseTo(k, 9);
	});

	it("says what is no difference", () => expect(parseStepK("a lot").ok).toBe(false));

	it("writes the unit", () => expect(formatTemperature(804, "F")).toBe("1479 °F"));
});

describe("rates as people type them", () => {
	it.each([
		["150", 150],
		["270 F/h", 150],
		["83 °C/h", 83],
		["full", "full"],
		["off", "full"],
	])("reads %s", (text, expected) => expect(parseRateCPerH(text)).toEqual({ ok: true, value: expected }));
	it("takes a bare number in the reader’s unit, and refuses nonsense", () => {
		expect(parseRateCPerH("180", "F")).toEqual({ ok: true, value: 100 });
		for (const text of ["", "0", "-5", "fast"]) expect(parseRateCPerH(text).ok).toBe(false);
	});
});
