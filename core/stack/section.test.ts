import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { isInside } from "../geometry/inside";
import { outlineOf } from "../geometry/shape";
import { sectionAt } from "./section";

describe("a section", () => {
	const part = (id: string, sideMm: number, layer: number, xMm: number) => ({
		id,
		name: id,
		shape: { kind: "square" as const, sideMm },
		glassId: "g",
		layer,
		xMm,
		yMm: 0,
		turnDeg: 0,
	});
	const section = sectionAt([part("b", 20, 1, 30), part("a", 100, 0, 0)], () => 3, 0, 100);

	it("finds what lies where, from the shelf up", () => {
		expect(section.places[10]?.layers.map(({ partId }) => partId)).toEqual(["a"]);
		expect(section.places[80]?.layers.map(({ partId }) => partId)).toEqual(["a", "b"]);
		expect(section.fromMm).toBe(-50);
	});

	it("is empty beside the glass", () => {
		expect(sectionAt([part("a", 100, 0, 0)], () => 3, 80).places.every(({ layers }) => layers.length === 0)).toBe(true);
	});

	it("a point is in a circle exactly when it is nearer than the radius", () => {
		const ring = outlineOf({ kind: "circle", diameterMm: 50 });
		const place = fc.double({ min: -40, max: 40, noNaN: true });
		fc.assert(
			fc.property(place, place, (x, y) => {
				const r = Math.hypot(x, y);
				fc.pre(Math.abs(r - 25) > 0.05);
				expect(isInside({ x, y }, ring)).toBe(r < 25);
			}),
		);
	});
});
