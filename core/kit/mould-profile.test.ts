import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { mould } from "../../tests/support/kit";
import { MOULD_KINDS, OPENINGS } from "./mould";
import { slumpedHeightMm } from "./mould-profile";

describe("where slumped glass lies on its mould", () => {
	const dish = mould("dish", { widthMm: 140, heightMm: 100, depthMm: 20 });
	const form = mould("form", { kind: "drape", widthMm: 100, heightMm: 100, depthMm: 60 });
	// By hand: a bowl touches its lowest place in the middle and its rim at its edge; half way out it has risen a quarter.
	it.each([
		["a dish, in the middle", dish, { x: 0, y: 0 }, 0],
		["a dish, half way out", dish, { x: 35, y: 0 }, 5],
		["a dish, at its rim", dish, { x: 0, y: 50 }, 20],
		["a dish, beyond its rim", dish, { x: 90, y: 0 }, 20],
		["over a form, on top", form, { x: 30, y: -40 }, 60],
		["over a form, 10 mm beyond its edge", form, { x: 60, y: 0 }, 40],
		["over a form, where it reaches the shelf", form, { x: 90, y: 0 }, 0],
		["a texture", mould("texture", { kind: "texture" }), { x: 30, y: 0 }, 0],
	])("%s", (_, one, place, mm) => expect(slumpedHeightMm(one, place)).toBeCloseTo(mm, 9));

	it("is never lower than the shelf nor higher than the mould, and alike on both sides", () => {
		fc.assert(
			fc.property(
				fc.constantFrom(...MOULD_KINDS),
				fc.constantFrom(...OPENINGS),
				fc.integer({ min: -300, max: 300 }),
				fc.integer({ min: -300, max: 300 }),
				(kind, opening, x, y) => {
					const one = mould("any", { kind, opening, depthMm: 35 });
					const mm = slumpedHeightMm(one, { x, y });
					return mm >= 0 && mm <= 35 && mm === slumpedHeightMm(one, { x: -x, y: -y });
				},
			),
		);
	});
});
