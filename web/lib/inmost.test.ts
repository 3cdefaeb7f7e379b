import type { Ring } from "@core/geometry/region";
import { regionOfShape } from "@core/geometry/shape";
import { describe, expect, it } from "vitest";
import { inmost } from "./inmost";

/** Of a triangle: the middle of its inscribed circle, of radius (a + b − c) / 2 where it has a right angle (Euclid, Elements, IV.4). */
describe("where an outline has most room", () => {
	it.each([
		[150, 90],
		[40, 200],
		[61, 61],
	])("a right triangle of %d × %d mm", (a, b) => {
		const [ring] = regionOfShape({ kind: "triangle", widthMm: a, heightMm: b });
		expect(Math.abs(inmost(ring as Ring).roomMm - (a + b - Math.hypot(a, b)) / 2)).toBeLessThanOrEqual(1);
	});

	it("a box: in its middle, also a long one", () => {
		for (const [widthMm, heightMm] of [
			[96, 96],
			[235, 152],
			[300, 12],
		] as const) {
			const [ring] = regionOfShape({ kind: "rectangle", widthMm, heightMm });
			const { x, y, roomMm } = inmost(ring as Ring);
			expect([Math.abs(x), Math.abs(y), roomMm]).toEqual([0, 0, Math.min(widthMm, heightMm) / 2]);
		}
	});

	it("an angle: inside it, where its box's middle is not", () => {
		const at = ([x, y]: readonly [number, number]) => ({ x, y });
		const angle = (
			[
				[0, 0],
				[100, 0],
				[100, 20],
				[20, 20],
				[20, 100],
				[0, 100],
			] as const
		).map(at);
		const { x, y } = inmost(angle);
		expect(Math.min(x, y)).toBeGreaterThan(0);
		expect(x < 20 || y < 20).toBe(true);
	});
});
