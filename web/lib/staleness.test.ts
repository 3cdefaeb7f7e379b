import { describe, expect, it } from "vitest";
import { agoWords, oldAnswer, oldReading } from "./staleness";

describe("what is shown of a kiln", () => {
	it.each([
		// reading's age when answered, answer's age, hot → words
		[8, 2, true, undefined],
		[8, 40, true, "48 s ago"],
		[60, 0, true, "60 s ago"],
		[60, 60, false, undefined],
		[170, 40, false, "4 min ago"],
		[20_000, 0, false, "6 h ago"],
		[null, 500, true, undefined],
	] as const)("read %s s before an answer of %s s ago, hot %s: %s", (read, answered, hot, words) => {
		expect(oldReading(read, answered, hot)).toBe(words);
	});

	it("says how long nothing was heard, and not before that is long", () => {
		expect(oldAnswer(39)).toBeUndefined();
		expect(oldAnswer(41)).toBe("41 s ago");
		expect(agoWords(600)).toBe("10 min ago");
	});
});
