import { packShelf } from "@core/loading/pack";
import { MaxRectsPacker, PACKING_LOGIC } from "maxrects-packer/dist/maxrects-packer.mjs";
import { describe, expect, it } from "vitest";

/** Shelf fill against a general packing library from the registry (maxrects-packer) on the same rectangles. */
const shelf = { widthMm: 500, heightMm: 400, marginMm: 0, shape: "rectangle" as const };

/** Repeatable sizes: a small linear congruential generator (Numerical Recipes constants). */
function sizes(seed: number, count: number): { width: number; height: number }[] {
	let state = seed;
	const next = () => {
		state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
		return state / 2 ** 32;
	};
	return Array.from({ length: count }, () => ({
		width: 30 + Math.round(next() * 110),
		height: 30 + Math.round(next() * 110),
	}));
}

describe("packing against a general library", () => {
	it("covers on average at least 95 % of what the library covers on one shelf", () => {
		let [ours, theirs] = [0, 0];
		for (let seed = 1; seed <= 30; seed++) {
			const boxes = sizes(seed, 40).sort((a, b) => b.width * b.height - a.width * a.height);
			const packed = packShelf(
				boxes.map(({ width, height }, i) => ({ id: `${i}`, widthMm: width, heightMm: height })),
				shelf,
				0,
			);
			ours += packed.places.reduce((sum, { widthMm, heightMm }) => sum + widthMm * heightMm, 0);
			const library = new MaxRectsPacker(500, 400, 0, {
				smart: false,
				pot: false,
				square: false,
				allowRotation: true,
				logic: PACKING_LOGIC.MAX_AREA,
			});
			for (const { width, height } of boxes) library.add(width, height, {});
			theirs +=
				library.bins[0]?.rects.reduce(
					(sum: number, { width, height }: { width: number; height: number }) => sum + width * height,
					0,
				) ?? 0;
		}
		expect(ours / theirs).toBeGreaterThan(0.95);
	});
});
