import { describe, expect, it } from "vitest";
import { bar, book, box, cut, disc, glass, kit, mould, square } from "../../tests/support/kit";
import { bagOf } from "../cutting/bag";
import { cutListOf, forKits, isScored } from "../cutting/count";
import { demandOf } from "../firing/demand";
import { USUAL_PACE } from "../firing/schools";
import { boundsOf } from "../geometry/bounds";
import { isWornOut } from "../kit/mould";
import { shortOfMouldMm } from "../kit/mould-fit";
import { kitBody } from "../piece/kit-body";
import { forBag } from "../stock/for-bag";
import type { StockItem } from "../stock/kinds";
import { needsOf } from "../stock/needs";
import { toBuy } from "../stock/to-buy";
import { pieceToFire } from "./outlook";
import { readKit } from "./read-kit";
import { stackOf } from "./stack";

const books = (() => {
	const its = book();
	const slab = glass("slab", { thicknessMm: 6, fused: true });
	return {
		...its,
		glasses: new Map([...its.glasses, ["slab", slab], ["plain six", glass("plain six", { thicknessMm: 6 })]]),
	};
})();

describe("a strip stood on edge", () => {
	const row = Array.from({ length: 8 }, (_, i) =>
		cut(bar(80, 9), 0, 0, i * 3.05, i % 2 ? "black" : "clear", { onEdge: true }),
	);
	const stack = stackOf(kit(row), books);
	it("is as high as it is cut wide, and as wide as the sheet is thick", () => {
		expect(stack.thickestMm).toBe(9);
		const [one] = stack.glass;
		expect(boundsOf(one?.region ?? [])).toMatchObject({ widthMm: 80, heightMm: 3 });
		expect(kitBody(stack).heightMm).toBeCloseTo(7 * 3.05 + 3, 1);
	});
	it("weighs what it weighs lying, and is cut as it is drawn", () => {
		const lying = kit(Array.from({ length: 8 }, (_, i) => cut(bar(80, 9), 0, 0, i * 10)));
		expect(readKit(kit(row), books).massG).toBeCloseTo(readKit(lying, books).massG, 1);
		expect(cutListOf(forKits(row, 2), { share: 0, least: 0 }).map(({ stripMm, needed }) => [stripMm, needed])).toEqual([
			[9, 8],
			[9, 8],
		]);
	});
	it("a disc cannot stand", () => {
		expect(stackOf(kit([cut(disc(40), 0, 0, 0, "clear", { onEdge: true })]), books).thickestMm).toBe(3);
	});
});

describe("a slab of one's own, cut again", () => {
	const ramp = (glassId: string) =>
		demandOf(pieceToFire(stackOf(kit([cut(square(80), 0, 0, 0, glassId)]), books)), USUAL_PACE).firstRampCPerH;
	// Common practice, no source: glass that was fused before goes up at three quarters of the rate.
	it("is heated as glass that was fired before", () => {
		expect(ramp("plain six")).toBe(222);
		expect(ramp("slab")).toBeCloseTo(222 * 0.75, 1);
	});
	it("traps air under sheet as any other does", () => {
		const two = (below: string) =>
			kitBody(stackOf(kit([cut(square(120), 0, 0, 0, below), cut(square(120), 1)]), books));
		expect(two("slab").trappedSpanMm).toBe(two("plain six").trappedSpanMm);
		expect(two("slab").trappedSpanMm).toBeGreaterThan(75);
	});
});

describe("a shape that is bought cut", () => {
	const design = kit([
		cut(disc(50), 0, 0, 0, "clear", { bought: true }),
		cut(square(50), 1, 0, 0, "clear", { bought: true }),
		cut(disc(50), 2),
	]);
	const lines = cutListOf(forKits(design.parts, 4)).map((line) => ({ ...line, done: 0, broken: 0 }));
	it("is on the list and not cut; the same shape of sheet is", () => {
		expect(lines.map((line) => [line.shape?.kind, isScored(line)])).toEqual(
			expect.arrayContaining([
				["circle", true],
				["circle", false],
				["square", false],
			]),
		);
		expect(lines).toHaveLength(3);
	});
	const shape = (id: string, name: string, amount: number): StockItem & { amount: number } => ({
		...{ id, kind: "precut", glassId: "clear", name, widthMm: 50, heightMm: 50, sizeMm: null, amount },
		...{ place: "", low: null, buyAmount: 10, priceMinor: 900, supplier: "", fromItemId: null },
	});
	it("is bought where the stock has not enough, by glass, shape and size", () => {
		const needs = needsOf(lines, []);
		// Four and a spare or two of each; a circle is no square.
		const bought = toBuy(needs, [shape("round", "circle", 3), shape("square", "square", 40)]);
		expect(bought).toMatchObject([{ kind: "precut", name: "circle", have: 3, units: 1, costMinor: 900 }]);
	});
	it("comes out of the stock with its bag", () => {
		const taken = forBag(bagOf(design, books.glasses), [shape("round", "circle", 3), shape("square", "square", 40)]);
		expect(taken).toEqual({ round: 1, square: 1 });
	});
});

describe("moulds", () => {
	it.each([
		["washed, nine of ten", { release: "washed", usesSince: 9 }, false],
		["washed, ten", { release: "washed", usesSince: 10 }, true],
		["washed, its own interval", { release: "washed", usesSince: 4, renewAfter: 4 }, true],
		["papered once", { release: "papered", usesSince: 1 }, true],
		["papered fresh", { release: "papered", usesSince: 0 }, false],
		["bare is told as bare", { release: "bare", usesSince: 30 }, false],
		["a frame is never fired on", { kind: "frame", release: "washed", usesSince: 90 }, false],
	] as const)("%s", (_, change, worn) => expect(isWornOut(mould("m", change))).toBe(worn));

	it("a blank lies on both curves of a stand, whichever way it is turned, or it is told by how much to cut it longer", () => {
		const stand = mould("two curves", { kind: "stand", widthMm: 160, heightMm: 70 });
		expect(shortOfMouldMm(stand, { widthMm: 70, heightMm: 165 })).toBe(0);
		expect(shortOfMouldMm(stand, { widthMm: 140, heightMm: 60 })).toBe(20);
		const on = (lengthMm: number) =>
			readKit(
				kit(
					[cut(box(lengthMm, 60)), cut(box(lengthMm, 60), 1)],
					[
						{ level: "full", handWork: "" },
						{ level: "slump", handWork: "", mouldId: "two curves" },
					],
				),
				{ ...books, moulds: new Map([["two curves", stand]]) },
			).findings.filter(({ code }) => code === "short-of-form");
		expect(on(140)[0]?.fix?.changes).toHaveLength(2);
		expect(on(161)).toEqual([]);
	});
});
