import { describe, expect, it } from "vitest";
import { formatLength } from "./length";
import { scaleBarMm } from "./scale-bar";

describe("a scale bar", () => {
	it.each([
		[160, "20 mm", "1 in"],
		[500, "50 mm", "2 in"],
		[900, "100 mm", "4 in"],
		[640, "100 mm", "4 in"],
		[3000, "500 mm", "12 in"],
		[60, "10 mm", "1/4 in"],
		[30, "5 mm", "1/8 in"],
	])("of %d mm shown is %s or %s", (shown, metric, imperial) => {
		expect(formatLength(scaleBarMm(shown, "mm"), "mm")).toBe(metric);
		expect(formatLength(scaleBarMm(shown, "in"), "in")).toBe(imperial);
	});
});
