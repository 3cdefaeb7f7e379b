import type { KilnImport } from "@contract/kilns";
import { describe, expect, it } from "vitest";
import { drawn, text } from "../../../tests/support/drawn";
import { Imports } from "./imports";

const one = (change: Partial<KilnImport>): KilnImport => ({
	id: "a",
	at: "2031-03-08T20:00:00Z",
	from: "2031-02-01T08:00:00Z",
	to: "2031-02-03T08:00:00Z",
	added: 10_000,
	lines: 200_000,
	written: 200_000,
	state: "kept",
	by: "Marit Oleandro",
	...change,
});
const shown = (change: Partial<KilnImport>) => text(drawn(<Imports imports={[one(change)]} onLook={() => {}} />));

describe("a log that was brought in", () => {
	it("is looked at and taken back once it is all there", () => {
		const words = shown({});
		expect(words).toContain("Look");
		expect(words).toContain("Take back");
		expect(words).not.toContain("lines written");
	});

	it("on its way says how far it is and can be cancelled; part of it teaches nothing", () => {
		const words = shown({ state: "coming", written: 10_000 });
		expect(words).toContain("10000 of 200000 lines written");
		expect(words).toContain("Cancel");
		expect(words).not.toContain("Look");
	});

	it("broken off says what to do", () => {
		expect(shown({ state: "brokenOff", written: 10_000 })).toContain("bring the log in again");
	});
});
