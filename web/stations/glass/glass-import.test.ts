import { glass } from "@contract/documents/glass-book";
import { FAMILY_90, FAMILY_96 } from "@core/glass/family";
import { PLAIN_SHEET } from "@core/glass/glass";
import { describe, expect, it } from "vitest";
import { glassOf } from "./glass-import";

const families = [FAMILY_90, FAMILY_96];
const of = (
	said: Parameters<typeof glassOf>[0]["said"],
	before: Parameters<typeof glassOf>[1] = { ...PLAIN_SHEET, id: "a" },
) => glassOf({ line: 2, name: "Tin roof", said }, before, families, "EUR");

describe("a glass of a list", () => {
	it.each(["90", "family 90", "exp. 90"])("of %s is of the family the book has", (familyId) =>
		expect(of({ familyId })).toMatchObject({ familyId: "90", name: "Tin roof" }),
	);
	it.each([
		["81,50", 8150],
		["€ 81.50", 8150],
		["95", 9500],
	])("at %s costs %d minor units", (price, priceMinor) =>
		expect(of({ familyId: "90", price })).toMatchObject({ priceMinor }),
	);
	it("has a colour as bought that the fire does not change, unless the list says so", () => {
		expect(of({ familyId: "90", boughtColour: "#aabbcc" })).toMatchObject({ firedColour: "#aabbcc" });
		expect(of({ familyId: "90", boughtColour: "#aabbcc", firedColour: "#112233" })).toMatchObject({
			boughtColour: "#aabbcc",
			firedColour: "#112233",
		});
	});
	it("known already keeps what the list does not say, and fits the book's own schema", () => {
		const before = { ...PLAIN_SHEET, id: "a", familyId: "96", revision: 4, retired: true, priceMinor: 100 };
		const made = of({ thicknessMm: 2 }, before);
		expect(made).toEqual({
			...PLAIN_SHEET,
			id: "a",
			name: "Tin roof",
			familyId: "96",
			priceMinor: 100,
			thicknessMm: 2,
		});
		expect(glass.safeParse(made).success).toBe(true);
	});
	it("of no family, or one that is not in the book, or at no price is told", () => {
		expect(of({})).toEqual({ sentence: "It has no family. Say which column names it." });
		expect(of({ familyId: "104" })).toHaveProperty("sentence", expect.stringMatching(/no family “104”/));
		expect(of({ familyId: "90", price: "dear" })).toHaveProperty("sentence", expect.stringMatching(/not a price/));
	});
});
