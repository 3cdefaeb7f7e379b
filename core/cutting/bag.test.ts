import { describe, expect, it } from "vitest";
import { book, cut, kit, lay, square } from "../../tests/support/kit";
import { bagOf } from "./bag";
import { fillMassG, thinnedGlue } from "./mixing";

describe("a kit's bag", () => {
	it("holds each cut once a kit, pots, dots and loops, then glue, sheet and label", () => {
		const design = kit([
			cut(square(40)),
			cut(square(20), 1),
			cut(square(20), 1, 20),
			lay({ kind: "grains", glassId: "powder", gPerCm2: 0.2, shape: square(50) }),
			lay({ kind: "lump", form: "dome", diameterMm: 10, heightMm: 5, glassId: "clear" }),
			lay({ kind: "loop", metal: "copper", wireMm: 1, eyeMm: 6, tailMm: 12 }),
		]);
		const bag = bagOf(design, book().glasses);
		expect(bag.map(({ words, count, fired }) => [words, count, fired !== null])).toEqual(
			expect.arrayContaining([
				["", 1, false],
				["", 2, false],
				["frit or powder", 1, false],
				["dot", 1, true],
				["copper wire loop", 1, false],
				["a little white glue", 1, false],
				["the kit’s sheet", 1, false],
				["the label", 1, false],
			]),
		);
		expect(bag.find(({ words }) => words === "frit or powder")?.cut?.amount).toEqual({ g: 5 });
	});

	it.each([
		[10, 8, 2],
		[25, 20, 5],
		[3, 2.4, 0.6],
	])("%d ml of thinned glue are %d ml of glue and %d ml of water (common practice, no source)", (ml, glueMl, waterMl) =>
		expect(thinnedGlue(ml)).toEqual({ glueMl, waterMl }),
	);

	it.each([
		[100, 0, 250],
		[40, 0.05, 105],
		[0, 0.05, 0],
	])("a mould of %d cm³ with %d spilt takes %d g (2.5 g/cm³: soda-lime glass, from memory)", (volume, spill, grams) =>
		expect(fillMassG(volume, spill)).toBe(grams),
	);
});
