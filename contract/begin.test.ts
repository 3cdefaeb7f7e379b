import { starterGlass } from "@core/glass/starter-glass";
import { describe, expect, it } from "vitest";
import { beginForm } from "./begin";
import { glass } from "./documents/glass-book";
import { problemsOf } from "./problems";

const typed = {
	studio: "Lee Side Glass",
	timeZone: "Europe/Vienna",
	currency: "EUR",
	units: "mm.C",
	name: "Runa Holt",
	email: "Runa@leeside.example",
	password: "three kettles by the gate",
};

describe("a studio as it is begun", () => {
	it("takes what is typed; an e-mail is one however it is written", () => {
		expect(beginForm.parse(typed)).toMatchObject({ email: "runa@leeside.example", units: "mm.C" });
	});
	it.each([
		["studio", "", "The studio’s name must not be empty."],
		["timeZone", "Middle/Nowhere", "Choose a time zone of the list."],
		["currency", "XXQ", "Choose a currency of the list."],
		["units", "ells", "Choose millimetres or inches."],
		["email", "runa at leeside", "This is not an e-mail address."],
		["password", "short", "A password needs at least 10 characters."],
	])("%s “%s”: %s", (field, value, sentence) => {
		const parsed = beginForm.safeParse({ ...typed, [field]: value });
		expect(parsed.success ? [] : problemsOf(parsed.error)).toEqual([{ path: [field], sentence: [sentence] }]);
	});
	it("every glass of the starter list is one the books take, under an id of its own", () => {
		const both = [...starterGlass("90"), ...starterGlass("96")];
		for (const one of both) expect(glass.safeParse(one).success, one.name).toBe(true);
		expect(new Set(both.map(({ id }) => id)).size).toBe(both.length);
	});
});
