import { describe, expect, it } from "vitest";
import type { Section } from "./section";
import { sectionAsLaid } from "./section-as-laid";

/** A base of 3 mm, a sheet over half of it, and a wire that bends over both. Shapes are made up. */
const layer = (partId: string, mm: number) => ({ partId, mm, glassMm: mm, keptMm: 0 });
const section: Section = {
	places: [
		{ alongMm: 5, layers: [layer("base", 3), layer("wire", 1)] },
		{ alongMm: 15, layers: [layer("base", 3), layer("sheet", 3), layer("wire", 1)] },
		{ alongMm: 25, layers: [] },
	],
	stepMm: 10,
	lengthMm: 30,
	after: [4, 7, 0],
	walls: [0, 0, 0],
	floor: [0, 0, 0],
};
const rests = { base: 0, sheet: 3 };
const spans = (laid: ReturnType<typeof sectionAsLaid>["laid"]) =>
	laid.map((layers) => layers.map(({ partId, from, mm }) => `${partId} ${from}-${from + mm}`));

describe("a section on the shelf", () => {
	it("lies as it is laid up", () => {
		const { laid, heightsMm, upperMm } = sectionAsLaid(section, rests, false);
		expect(spans(laid)).toEqual([["base 0-3", "wire 3-4"], ["base 0-3", "sheet 3-6", "wire 6-7"], []]);
		expect([heightsMm, upperMm]).toEqual([
			[4, 7, 0],
			[4, 7, 0],
		]);
	});

	it("upside down its highest layer touches the shelf and its back is one plane", () => {
		const asLaid = sectionAsLaid(section, rests, true);
		expect(spans(asLaid.laid)).toEqual([["base 4-7", "wire 3-4"], ["base 4-7", "sheet 1-4", "wire 0-1"], []]);
		expect(asLaid.upperMm).toEqual([7, 7, 0]);
		expect(asLaid.heightsMm).toEqual([4, 7, 0]);
		expect(asLaid.section.places[1]?.layers.map(({ partId }) => partId)).toEqual(["wire", "sheet", "base"]);
	});

	it("a stiff sheet over nothing lies where it rests", () => {
		const bridge = { ...section, places: [{ alongMm: 5, layers: [layer("sheet", 3)] }] };
		expect(spans(sectionAsLaid(bridge, rests, false).laid)).toEqual([["sheet 3-6"]]);
	});
});
