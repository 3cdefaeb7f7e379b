import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { glyphProfile, profileAfter } from "./profile";

const total = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0);

describe("a section after firing", () => {
	it("keeps its glass, whatever the steps and the heat", () => {
		fc.assert(
			fc.property(
				fc.array(fc.integer({ min: 0, max: 12 }), { minLength: 4, maxLength: 60 }),
				fc.double({ min: 0, max: 30, noNaN: true }),
				(heights, flow) => {
					const after = profileAfter(heights, 1, flow);
					expect(total(after)).toBeCloseTo(total(heights), 6);
					expect(Math.min(...after)).toBeGreaterThanOrEqual(0);
				},
			),
		);
	});

	it("is flatter the hotter it was: tack, contour and full differ by eye (common practice, no source)", () => {
		const relief = (level: "tack" | "contour" | "full") => {
			const profile = glyphProfile(level);
			return Math.max(...profile) - (profile[8] as number);
		};
		expect(relief("tack")).toBeGreaterThan(relief("contour") + 0.3);
		expect(relief("contour")).toBeGreaterThan(relief("full") + 0.5);
		expect(relief("full")).toBeLessThan(1.2);
	});

	it("nothing lasting happens below the slump band", () =>
		expect(profileAfter([3, 6, 3], 1, 0.003)).toEqual([3, 6, 3]));
});
