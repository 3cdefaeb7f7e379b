import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { glowHex, glowOf } from "./glow";

describe("the colour of heat", () => {
	// Draper (1847): solids begin to glow visibly near 525 °C; the rule is dark below 500.
	it("is dark below 500 °C", () => expect(glowOf(499)).toBeUndefined());

	it("is red first, then orange: red leads green leads blue, and each only grows with heat", () => {
		fc.assert(
			fc.property(fc.integer({ min: 500, max: 990 }), (c) => {
				const [here, hotter] = [glowOf(c), glowOf(c + 10)];
				if (!here || !hotter) throw new Error("glows");
				expect(here[0]).toBeGreaterThan(here[1]);
				expect(here[1]).toBeGreaterThanOrEqual(here[2]);
				for (let i = 0; i < 3; i++) expect(hotter[i]).toBeGreaterThanOrEqual(here[i] as number);
			}),
		);
	});

	it("writes a colour", () => expect(glowHex(804)).toMatch(/^#[0-9a-f]{6}$/));
});
