import { areaMm2, intersect, type Region, type Ring, unite } from "@core/geometry/region";
import { type CutShape, placeRing, regionOfShape } from "@core/geometry/shape";
import fc from "fast-check";
import { intersection, union } from "polyclip-ts";
import { describe, expect, it } from "vitest";

/** Overlays of the core's polygon library against a second, independent one: polyclip-ts (Martinez–Rueda sweep). */
type Pair = [number, number];
const closed = (ring: Ring): Pair[][] => [[...ring, ring[0] as (typeof ring)[0]].map(({ x, y }): Pair => [x, y])];

/** Shoelace area of the second library's rings: the first is the outline, the others are holes. */
function areaOf(polygons: Pair[][][]): number {
	const ringArea = (ring: Pair[]) =>
		Math.abs(
			ring.reduce(
				(sum, [x, y], i) =>
					sum + x * (ring[(i + 1) % ring.length]?.[1] ?? 0) - (ring[(i + 1) % ring.length]?.[0] ?? 0) * y,
				0,
			),
		) / 2;
	return polygons.reduce(
		(sum, [outer, ...holes]) => sum + ringArea(outer ?? []) - holes.reduce((all, hole) => all + ringArea(hole), 0),
		0,
	);
}

const side = fc.double({ min: 5, max: 120, noNaN: true });
const place = fc.double({ min: -60, max: 60, noNaN: true });
const shape: fc.Arbitrary<CutShape> = fc.oneof(
	fc.record({ kind: fc.constant("rectangle" as const), widthMm: side, heightMm: side }),
	fc.record({ kind: fc.constant("triangle" as const), widthMm: side, heightMm: side }),
	fc.record({ kind: fc.constant("circle" as const), diameterMm: side }),
);
const cut = fc
	.record({ shape, x: place, y: place, turn: fc.integer({ min: 0, max: 359 }) })
	.map(({ shape: one, x, y, turn }) => placeRing(regionOfShape(one)[0] ?? [], { x, y }, turn));

describe("overlay against a second geometry library", () => {
	it("finds the same overlap of two cuts", () => {
		fc.assert(
			fc.property(cut, cut, (a, b) => {
				const theirs = areaOf(intersection(closed(a), closed(b)) as Pair[][][]);
				expect(Math.abs(areaMm2(intersect([a], [b])) - theirs)).toBeLessThan(0.05);
			}),
		);
	});

	// Whole millimetres and right angles: the second library cannot close rings that meet at a hair's breadth.
	it("finds the same covered area of several strips", () => {
		const whole = fc.integer({ min: -60, max: 60 });
		const strip = fc
			.record({ w: fc.integer({ min: 4, max: 90 }), h: fc.integer({ min: 4, max: 90 }), x: whole, y: whole })
			.map(({ w, h, x, y }) =>
				placeRing(regionOfShape({ kind: "rectangle", widthMm: 2 * w, heightMm: 2 * h })[0] ?? [], { x, y }, 0),
			);
		fc.assert(
			fc.property(fc.array(strip, { minLength: 2, maxLength: 8 }), (strips) => {
				const [first, ...rest] = strips.map(closed);
				const theirs = areaOf(union(first as Pair[][], ...rest) as Pair[][][]);
				expect(areaMm2(unite(strips.map((one): Region => [one])))).toBeCloseTo(theirs, 3);
			}),
		);
	});
});
