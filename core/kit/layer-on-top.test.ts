import { describe, expect, it } from "vitest";
import { bar, cut, GLASSES, lay, square } from "../../tests/support/kit";
import type { KitPart } from "./kit";
import { landed, layerOnTop } from "./layer-on-top";

const on = (part: KitPart, parts: KitPart[]) => layerOnTop(part, parts, { components: [] }, GLASSES);

describe("where a new part comes to lie", () => {
	const two = [cut(square(60)), cut(square(60), 1)];
	it.each<[string, KitPart, KitPart[], number]>([
		["on an empty shelf", cut(square(20)), [], 0],
		["over two squares", cut(square(20)), two, 2],
		[
			"a stringer over two squares",
			lay({
				kind: "thread",
				glassId: "thread",
				points: [
					{ x: -20, y: 0 },
					{ x: 20, y: 0 },
				],
			}),
			two,
			2,
		],
		["beside them", cut(square(20), 0, 60), two, 0],
		["edge to edge", cut(square(20), 0, 40), two, 0],
		["over the lower one only", cut(square(10), 0, 40), [cut(bar(120, 20)), cut(square(20), 1)], 1],
		[
			"inside a wall",
			cut(square(20)),
			[lay({ kind: "dam", shape: { kind: "ring", diameterMm: 66, holeMm: 60 }, heightMm: 25 })],
			0,
		],
	])("%s", (_, part, parts, layer) => expect(on(part, parts)).toBe(layer));

	it("counts a component by the parts it is made of, where it lies", () => {
		const components = [{ id: "dot", name: "Dot", firing: 0, parts: [cut(square(10))] }];
		const dot = lay({ kind: "component", componentId: "dot" }, 0, 30, 0);
		expect(layerOnTop(cut(square(10), 0, 30), [dot], { components }, GLASSES)).toBe(1);
		expect(layerOnTop(cut(square(10)), [dot], { components }, GLASSES)).toBe(0);
	});
});

describe("parts laid out together", () => {
	const row = (layer: number) => [-20, 0, 20].map((x) => cut(square(18), layer, x));
	const land = (laid: KitPart[], parts: KitPart[]) =>
		landed(laid, parts, { components: [] }, GLASSES).map(({ layer }) => layer);
	it("all go up together where one would lie in another's place", () => {
		expect(land(row(0), [cut(square(10), 0, 20)])).toEqual([1, 1, 1]);
		expect(land(row(0), [cut(square(10), 0, 20), cut(square(8), 1, 20)])).toEqual([2, 2, 2]);
	});
	it("stay where nothing of their own layer is in the way: beside, under, over", () => {
		expect(land(row(0), [cut(square(10), 0, 60)])).toEqual([0, 0, 0]);
		expect(land(row(0), [cut(square(60), 1)])).toEqual([0, 0, 0]);
		expect(land(row(1), [cut(square(60))])).toEqual([1, 1, 1]);
	});
});
