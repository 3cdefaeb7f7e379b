import { describe, expect, it } from "vitest";
import { KITS } from "../../demo/kits";
import { FAMILIES, GLASSES } from "../../demo/studio";
import { bar, book, box, cut, disc, fire, kit, lay, square } from "../../tests/support/kit";
import { byId } from "../by-id";
import { boundsOf } from "../geometry/bounds";
import { areaMm2 } from "../geometry/region";
import type { CutShape } from "../geometry/shape";
import { drawnParts } from "../kit/drawn";
import { PART_KINDS } from "../kit/kit";
import { lengthOf } from "../kit/length";
import { partBox, placedRegion } from "../kit/plan";
import { heights, layUp, massOf } from "./lay";
import { restsOf } from "./rest";
import { stackOf } from "./stack";

const studio = book();
const glassOf = (id: string) => studio.glasses.get(id);
const none = { components: [] };
const L_SHAPE = [
	{ x: 0, y: 0 },
	{ x: 60, y: 0 },
	{ x: 60, y: 80 },
];

describe("what a part covers", () => {
	it("a stringer covers its length by its width, round bends too", () => {
		const thread = lay({ kind: "thread", points: L_SHAPE, glassId: "thread" });
		expect(lengthOf(L_SHAPE)).toBe(140);
		const region = placedRegion(thread, none, glassOf("thread"));
		expect(areaMm2(region) / 140).toBeCloseTo(1, 1);
		expect(boundsOf(region).widthMm).toBeGreaterThan(60);
	});
	it("a ribbon is as wide as the book says, a stringer as it is thick", () => {
		const line = [
			{ x: 0, y: 0 },
			{ x: 100, y: 0 },
		];
		expect(partBox(lay({ kind: "thread", points: line, glassId: "ribbon" }), none, glassOf("ribbon"))).toEqual([
			100, 5,
		]);
		expect(partBox(lay({ kind: "thread", points: line, glassId: "thread" }), none, glassOf("thread"))).toEqual([
			100, 1,
		]);
	});
	it("a loop hangs from its eye: the tail reaches down from there", () => {
		const loop = lay({ kind: "loop", metal: "copper", wireMm: 1, eyeMm: 6, tailMm: 15 }, 1, 10, 50);
		const { minX, maxX, minY, maxY } = boundsOf(placedRegion(loop, none));
		expect([minX, maxX]).toEqual([expect.closeTo(6, 1), expect.closeTo(14, 1)]);
		expect(maxY).toBeCloseTo(54, 1);
		expect(minY).toBeCloseTo(50 - 3 - 0.5 - 15, 1);
	});
	it("turning a part turns it about the middle of its box", () => {
		const turned = placedRegion(cut(box(40, 10), 0, 5, 7, "clear", { turnDeg: 90 }), none);
		expect(boundsOf(turned)).toMatchObject({
			minX: expect.closeTo(0),
			maxX: expect.closeTo(10),
			minY: expect.closeTo(-13),
			maxY: expect.closeTo(27),
		});
	});
});

describe("how much glass a part is", () => {
	// School formulas: a round thread, a cap of a sphere, a disc; strewn frit by its mass at 2.5 g/cm³.
	it.each([
		["a 3 mm sheet", cut(square(10)), "clear", 3, 3],
		[
			"a 1 mm stringer melts to π/4 mm over its width",
			lay({ kind: "thread", points: L_SHAPE, glassId: "thread" }),
			"thread",
			Math.PI / 4,
			1,
		],
		["a 1.5 mm ribbon", lay({ kind: "thread", points: L_SHAPE, glassId: "ribbon" }), "ribbon", 1.5, 1.5],
		[
			"0.5 g/cm² of frit is 2 mm, loose 3.7",
			lay({ kind: "grains", shape: square(9), glassId: "coarse", gPerCm2: 0.5 }),
			"coarse",
			2,
			3.7,
		],
		[
			"half a sphere of 10 mm holds ⅔ of its box",
			lay({ kind: "lump", form: "dome", diameterMm: 10, heightMm: 5, glassId: "clear" }),
			"clear",
			10 / 3,
			5,
		],
		[
			"a cane slice 5 mm high",
			lay({ kind: "lump", form: "slice", diameterMm: 7, heightMm: 5, glassId: "cane" }),
			"cane",
			5,
			5,
		],
		["foil is no glass", lay({ kind: "foil", metal: "silver", shape: square(9) }), "", 0, 0.05],
		["fibre is no glass", lay({ kind: "fibre", use: "support", shape: square(9), heightMm: 6 }), "", 0, 6],
	])("%s", (_, part, id, glassMm, bulkMm) => {
		expect(heights(part, glassOf(id))).toEqual({
			glassMm: expect.closeTo(glassMm, 9),
			bulkMm: expect.closeTo(bulkMm, 9),
		});
	});

	it("masses add up to the kit's, whatever overlaps: the stack is their sum", () => {
		const parts = [
			cut(square(80)),
			cut(disc(50), 1),
			cut(bar(60, 8), 2),
			lay({ kind: "grains", shape: square(30), glassId: "powder", gPerCm2: 0.1 }, 3),
		];
		const stack = stackOf(kit(parts), studio);
		const sum = stack.lain.reduce((all, lain) => all + massOf(lain), 0);
		expect(stack.volumeMm3 * 2.5e-3).toBeCloseTo(sum, 0);
	});
});

describe("what lies on the shelf before a firing", () => {
	it("is everything laid so far, from the shelf up; glass that is not in the book is left out", () => {
		const parts = [
			cut(square(20), 2),
			cut(square(60)),
			cut(square(30), 1, 0, 0, "no such glass"),
			cut(square(10), 3, 0, 0, "clear", { firing: 1 }),
		];
		const design = kit(parts, fire("full", "tack"));
		expect(layUp(design, studio, 0).map(({ layer }) => layer)).toEqual([0, 2]);
		expect(layUp(design, studio, 1).map(({ layer, fused }) => [layer, fused])).toEqual([
			[0, true],
			[2, true],
			[3, false],
		]);
	});
	it("holds every kind of part that the demo uses, each drawn in a colour", () => {
		const glasses = byId(GLASSES);
		const demo = { glasses, families: byId(FAMILIES) };
		const kinds = new Set(KITS.flatMap((design) => layUp(design, demo, 5).map(({ part }) => part.kind)));
		expect([...PART_KINDS].filter((kind) => !kinds.has(kind))).toEqual(["lump", "foil"]);
		for (const design of KITS)
			for (const { boughtColour, firedColour, clearness, region } of drawnParts(design, glasses)) {
				expect(boughtColour + firedColour).toMatch(/^#[0-9a-f]{6}#[0-9a-f]{6}$/);
				expect(clearness).toBeLessThan(1);
				expect(areaMm2(region)).toBeGreaterThan(0);
			}
	});
	it("a component that is not there, or has nothing in it, is nothing", () => {
		const ghost = lay({ kind: "component", componentId: "gone" }, 0, 0, 0, { firing: 1 });
		expect(layUp(kit([ghost], fire("full", "tack")), studio, 1)).toEqual([]);
	});
});

describe("how high parts lie", () => {
	const heightsOf = (...parts: ReturnType<typeof cut>[]) =>
		restsOf(stackOf(kit(parts), studio).columns).map(({ part, restMm }) => [part.layer, restMm]);
	it("on what is below them, however many layers down that is", () => {
		expect(heightsOf(cut(square(60)), cut(square(20), 1), cut(square(10), 2), cut(square(10), 3, 20))).toEqual(
			expect.arrayContaining([
				[0, 0],
				[1, 3],
				[2, 6],
				[3, 3],
			]),
		);
	});
	it("on the higher of two supports, and on fibre laid for them", () => {
		const fibre = lay({ kind: "fibre", use: "support", shape: square(20), heightMm: 3 }, 1, 40);
		const bridge = cut(bar(100, 10), 1, 20);
		expect(heightsOf(cut(square(60)), fibre as ReturnType<typeof cut>, bridge)).toEqual(
			expect.arrayContaining([[1, 3]]),
		);
		expect(
			stackOf(kit([cut(square(60)), fibre, bridge]), studio).rests.find(({ part }) => part.id === bridge.id)
				?.overhangMm,
		).toBeLessThan(21);
	});

	it("sixteenths of an inch, rounded to hundredths of a millimetre, lie side by side and not on each other", () => {
		const inches = (of: number) => Number((of * 25.4).toFixed(2));
		const at = (shape: CutShape, layer: number, x: number, y: number) => cut(shape, layer, inches(x), inches(y));
		for (const wide of [9.25, 7.1875, 11.3125]) {
			const half = wide / 2;
			const stack = stackOf(
				kit([
					at(box(inches(wide), inches(6)), 0, 0, 0),
					at(box(inches(wide), inches(2)), 1, 0, -2),
					at(box(inches(5), inches(4)), 1, 2.5 - half, 1),
					at(box(inches(wide - 5), inches(4)), 1, half - (wide - 5) / 2, 1),
				]),
				book(),
			);
			expect(stack.thickestMm).toBe(6);
			expect(stack.rests.every(({ restMm }) => restMm === 0 || restMm === 3)).toBe(true);
		}
		// A lap that a hand can lay is one.
		expect(stackOf(kit([cut(square(40)), cut(square(40), 1, 39.7)]), book()).thickestMm).toBe(6);
	});
});
