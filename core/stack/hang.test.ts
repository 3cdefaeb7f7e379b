import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { hangOf } from "./hang";

// Moments about the loop, worked by hand: tan(tilt) = how far aside / how far below.
describe("hanging on one loop", () => {
	it.each([
		["straight under it", { x: 0, y: -50 }, 0],
		["10 mm right, 100 mm below", { x: 10, y: -100 }, 5.711],
		["5 mm left, 5 mm below", { x: -5, y: -5 }, -45],
		["level with it: a quarter turn", { x: 30, y: 0 }, 90],
	])("the centre of mass %s", (_, centre, tilt) => {
		expect(hangOf([{ x: 0, y: 0 }], centre)).toMatchObject({ loops: 1, tiltDeg: expect.closeTo(tilt, 3) });
	});
});

// The lever rule: each loop carries in proportion to its distance on the other side.
describe("hanging on two loops", () => {
	it.each([
		["in the middle", 0, [0.5, 0.5]],
		["a quarter of the way to the right", 20, [0.25, 0.75]],
		["under the left one", -40, [1, 0]],
		["outside both", 60, [-0.25, 1.25]],
	])("the centre of mass %s", (_, x, shares) => {
		const hang = hangOf(
			[
				{ x: 40, y: 90 },
				{ x: -40, y: 90 },
			],
			{ x, y: 0 },
		);
		expect(hang).toMatchObject({ loops: 2, tiltDeg: 0, shares });
	});
	it("one 8 mm higher over a span of 80 mm tilts atan(1/10)", () => {
		const hang = hangOf(
			[
				{ x: -40, y: 0 },
				{ x: 40, y: 8 },
			],
			{ x: 0, y: -60 },
		);
		expect(hang).toMatchObject({ tiltDeg: expect.closeTo(5.711, 3) });
	});
	it("shares always carry the whole weight", () => {
		const x = fc.double({ min: -100, max: 100, noNaN: true });
		fc.assert(
			fc.property(x, x, x, (a, b, c) => {
				fc.pre(Math.abs(a - b) > 1);
				const hang = hangOf(
					[
						{ x: a, y: 0 },
						{ x: b, y: 0 },
					],
					{ x: c, y: -10 },
				);
				if (hang.loops === 2) expect(hang.shares[0] + hang.shares[1]).toBeCloseTo(1, 9);
			}),
		);
	});
	it("no loop hangs nothing", () => expect(hangOf([], { x: 0, y: 0 })).toEqual({ loops: 0 }));
});
