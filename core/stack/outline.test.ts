import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { PUDDLE_MM, spreadOf } from "./outline";

const grows = (side: number, mm: number, flow = 5) =>
	2 * spreadOf({ widthMm: side, heightMm: side, areaMm2: side * side, meanMm: mm, flow }).edgeMm;

describe("what the outline becomes at full fuse", () => {
	// de Gennes, Brochard-Wyart, Quéré, Capillarity and Wetting Phenomena: 2·κ⁻¹·sin(θ/2).
	it("a puddle of glass stands 6.06 mm", () => expect(PUDDLE_MM).toBeCloseTo(6.06, 2));

	// Common practice, no source.
	it("two singles keep their outline within 0.5 mm a side", () =>
		expect(Math.abs(grows(100, 6)) / 2).toBeLessThan(0.5));
	it("a 10 mm square of single becomes a dot of 8 to 9.5 mm", () => {
		expect(10 + grows(10, 3)).toBeGreaterThan(7.4);
		expect(10 + grows(10, 3)).toBeLessThan(9.5);
	});
	it("three singles of 100 mm grow 10 to 16 mm", () => {
		expect(grows(100, 9)).toBeGreaterThan(10);
		expect(grows(100, 9)).toBeLessThan(16);
	});
	it("one single of 100 mm shrinks 2 to 6 mm", () => {
		expect(grows(100, 3)).toBeLessThan(-2);
		expect(grows(100, 3)).toBeGreaterThan(-6);
	});

	it("hotter or longer never ends nearer to the start, and nothing happens to nothing", () => {
		fc.assert(
			fc.property(
				fc.double({ min: 10, max: 400, noNaN: true }),
				fc.double({ min: 2, max: 20, noNaN: true }),
				fc.double({ min: 0.001, max: 30, noNaN: true }),
				(side, mm, flow) => {
					expect(Math.abs(grows(side, mm, flow * 1.5))).toBeGreaterThanOrEqual(Math.abs(grows(side, mm, flow)) - 1e-9);
					expect(grows(side, mm, flow)).toBeGreaterThan(-side);
				},
			),
		);
		expect(spreadOf({ widthMm: 0, heightMm: 0, areaMm2: 0, meanMm: 0, flow: 5 }).edgeMm).toBe(0);
	});
});
