import { bestLaid } from "@core/loading/outlines/best-laid";
import { boxOutline } from "@core/loading/outlines/fired-outline";
import { formOf } from "@core/loading/outlines/form";
import type { Shelf } from "@core/loading/shelf";
import { describe, expect, it } from "vitest";
import { classPieces } from "../support/class-pieces";
import { packedByOthers } from "../support/pack-by-others";
import { cases } from "../support/thorough";

/** Shelf fill against two general packing libraries from the registry (maxrects-packer, guillotine-packer) on the same rectangles. */
const shelf: Shelf = { widthMm: 500, heightMm: 400, marginMm: 0, shape: "rectangle" };

/** Repeatable sizes: a small linear congruential generator (Numerical Recipes constants). */
function sizes(seed: number, count: number) {
	let state = seed;
	const next = () => {
		state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
		return state / 2 ** 32;
	};
	return Array.from({ length: count }, () => ({
		widthMm: 30 + Math.round(next() * 110),
		heightMm: 30 + Math.round(next() * 110),
	}));
}

describe.each([
	["boxes of any size", (seed: number) => sizes(seed, 40)],
	["class sets of boxes", (seed: number) => classPieces(seed)],
] as const)("one shelf of %s", (_, boxesOf) => {
	it("is covered as well as by either library, on average", () => {
		const sum = { ours: 0, free: 0, straight: 0 };
		for (let seed = 1; seed <= cases(8, 2); seed++) {
			const boxes = boxesOf(seed);
			const pieces = boxes.map(({ widthMm, heightMm }, i) => ({
				...{ id: String(i), rank: 0 },
				form: formOf(boxOutline(widthMm, heightMm)),
			}));
			const { laid } = bestLaid({ pieces, shelf, clearanceMm: 0, passes: 4 });
			sum.ours += laid.reduce((mm2, { id }) => mm2 + (pieces[Number(id)]?.form.areaMm2 ?? 0), 0);
			const others = packedByOthers(boxes, shelf);
			sum.free += others.free;
			sum.straight += others.straight;
		}
		expect(sum.straight).toBeGreaterThan(0);
		expect(sum.ours).toBeGreaterThanOrEqual(sum.free);
		expect(sum.ours).toBeGreaterThanOrEqual(sum.straight);
	});
});
