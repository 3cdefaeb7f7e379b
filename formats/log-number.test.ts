import { describe, expect, it } from "vitest";
import { decimalSignOf, isAmbiguous, logNumber, statedUnit } from "./log-number";

describe("a number of a log", () => {
	it.each([
		[".", "812.5", 812.5],
		[".", "812,5", Number.NaN],
		[".", "1,204.5", 1204.5],
		[".", "1,204", Number.NaN],
		[".", "12,04.5", Number.NaN],
		[".", ".5", 0.5],
		[".", " 1508.0 °F ", 1508],
		[".", "-3.2e1", -32],
		[",", "812,5", 812.5],
		[",", "812.5", Number.NaN],
		[",", "1.204,5 C", 1204.5],
		[",", "1.204", Number.NaN],
		[",", "24", 24],
		[",", "", Number.NaN],
		[",", "open", Number.NaN],
	] as const)("with %j, %j is %d", (sign, cell, value) => expect(logNumber(cell, sign)).toEqual(value));

	it.each([
		["1,003", true],
		["1.003", true],
		["2.412 °F", true],
		["821.125", false],
		["0.125", false],
		["1003", false],
		["1003.5", false],
	])("%j could mean two things: %s", (cell, both) => expect(isAmbiguous(cell)).toBe(both));

	it.each([
		[["24.5", "1,003.2"], "."],
		[["24,5", "1.003,2"], ","],
		[["24", "1,003"], "."],
		[["821,25", "1,003"], ","],
		[[], "."],
	] as const)("%j are written with %j", (cells, sign) => expect(decimalSignOf(cells)).toBe(sign));

	it.each([
		["temperature °C", "C"],
		["Temp (F)", "F"],
		["kiln_temp_degF", "F"],
		["Celsius", "C"],
		["air [C]", "C"],
		["Kiln / F", "F"],
		["812.5 C", "C"],
		["TC1", undefined],
		["channel F2", undefined],
		["shelf", undefined],
		["°C or °F", undefined],
	])("%j states %s", (text, unit) => expect(statedUnit(text)).toBe(unit));
});
