import { describe, expect, it } from "vitest";
import { cut, lay } from "../../tests/support/kit";
import type { CutShape } from "../geometry/shape";
import type { KitPart } from "../kit/kit";
import { cutListOf, forKits, sparesFor } from "./count";

const part = (id: string, shape: CutShape, glassId: string): KitPart => cut(shape, 0, 0, 0, glassId, { id, name: id });

describe("a cut list", () => {
	const strip: CutShape = { kind: "strip", lengthMm: 20, widthMm: 7 };
	const list = cutListOf(
		forKits(
			[
				part("a", strip, "teal"),
				part("b", { kind: "rectangle", widthMm: 7, heightMm: 20 }, "teal"),
				part("c", { kind: "square", sideMm: 33 }, "teal"),
				part("d", { kind: "square", sideMm: 100 }, "clear"),
				part("e", { kind: "triangle", widthMm: 33, heightMm: 33 }, "teal"),
			],
			8,
		),
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

	it("lists what is not cut from sheet after what is: threads by length, pots by weight, metal and fibre by name", () => {
		const rest = cutListOf(
			forKits(
				[
					lay({
						kind: "thread",
						glassId: "thread",
						points: [
							{ x: 0, y: 0 },
							{ x: 30, y: 40 },
						],
					}),
					lay({ kind: "grains", glassId: "powder", gPerCm2: 0.2, shape: { kind: "square", sideMm: 50 } }),
					lay({ kind: "foil", metal: "copper", shape: { kind: "circle", diameterMm: 8 } }),
					part("a", strip, "teal"),
				],
				3,
			),
		);
		expect(rest.map(({ kind, amount, needed, stuff }) => [kind, amount, needed, stuff])).toEqual([
			["sheet", null, 3, ""],
			["foil", null, 3, "copper foil"],
			["grains", { g: 5 }, 3, "frit or powder"],
			["thread", { mm: 50 }, 3, "stringer or ribbon"],
		]);
	});
});
