import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { areaMm2, boundsOf, centroid, intersect, offset, perimeterMm, type Region, subtract, unite } from "./region";
import { type CutShape, outlineOf, placeRing, shapeAreaMm2 } from "./shape";

const side = fc.double({ min: 2, max: 400, noNaN: true });
const shapes: fc.Arbitrary<CutShape> = fc.oneof(
	fc.record({ kind: fc.constant("rectangle" as const), widthMm: side, heightMm: side }),
	fc.record({ kind: fc.constant("square" as const), sideMm: side }),
	fc.record({ kind: fc.constant("strip" as const), lengthMm: side, widthMm: side }),
	fc.record({ kind: fc.constant("triangle" as const), widthMm: side, heightMm: side }),
	fc.record({ kind: fc.constant("circle" as const), diameterMm: side }),
);
const square = (size: number, x = 0, y = 0): Region => [
	placeRing(outlineOf({ kind: "square", sideMm: size }), { x, y }, 0),
];

describe("cuts of glass", () => {
	it("an outline has the area of the school formula, wherever it lies and however it is turned", () => {
		fc.assert(
			fc.property(shapes, fc.integer({ min: 0, max: 359 }), side, (shape, degrees, x) => {
				const ring = placeRing(outlineOf(shape), { x, y: -x }, degrees);
				expect(areaMm2([ring]) / shapeAreaMm2(shape)).toBeCloseTo(1, 2);
			}),
		);
	});

	it("a right triangle's centre of area is a third of the way from its right angle (Euclid)", () => {
		const centre = centroid([outlineOf({ kind: "triangle", widthMm: 30, heightMm: 60 })]);
		expect(centre).toEqual({ x: expect.closeTo(-5, 9), y: expect.closeTo(-10, 9) });
	});
});

describe("overlay", () => {
	it("knows overlaps, gaps and sums by inclusion and exclusion", () => {
		const [a, b] = [square(100), square(100, 60, 0)];
		expect(areaMm2(intersect(a, b))).toBeCloseTo(4000);
		expect(areaMm2(unite([a, b]))).toBeCloseTo(16_000);
		expect(areaMm2(subtract(a, b))).toBeCloseTo(6000);
		expect(unite([])).toEqual([]);
		expect(centroid([])).toBeUndefined();
		expect(boundsOf([]).widthMm).toBe(0);
	});

	it("an offset square has the area of Steiner's formula: A + p·δ + π·δ²", () => {
		expect(areaMm2(offset(square(100), 5))).toBeCloseTo(10_000 + 400 * 5 + Math.PI * 25, 0);
		expect(areaMm2(offset(square(100), -5))).toBeCloseTo(8100);
		expect(perimeterMm(square(100))).toBe(400);
	});
});
