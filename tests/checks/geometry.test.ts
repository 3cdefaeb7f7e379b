import { isOn } from "@core/geometry/inside";
import { nearestOf } from "@core/geometry/nearest";
import { areaMm2, centroid, type Point, perimeterMm, type Ring, thinned } from "@core/geometry/region";
import { type CutShape, placeRing, regionOfShape, signedAreaMm2 } from "@core/geometry/shape";
import { isSimple } from "@core/geometry/simple";
import { Polygon, point } from "@flatten-js/core";
import { polygonArea, polygonCentroid, polygonContains, polygonHull, polygonLength } from "d3-polygon";
import fc from "fast-check";
import { describe, expect, it } from "vitest";

/** The core's planar geometry against two independent libraries: d3-polygon (areas, centroids, inside) and flatten-js (distances). */
const side = fc.double({ min: 3, max: 150, noNaN: true });
const place = fc.double({ min: -120, max: 120, noNaN: true });
const shape: fc.Arbitrary<CutShape> = fc.oneof(
	fc.record({ kind: fc.constant("rectangle" as const), widthMm: side, heightMm: side }),
	fc.record({ kind: fc.constant("triangle" as const), widthMm: side, heightMm: side }),
	fc.record({ kind: fc.constant("circle" as const), diameterMm: side }),
	fc.record({ kind: fc.constant("polygon" as const), sides: fc.integer({ min: 3, max: 9 }), diameterMm: side }),
);
const cut: fc.Arbitrary<Ring> = fc
	.record({ shape, x: place, y: place, turn: fc.integer({ min: 0, max: 359 }) })
	.map(({ shape: one, x, y, turn }) => placeRing(regionOfShape(one)[0] ?? [], { x, y }, turn));

/** A star-shaped polygon: points in the order of their angle, so that it never crosses itself. */
const star: fc.Arbitrary<Point[]> = fc
	.array(fc.double({ min: 5, max: 80, noNaN: true }), { minLength: 3, maxLength: 40 })
	.map((radii) =>
		radii.map((r, i) => {
			const angle = (2 * Math.PI * i) / radii.length;
			return { x: r * Math.cos(angle), y: r * Math.sin(angle) };
		}),
	);
const pairs = (ring: Ring): [number, number][] => ring.map(({ x, y }) => [x, y]);

describe("areas, lengths and centres of area against d3-polygon", () => {
	it("of any cut, wherever it lies", () => {
		fc.assert(
			fc.property(fc.oneof(cut, star), (ring) => {
				const theirs = pairs(ring);
				expect(areaMm2([ring])).toBeCloseTo(Math.abs(polygonArea(theirs)), 4);
				expect(Math.abs(signedAreaMm2(ring))).toBeCloseTo(Math.abs(polygonArea(theirs)), 6);
				expect(perimeterMm([ring])).toBeCloseTo(polygonLength(theirs), 6);
				const [x, y] = polygonCentroid(theirs);
				const ours = centroid([ring]) ?? { x: Number.NaN, y: Number.NaN };
				expect(ours.x).toBeCloseTo(x, 6);
				expect(ours.y).toBeCloseTo(y, 6);
			}),
		);
	});

	it("a point lies inside for both or for neither", () => {
		fc.assert(
			fc.property(star, place, place, (ring, x, y) => {
				const edge = Math.min(...ring.map((p) => Math.hypot(p.x - x, p.y - y)));
				fc.pre(edge > 1e-6);
				expect(isOn({ x, y }, [ring])).toBe(polygonContains(pairs(ring), [x, y]));
			}),
		);
	});
});

describe("distances against flatten-js", () => {
	it("of two cuts that lie apart", () => {
		fc.assert(
			fc.property(cut, cut, (a, b) => {
				const ours = nearestOf([a], [b]);
				fc.pre(ours.mm > 0.5);
				const [distance] = new Polygon(pairs(a)).distanceTo(new Polygon(pairs(b)));
				expect(ours.mm).toBeCloseTo(distance, 5);
				expect(Math.hypot(ours.a.x - ours.b.x, ours.a.y - ours.b.y)).toBeCloseTo(ours.mm, 9);
			}),
			{ numRuns: 60 },
		);
	});

	it("of a point beside a cut", () => {
		fc.assert(
			fc.property(cut, place, place, (ring, x, y) => {
				fc.pre(!isOn({ x, y }, [ring]));
				const [distance] = point(x, y).distanceTo(new Polygon(pairs(ring)));
				expect(nearestOf([[{ x, y }]], [ring]).mm).toBeCloseTo(distance, 5);
			}),
			{ numRuns: 60 },
		);
	});
});

describe("outlines", () => {
	it("star-shaped ones are simple, and exchanging two far corners makes most of them cross", () => {
		fc.assert(fc.property(star, (ring) => isSimple(ring)));
		const square = [
			{ x: 0, y: 0 },
			{ x: 9, y: 0 },
			{ x: 9, y: 9 },
			{ x: 0, y: 9 },
		];
		expect(isSimple([square[0], square[2], square[1], square[3]] as Point[])).toBe(false);
	});

	it("a convex hull keeps the hull's area when it is thinned to a hair's breadth", () => {
		fc.assert(
			fc.property(star, (ring) => {
				const hull = (polygonHull(pairs(ring)) ?? []).map(([x, y]) => ({ x, y }));
				const few = thinned(hull, 0.01);
				expect(few.length).toBeLessThanOrEqual(hull.length);
				expect(Math.abs(polygonArea(pairs(few)) / polygonArea(pairs(hull)))).toBeCloseTo(1, 2);
			}),
		);
	});
});
