import { expect, it } from "vitest";
import { paperScale } from "./paper-scale";

// A4 is 210 mm wide (ISO 216), Letter 215.9 mm (ANSI/ASME Y14.1): both hold 178 mm between 15 mm edges.
it.each([
	["a small shelf as large as it is", 120, 100, 1],
	["by its width", 528, 300, 3],
	["by its height", 300, 454, 3.5],
	["just as much as there is room for", 356, 300, 2],
])("%s", (_, widthMm, heightMm, scale) => {
	expect(paperScale({ widthMm, heightMm })).toBe(scale);
	expect(widthMm / scale).toBeLessThanOrEqual(178);
	expect(heightMm / scale).toBeLessThanOrEqual(150);
});
