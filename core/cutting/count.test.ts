import { describe, expect, it } from "vitest";
import type { CutShape } from "../geometry/shape";
import type { KitPart } from "../stack/kit";
import { cutListOf, sparesFor } from "./count";

const part = (id: string, shape: CutShape, glassId: string): KitPart => ({
	id,
	name: id,
	shape,
	glassId,
	layer: 0,
	xMm: 0,
	yMm: 0,
	turnDeg: 0,
});

describe("a cut list", () => {
	const strip: CutShape = { kind: "strip", lengthMm: 20, widthMm: 7 };
	const list = cutListOf(
		[
			part("a", strip, "teal"),
			part("b", { kind: "rectangle", widthMm: 7, heightMm: 20 }, "teal"),
			part("c", { kind: "square", sideMm: 33 }, "teal"),
			part("d", { kind: "square", sideMm: 100 }, "clear"),
			part("e", { kind: "triangle", widthMm: 33, heightMm: 33 }, "teal"),
		],
		8,
	);

	it("counts the same cut once, whichever way it was drawn", () => {
		expect(list.map(({ glassId, needed, spares, stripMm }) => [glassId, needed, spares, stripMm])).toEqual([
			["clear", 8, 1, 100],
			["teal", 8, 2, 33],
			["teal", 8, 2, 33],
			["teal", 16, 2, 7],
		]);
	});

	it("adds a tenth, at least two small ones, one large one, none for nothing (common practice, no source)", () => {
		expect(sparesFor(strip, 48)).toBe(5);
		expect(sparesFor(strip, 3)).toBe(2);
		expect(sparesFor({ kind: "square", sideMm: 150 }, 30)).toBe(1);
		expect(sparesFor(strip, 0)).toBe(0);
	});
});
