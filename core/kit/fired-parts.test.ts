import { describe, expect, it } from "vitest";
import { bar, book, cut, disc, fire, kit, lay, square } from "../../tests/support/kit";
import { bagOf } from "../cutting/bag";
import { cutListOf } from "../cutting/count";
import { wantedFor } from "../cutting/wanted";
import { areaMm2, unite } from "../geometry/region";
import { componentStack } from "../stack/firing-stacks";
import { layUp } from "../stack/lay";
import { forBag } from "../stock/for-bag";
import type { StockItem } from "../stock/kinds";
import { dotOfSquare, squareForDot } from "./dot";
import { drawnParts } from "./drawn";
import { firedParts } from "./fired-parts";
import type { Component, KitDesign, KitPart } from "./kit";

const { glasses } = book();
/** A blade: a triangle across a bar, fired by itself before it is laid. */
const bladeParts = (glassId = "clear"): KitPart[] => [
	cut({ kind: "triangle", widthMm: 25, heightMm: 19 }, 0, 0, 0, glassId),
	cut(bar(18, 6), 1, -2, -3, "black"),
];
const blade = (more: Partial<Component> = {}): Component => ({
	...{ id: "blade", name: "Small blade", firing: 0, parts: bladeParts() },
	...more,
});
const uses = (count: number, componentId = "blade") =>
	Array.from({ length: count }, (_, i) => lay({ kind: "component", componentId }, 1, i * 30, 0, { firing: 1 }));
const wheel = (component = blade(), route = fire("full", "tack")): KitDesign =>
	kit([cut(disc(150), 0, 0, 0, "clear", { firing: 1 }), ...uses(19, component.id)], route, { components: [component] });

const none = { share: 0, least: 0 };
const counts = (design: KitDesign, kits: number, fromDrawer = {}) =>
	Object.fromEntries(
		cutListOf(wantedFor(design, kits, glasses, fromDrawer), none).map(({ shape, perKit, needed }) => [
			shape?.kind,
			[perKit, needed],
		]),
	);

describe("what is fired before a kit is packed", () => {
	it("is a line of its own in the bag, not the glass it is cut of", () => {
		const lines = bagOf(wheel(), glasses).filter(({ cut: its, fired }) => its || fired);
		expect(lines.map(({ words, count, fired }) => [words, count, fired?.sizeMm ?? null])).toEqual([
			["", 1, null],
			["Small blade", 19, 25],
		]);
	});

	it("is cut as often as the drawer does not give it, part by part", () => {
		const [part] = firedParts(wheel(), glasses);
		expect(counts(wheel(), 4)).toEqual({ circle: [1, 4], triangle: [19, 76], strip: [19, 76] });
		expect(counts(wheel(), 4, { [part?.madeOf ?? ""]: 50 })).toMatchObject({ triangle: [19, 26], strip: [19, 26] });
		expect(counts(wheel(), 4, { [part?.madeOf ?? ""]: 76 })).toEqual({ circle: [1, 4] });
	});

	it("is known again in another kit, whatever it is called and wherever it was drawn", () => {
		const madeOf = (design: KitDesign) => firedParts(design, glasses)[0]?.madeOf;
		const moved = bladeParts().map((part, i) => ({
			...part,
			...{ id: `other ${i}`, name: `Other ${i}`, xMm: part.xMm + 7, yMm: part.yMm - 3, layer: part.layer + 2 },
		}));
		const other = blade({ id: "vane", name: "Vane", parts: moved.toReversed() });
		expect(madeOf(wheel(other))).toBe(madeOf(wheel()));
		expect(madeOf(wheel(blade({ parts: bladeParts("white") })))).not.toBe(madeOf(wheel()));
		expect(madeOf(wheel(blade(), fire("tack", "tack")))).not.toBe(madeOf(wheel()));
	});

	it("comes out of the drawer when its bag is closed", () => {
		const [part] = firedParts(wheel(), glasses);
		const thing: StockItem & { amount: number } = {
			...{ id: "drawer", kind: "component", glassId: null, name: "whatever", amount: 40, madeOf: part?.madeOf },
			...{ widthMm: null, heightMm: null, sizeMm: 25, place: "", low: null, buyAmount: 1, priceMinor: null },
			...{ supplier: "", fromItemId: null },
		};
		expect(forBag(bagOf(wheel(), glasses), [thing])).toEqual({ drawer: 19 });
	});

	it("is drawn as it is reckoned: rounded by its firing, where it is laid", () => {
		const design = wheel();
		const drawn = drawnParts(design, glasses).filter(({ part }) => part.kind === "component");
		const lain = layUp(design, book(), 1).filter(({ part }) => part.kind === "component");
		const drawnMm2 = areaMm2(unite(drawn.map(({ region }) => region)));
		expect(drawnMm2).toBeCloseTo(
			lain.reduce((sum, one) => sum + one.areaMm2, 0),
			-1,
		);
		const asCut = drawnParts(design, glasses, "cut").filter(({ part }) => part.kind === "component");
		expect(areaMm2(unite(asCut.map(({ region }) => region)))).toBeGreaterThan(drawnMm2 * 1.1);
	});

	it("is fired by itself, to the level of its own firing", () => {
		const stack = componentStack(wheel(blade(), fire("contour", "tack")), "blade", book());
		expect(stack?.level).toBe("contour");
		expect(stack?.glass).toHaveLength(2);
		expect(componentStack(wheel(), "gone", book())).toBeUndefined();
	});
});

describe("dots of sheet", () => {
	// Common practice, no source: a square of 10 mm, 3 mm thick, becomes a dot 8 to 9.5 mm wide.
	it("a square becomes a dot, and a dot asks for its square", () => {
		const dot = dotOfSquare(10, 3);
		expect(dot.diameterMm).toBeGreaterThan(8);
		expect(dot.diameterMm).toBeLessThan(9.5);
		for (const [side, thick] of [
			[6, 3],
			[10, 3],
			[10, 2],
			[15, 3],
			[20, 3],
		] as const)
			expect(squareForDot(dotOfSquare(side, thick).diameterMm, thick)).toBeCloseTo(side, 0);
	});

	// Solid geometry: the cap of a sphere of that foot and height has the square's volume, while it is no higher than a puddle.
	it.each([
		[6, 3],
		[8, 3],
		[10, 2],
	])("a square of %d mm, %d thick: its cap holds its glass", (side, thick) => {
		const { diameterMm, heightMm } = dotOfSquare(side, thick);
		const r = diameterMm / 2;
		expect((Math.PI * heightMm * (3 * r * r + heightMm * heightMm)) / 6).toBeCloseTo(side * side * thick, 0);
	});

	it("a larger square settles towards the six millimetres of a puddle", () => {
		const heights = [12, 16, 20, 26].map((side) => dotOfSquare(side, 3).heightMm);
		expect(Math.max(...heights)).toBeLessThan(7.5);
	});

	const spotted = kit([
		cut(square(80)),
		cut(square(80), 1),
		...[-20, 0, 20].map((x) => lay({ kind: "lump", form: "dome", diameterMm: 9, heightMm: 5, glassId: "black" }, 2, x)),
		lay({ kind: "lump", form: "slice", diameterMm: 8, heightMm: 5, glassId: "cane" }, 2, 30),
	]);
	it("put their squares on the cut list, those in the drawer left out; slices and bought dots do not", () => {
		const [dot] = firedParts(spotted, glasses);
		const line = (fromDrawer = {}) =>
			cutListOf(wantedFor(spotted, 6, glasses, fromDrawer), none).find(({ glassId }) => glassId === "black");
		expect(line()).toMatchObject({ needed: 18, shape: { kind: "square", sideMm: squareForDot(9, 3) } });
		expect(line({ [dot?.madeOf ?? ""]: 11 })?.needed).toBe(7);
		expect(line({ [dot?.madeOf ?? ""]: 18 })).toBeUndefined();
		expect(bagOf(spotted, glasses).find(({ fired }) => fired)).toMatchObject({ words: "dot", count: 3 });
		expect(bagOf(spotted, glasses).find(({ words }) => words === "cane slice")).toMatchObject({
			count: 1,
			fired: null,
		});
	});
});
