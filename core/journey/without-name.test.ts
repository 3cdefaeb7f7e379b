import { describe, expect, it } from "vitest";
import { erased, withoutName } from "./without-name";

describe("text without a name", () => {
	it.each([
		["Noor Halvane added two strips", "Noor Halvane", "… added two strips"],
		["noor’s edge is sharp; HALVANE knows", "Noor Halvane", "…’s edge is sharp; … knows"],
		["Annealed twice, for Ann", "Ann Lee", "Annealed twice, for …"],
		["Zoë, zoë and zoëlite", "Zoë Ruiz", "…, … and zoëlite"],
		["Ед рассказал Едуарду", "Ед Ли", "Ед рассказал Едуарду"],
		["a (Bright-Alder) piece", "Hanneke Bright-Alder", "a (…-…) piece"],
		["C. (x) is no pattern", "C. (x)", "… is no pattern"],
		["li is a short word", "Li Wu", "li is a short word"],
	])("%s, without %s: %s", (text, name, left) => expect(withoutName(text, name)).toBe(left));

	it("goes through a whole record and changes nothing but text", () => {
		const record = { type: "noted", note: "for Noor", seq: 3, at: ["Noor", 7, null, { deep: "Halvane" }] };
		expect(erased(record, "Noor Halvane")).toEqual({
			type: "noted",
			note: "for …",
			seq: 3,
			at: ["…", 7, null, { deep: "…" }],
		});
	});
});
