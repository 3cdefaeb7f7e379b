import { describe, expect, it } from "vitest";
import { temperatureTicks } from "./temperature-ticks";

describe("ticks of a temperature axis", () => {
	it("are round in °C for who reads °C", () => {
		expect(temperatureTicks([0, 850], 5, "C").map(({ label }) => label)).toEqual([
			"0°",
			"200°",
			"400°",
			"600°",
			"800°",
		]);
	});
	it("are round in °F for who reads °F, and lie where they belong", () => {
		const shown = temperatureTicks([0, 850], 5, "F");
		expect(shown.every(({ label }) => Number.parseInt(label, 10) % 100 === 0)).toBe(true);
		// 1400 °F is 760 °C, by definition of the scale.
		expect(shown.find(({ label }) => label === "1400°")?.c).toBeCloseTo(760, 9);
	});
	it("an empty range has none but its own temperature", () => {
		expect(temperatureTicks([20, 20], 4, "C")).toEqual([{ c: 20, label: "20°" }]);
	});
});
