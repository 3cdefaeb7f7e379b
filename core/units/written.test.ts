import { describe, expect, it } from "vitest";
import { type Phrase, phraseText, say } from "./phrase";
import { readWritten, written } from "./written";

const INCHES = { length: "in", temperature: "F" } as const;

describe("a phrase as one string", () => {
	it.each<[Phrase]>([
		[say`Width must be at least ${{ mm: 0.5 }}.`],
		[say`${{ c: -18 }} to ${{ c: 1e-7 }}, ${{ cPerH: 150 }}`],
		[["no figures"]],
		[[{ g: 12 }]],
	])("%j comes back as it was", (phrase) => {
		expect(readWritten(written(phrase))).toEqual(phrase.filter((part) => part !== ""));
	});

	it("is read in the reader's units", () => {
		expect(phraseText(readWritten(written(say`at most ${{ mm: 254 }}`)), INCHES)).toBe("at most 10 in");
		expect(phraseText(readWritten(written(say`at least ${{ c: 500 }}`)), INCHES)).toBe("at least 932 °F");
	});

	it("takes what somebody typed between such marks as their words", () => {
		expect(readWritten("kiln ⟦hot:1⟧")).toEqual(["kiln ", "⟦hot:1⟧"]);
	});
});
