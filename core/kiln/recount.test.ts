import { describe, expect, it } from "vitest";
import { type KilnRecord, recounted, type TypedRecord } from "./record";

const known: KilnRecord = {
	elements: { fittedOn: "2030-02-11", firings: 152, hours: 2500, dueFirings: 200 },
	upkeep: [{ what: "wipe", everyFirings: 5, sinceFirings: 3 }],
	shelves: [{ name: "large", release: "washed", usesSince: 4 }],
};
const typed: TypedRecord = {
	elements: { fittedOn: "2030-02-11", dueFirings: 180 },
	upkeep: [
		{ what: "wipe", everyFirings: 6 },
		{ what: "compare", everyFirings: 40 },
	],
	shelves: [{ name: "large", release: "washed" }],
};

describe("a kiln's record after it was typed", () => {
	it("goes on counting what was counted meanwhile, and takes what was typed", () => {
		expect(recounted(known, typed)).toEqual({
			elements: { fittedOn: "2030-02-11", firings: 152, hours: 2500, dueFirings: 180 },
			upkeep: [
				{ what: "wipe", everyFirings: 6, sinceFirings: 3 },
				{ what: "compare", everyFirings: 40, sinceFirings: 0 },
			],
			shelves: [{ name: "large", release: "washed", usesSince: 4 }],
		});
	});

	it("holds what somebody counted anew", () => {
		const anew = { elements: { firings: 10 }, upkeep: { wipe: 0 }, shelves: { large: 7 } };
		const { elements, upkeep, shelves } = recounted(known, typed, anew);
		expect(elements).toMatchObject({ firings: 10, hours: 2500 });
		expect(upkeep[0]?.sinceFirings).toBe(0);
		expect(shelves[0]?.usesSince).toBe(7);
	});

	it("begins at none for new elements, a renewed shelf and a new kiln", () => {
		const renewed: TypedRecord = {
			...typed,
			elements: { fittedOn: "2031-01-02", dueFirings: 200 },
			shelves: [{ name: "large", release: "papered" }],
		};
		expect(recounted(known, renewed).elements).toMatchObject({ firings: 0, hours: 0 });
		expect(recounted(known, renewed).shelves[0]?.usesSince).toBe(0);
		expect(recounted(undefined, typed).elements.firings).toBe(0);
	});
});
