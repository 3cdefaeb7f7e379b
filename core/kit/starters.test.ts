import { describe, expect, it } from "vitest";
import { GLASSES as DEMO, FAMILIES } from "../../demo/studio";
import { book, GLASSES } from "../../tests/support/kit";
import { byId } from "../by-id";
import { readKit } from "../stack/read-kit";
import { STARTERS, starterKit } from "./starters";

let made = 0;
const newId = () => `s${++made}`;
const demo = {
	glasses: byId(DEMO),
	families: byId(FAMILIES),
};

describe.each(STARTERS)("the starter %s", (starter) => {
	it.each([
		["the demo's glass", DEMO, demo],
		["the tests' glass", GLASSES, book()],
	] as const)("is a kit of %s that holds together, with nothing to mend", (_, glasses, studio) => {
		const kit = starterKit(starter, glasses, newId);
		if (!kit) throw new Error("there is sheet in the book");
		const reading = readKit(kit, studio);
		expect(reading.findings.filter(({ severity }) => severity !== "know")).toEqual([]);
		expect(reading.familyId).toBeDefined();
		expect(new Set(kit.parts.map(({ id }) => id)).size).toBe(kit.parts.length);
	});
	it("is laid from what there is: one kind of sheet is enough, none is not", () => {
		const one = GLASSES.filter(({ id }) => id === "clear");
		expect(readKit(starterKit(starter, one, newId) ?? ({ ...DEMO } as never), book()).areaMm2).toBeGreaterThan(1000);
		expect(
			starterKit(
				starter,
				GLASSES.filter(({ form }) => form === "frit"),
				newId,
			),
		).toBeUndefined();
	});
});
