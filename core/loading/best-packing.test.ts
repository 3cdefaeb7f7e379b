import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { classPieces } from "../../tests/support/class-pieces";
import { cases } from "../../tests/support/thorough";
import { bestPacking } from "./best-packing";
import { type Box, fillShare, packShelf } from "./pack";
import { type Shelf, usableMm2 } from "./shelf";

const plain: Shelf = { widthMm: 500, heightMm: 400, marginMm: 0, shape: "rectangle" };
const anyShelf = fc.constantFrom<Shelf>(plain, { ...plain, marginMm: 15 });
const anyBoxes = fc
	.array(fc.tuple(fc.integer({ min: 10, max: 160 }), fc.integer({ min: 10, max: 160 })), {
		minLength: 1,
		maxLength: 25,
	})
	.map((sizes) => sizes.map(([widthMm, heightMm], i): Box => ({ id: `b${i}`, widthMm, heightMm })));
const alike = () => 0;

describe("the best of several packings", () => {
	it("whatever the shelf: nothing over its edge, nothing nearer than the clearance, nothing lost", () => {
		fc.assert(
			fc.property(anyShelf, anyBoxes, fc.integer({ min: 0, max: 15 }), (shelf, boxes, clearance) => {
				const { places, left } = bestPacking(boxes, shelf, clearance, alike);
				expect([...places, ...left].map(({ id }) => id).sort()).toEqual(boxes.map(({ id }) => id).sort());
				for (const [i, a] of places.entries()) {
					const box = boxes.find(({ id }) => id === a.id);
					const sides = [box?.widthMm, box?.heightMm];
					expect(a.turned ? sides.reverse() : sides).toEqual([
						expect.closeTo(a.widthMm, 6),
						expect.closeTo(a.heightMm, 6),
					]);
					expect(Math.min(a.xMm, a.yMm)).toBeGreaterThanOrEqual(shelf.marginMm - 1e-6);
					expect(a.xMm + a.widthMm).toBeLessThanOrEqual(shelf.widthMm - shelf.marginMm + 1e-6);
					expect(a.yMm + a.heightMm).toBeLessThanOrEqual(shelf.heightMm - shelf.marginMm + 1e-6);
					for (const b of places.slice(i + 1)) {
						const gapX = Math.max(b.xMm - a.xMm - a.widthMm, a.xMm - b.xMm - b.widthMm);
						const gapY = Math.max(b.yMm - a.yMm - a.heightMm, a.yMm - b.yMm - b.heightMm);
						expect(Math.max(gapX, gapY)).toBeGreaterThanOrEqual(clearance - 1e-6);
					}
				}
			}),
			{ numRuns: cases(60, 20) },
		);
	});

	it("who is promised first is left out last", () => {
		// Two of 300 × 300 do not lie on one shelf together; twenty small ones do beside the first.
		const large: Box[] = ["late", "early"].map((id) => ({ id, widthMm: 300, heightMm: 300 }));
		const small = Array.from({ length: 20 }, (_, i): Box => ({ id: `s${i}`, widthMm: 40, heightMm: 40 }));
		const rank = (id: string) => (id === "early" ? 0 : id === "late" ? 1 : 2);
		const { places } = bestPacking([...large, ...small], plain, 5, rank);
		expect(places.map(({ id }) => id)).toContain("early");
		expect(places.map(({ id }) => id)).not.toContain("late");
	});

	/** Share of a shelf that sixty waiting pieces cover, over twelve studios. */
	const share = (shelf: Shelf, way: (boxes: readonly Box[]) => number): number => {
		const shares = Array.from({ length: cases(12, 5) }, (_, i) => way(classPieces(i + 1)));
		expect(shares.every((one) => one > 0 && one <= usableMm2(shelf))).toBe(true);
		return shares.reduce((sum, one) => sum + one, 0) / shares.length / usableMm2(shelf);
	};
	const best = (shelf: Shelf) => (boxes: readonly Box[]) => {
		const { places } = bestPacking(boxes, shelf, 0, alike);
		return fillShare(places, shelf) * usableMm2(shelf);
	};
	it("a rectangle filled in several orders is fuller than in one", () => {
		const one = share(plain, (boxes) =>
			packShelf(boxes, plain, 0).places.reduce((sum, { widthMm, heightMm }) => sum + widthMm * heightMm, 0),
		);
		const several = share(plain, best(plain));
		expect(several).toBeGreaterThan(one);
		expect(several).toBeGreaterThan(0.87);
	});
});

describe("a shelf that can be used", () => {
	// A circle's πr²; a regular octagon across flats a: 2(√2 − 1)a² (textbook formulas).
	it.each([
		["round", Math.PI * 200 ** 2],
		["octagon", 2 * (Math.SQRT2 - 1) * 400 ** 2],
		["rectangle", 400 ** 2],
	] as const)("%s", (shape, mm2) =>
		expect(usableMm2({ widthMm: 430, heightMm: 430, marginMm: 15, shape })).toBeCloseTo(mm2, 3),
	);
});
