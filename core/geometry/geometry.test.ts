import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { boundsOf } from "./bounds";
import { nearestOf } from "./nearest";
import { areaMm2, centroid, intersect, offset, perimeterMm, type Region, subtract, unite } from "./region";
import { boxOf, type CutShape, placeRing, regionOfShape, shapeAreaMm2 } from "./shape";
import { isSimple } from "./simple";

const side = fc.double({ min: 2, max: 400, noNaN: true });
const shapes: fc.Arbitrary<CutShape> = fc.oneof(
	fc.record({ kind: fc.constant("rectangle" as const), widthMm: side, heightMm: side }),
	fc.record({ kind: fc.constant("square" as const), sideMm: side }),
	fc.record({ kind: fc.constant("strip" as const), lengthMm: side, widthMm: side }),
	fc.record({ kind: fc.constant("triangle" as const), widthMm: side, heightMm: side }),
	fc.record({ kind: fc.constant("circle" as const), diameterMm: side }),
	side.map((mm): CutShape => ({ kind: "ring", diameterMm: mm, holeMm: mm * 0.6 })),
	fc.record({ kind: fc.constant("polygon" as const), sides: fc.integer({ min: 3, max: 12 }), diameterMm: side }),
);
const square = (size: number, x = 0, y = 0): Region => [
	...regionOfShape({ kind: "square", sideMm: size }).map((ring) => placeRing(ring, { x, y }, 0)),
];

describe("cuts of glass", () => {
	it("an outline has the area of the school formula, wherever it lies and however it is turned", () => {
		fc.assert(
			fc.property(shapes, fc.integer({ min: 0, max: 359 }), side, (shape, degrees, x) => {
				const region = regionOfShape(shape).map((ring) => placeRing(ring, { x, y: -x }, degrees));
				expect(areaMm2(region) / shapeAreaMm2(shape)).toBeCloseTo(1, 2);
			}),
		);
	});

	it("a right triangle's centre of area is a third of the way from its right angle (Euclid)", () => {
		const centre = centroid(regionOfShape({ kind: "triangle", widthMm: 30, heightMm: 60 }));
		expect(centre).toEqual({ x: expect.closeTo(-5, 9), y: expect.closeTo(-10, 9) });
	});
});

describe("regular polygons and free outlines", () => {
	// Euclid's hexagon: its side is its radius; corner to corner 40 → area 6·(√3/4)·20².
	it("a hexagon of 40 mm from corner to corner", () => {
		const hexagon: CutShape = { kind: "polygon", sides: 6, diameterMm: 40 };
		expect(shapeAreaMm2(hexagon)).toBeCloseTo(6 * (Math.sqrt(3) / 4) * 400, 6);
		expect(Math.max(...boxOf(hexagon))).toBeCloseTo(40, 6);
	});
	it("an outline keeps its shape and gets the middle of its box, whichever way round it was drawn", () => {
		const points = [
			{ x: 10, y: 10 },
			{ x: 10, y: 40 },
			{ x: 70, y: 10 },
		];
		const [ring] = regionOfShape({ kind: "outline", points });
		expect(areaMm2([ring ?? []])).toBeCloseTo(900);
		expect(boundsOf([ring ?? []])).toMatchObject({ minX: -30, maxX: 30, minY: -15, maxY: 15 });
	});
	it.each([
		[
			"a square",
			[
				[0, 0],
				[9, 0],
				[9, 9],
				[0, 9],
			],
			true,
		],
		[
			"a bow tie",
			[
				[0, 0],
				[9, 9],
				[9, 0],
				[0, 9],
			],
			false,
		],
		[
			"a spike that runs back on itself",
			[
				[0, 0],
				[9, 0],
				[4, 0],
				[4, 9],
			],
			false,
		],
		[
			"a corner that touches another edge",
			[
				[0, 0],
				[9, 0],
				[9, 9],
				[4, 0],
				[0, 9],
			],
			false,
		],
		[
			"a comb",
			[
				[0, 0],
				[9, 0],
				[9, 9],
				[6, 9],
				[6, 2],
				[3, 2],
				[3, 9],
				[0, 9],
			],
			true,
		],
	] as [string, [number, number][], boolean][])("%s is simple: %s", (_, corners, simple) =>
		expect(isSimple(corners.map(([x, y]) => ({ x, y })))).toBe(simple),
	);
});

describe("how near two cuts come", () => {
	const at = (x: number, y: number, turn = 0): Region =>
		regionOfShape({ kind: "square", sideMm: 20 }).map((ring) => placeRing(ring, { x, y }, turn));
	// Pythagoras; a square on its corner reaches 10·√2 from its middle.
	it.each([
		["side by side", at(30, 0), 10],
		["corner to corner", at(23, 24), 5],
		["a corner against a side", at(40, 0, 45), 30 - 10 * Math.SQRT2],
		["touching", at(20, 5), 0],
		["one in the other", at(1, 1), 0],
	])("%s", (_, other, mm) => expect(nearestOf(at(0, 0), other).mm).toBeCloseTo(mm, 6));
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
