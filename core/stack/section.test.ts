import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { book, cut, disc, fire, kit, lay, square } from "../../tests/support/kit";
import { isInside, isOn } from "../geometry/inside";
import { regionOfShape } from "../geometry/shape";
import { layUp } from "./lay";
import { sectionAlong } from "./section";
import { stackOf } from "./stack";

describe("a section", () => {
	const design = kit([cut(square(20), 1, 30), cut(square(100))]);
	const across = { from: { x: -60, y: 0 }, to: { x: 60, y: 0 } };
	const stack = stackOf(design, book());
	const section = sectionAlong(
		stack.lain,
		stack.bodies.map(({ after }) => after.region),
		across,
		stack.flow,
		120,
	);

	it("finds what lies where, from the shelf up", () => {
		const [small, base] = design.parts.map(({ id }) => id);
		expect(section.places[5]?.layers).toEqual([]);
		expect(section.places[20]?.layers.map(({ partId }) => partId)).toEqual([base]);
		expect(section.places[90]?.layers.map(({ partId }) => partId)).toEqual([base, small]);
		expect(section.lengthMm).toBe(120);
	});

	it("keeps the glass: the area under the fired line is the area as laid", () => {
		const laid = section.places.reduce((sum, { layers }) => sum + layers.reduce((mm, one) => mm + one.glassMm, 0), 0);
		expect(section.after.reduce((sum, mm) => sum + mm, 0) / laid).toBeCloseTo(1, 1);
	});

	it("a fibre insert stays as thick as it was, the glass above lies on it", () => {
		const insert = lay({ kind: "fibre", use: "insert", shape: square(40), heightMm: 6 }, 1);
		const pocket = stackOf(kit([cut(square(80)), insert, cut(square(80), 2)], fire("tack")), book());
		const { after } = sectionAlong(
			pocket.lain,
			pocket.bodies.map((body) => body.after.region),
			across,
			pocket.flow,
			120,
		);
		expect(after[60]).toBeGreaterThan(11.5);
		expect(after[25]).toBeLessThan(7);
	});

	it("runs along any line: down the diagonal of a square it is √2 longer", () => {
		const lain = layUp(kit([cut(square(100))]), book(), 0);
		const glass = (to: { x: number; y: number }) => {
			const { places, stepMm } = sectionAlong(lain, [], { from: { x: -to.x, y: -to.y }, to }, 0, 400);
			return places.filter(({ layers }) => layers.length > 0).length * stepMm;
		};
		expect(glass({ x: 80, y: 80 }) / glass({ x: 80, y: 0 })).toBeCloseTo(Math.SQRT2, 1);
	});

	it("is empty beside the glass", () => {
		const beside = sectionAlong(stack.lain, [], { from: { x: -50, y: 80 }, to: { x: 50, y: 80 } }, 1);
		expect(beside.places.every(({ layers }) => layers.length === 0)).toBe(true);
	});
});

describe("inside", () => {
	it("a point is in a circle exactly when it is nearer than the radius, and in a ring when it is not in its hole", () => {
		const [ring] = regionOfShape(disc(50));
		const washer = regionOfShape({ kind: "ring", diameterMm: 50, holeMm: 20 });
		const place = fc.double({ min: -40, max: 40, noNaN: true });
		fc.assert(
			fc.property(place, place, (x, y) => {
				const r = Math.hypot(x, y);
				fc.pre(Math.abs(r - 25) > 0.05 && Math.abs(r - 10) > 0.05);
				expect(isInside({ x, y }, ring ?? [])).toBe(r < 25);
				expect(isOn({ x, y }, washer)).toBe(r < 25 && r > 10);
			}),
		);
	});
});
