import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { firstSaid } from "../../tests/support/said";
import { formatLength, parseLengthMm } from "./length";

const mm = (text: string, assumed?: "mm" | "in") => {
	const result = parseLengthMm(text, assumed);
	return result.ok ? result.value : firstSaid(result.problems);
};

describe("a typed length", () => {
	it.each([
		["100", 100],
		["6.4cm", 64],
		["6,4 cm", 64],
		["2 1/2 in", 63.5],
		['3/4"', 19.05],
		["2-1/4 in", 57.15],
		["-3 mm", -3],
	])("%s is %f mm", (text, expected) => expect(mm(text)).toBeCloseTo(expected, 9));

	it("takes a bare number in the unit of the screen", () => expect(mm("4", "in")).toBeCloseTo(101.6));

	it.each(["", "abc", "12 furlongs", "1/2/3", "1e3"])("refuses %j with the forms it knows", (text) =>
		expect(mm(text)).toMatch(/is not a length/),
	);

	it("refuses a fraction over nothing", () => expect(mm("1/0 in")).toMatch(/0 below the line/));

	// Gauges of the trade: single, double and thin sheet, a thread, a blade; each as a caliper shows it (25.4 mm to the inch).
	it.each([
		[3, "0.118 in"],
		[6, "0.236 in"],
		[1.6, "1/16 in"],
		[2, "0.079 in"],
		[1, "0.039 in"],
		[0.9, "0.035 in"],
		[6.096, "0.24 in"],
		[6.35, "1/4 in"],
		[22, "7/8 in"],
		[234.95, "9 1/4 in"],
		[100, "3 15/16 in"],
		[0.01, "0 in"],
		[0, "0 in"],
		[-3, "-0.118 in"],
	])("%f mm is %s", (value, words) => expect(formatLength(value, "in")).toBe(words));

	it("reads back what it wrote, to a sixteenth of an inch", () => {
		fc.assert(
			fc.property(fc.double({ min: 0, max: 2000, noNaN: true }), (value) => {
				expect(Math.abs((mm(formatLength(value, "in")) as number) - value)).toBeLessThanOrEqual(25.4 / 32 + 1e-9);
				expect(Math.abs((mm(formatLength(value, "mm")) as number) - value)).toBeLessThanOrEqual(0.5 + 1e-9);
			}),
		);
	});
});
