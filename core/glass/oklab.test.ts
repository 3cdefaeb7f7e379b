import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { colourDifference, oklabOf } from "./oklab";

describe("OKLab", () => {
	// CSS Color Module Level 4 and Ottosson's article; values from memory, to three places.
	it.each([
		["#000000", 0, 0, 0],
		["#ffffff", 1, 0, 0],
		["#ff0000", 0.628, 0.225, 0.126],
		["#00ff00", 0.866, -0.234, 0.179],
		["#0000ff", 0.452, -0.032, -0.312],
	])("%s", (hex, l, a, b) => {
		const lab = oklabOf(hex);
		expect(lab.l).toBeCloseTo(l, 3);
		expect(lab.a).toBeCloseTo(a, 3);
		expect(lab.b).toBeCloseTo(b, 3);
	});
	it("a grey has no hue, and colours differ from themselves by nothing and from others alike both ways", () => {
		const hex = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, "0")}`);
		fc.assert(
			fc.property(hex, hex, fc.integer({ min: 0, max: 255 }), (one, other, grey) => {
				const { a, b } = oklabOf(`#${grey.toString(16).padStart(2, "0").repeat(3)}`);
				expect(Math.hypot(a, b)).toBeLessThan(1e-4);
				expect(colourDifference(one, one)).toBe(0);
				expect(colourDifference(one, other)).toBeCloseTo(colourDifference(other, one), 12);
			}),
		);
	});
});
