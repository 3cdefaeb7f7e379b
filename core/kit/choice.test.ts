import { describe, expect, it } from "vitest";
import { choiceProblem } from "./choice";

const kits = [
	{ id: "vane", isLarge: false },
	{ id: "kite", isLarge: false },
	{ id: "roof", isLarge: false },
	{ id: "quilt", isLarge: true },
	{ id: "map", isLarge: true },
];
const offer = (smallKits: number, some = kits) => ({ kits: some, smallKits });

describe("what somebody chooses to make", () => {
	it.each<[string[], number, RegExp | undefined]>([
		[["vane"], 1, undefined],
		[["vane", "kite"], 2, undefined],
		[["quilt"], 2, undefined],
		[[], 1, /would like to make/],
		[["vane", "kite"], 1, /Choose one/],
		[["vane", "kite", "roof"], 2, /at most 2/],
		[["quilt", "vane"], 2, /alone/],
		[["quilt", "map"], 2, /alone/],
		[["gone"], 2, /no longer offered/],
	])("%j of up to %d", (chosen, small, sentence) => {
		const problem = choiceProblem(chosen, offer(small));
		if (sentence) expect(problem).toMatch(sentence);
		else expect(problem).toBeUndefined();
	});

	it("nothing is asked where nothing is offered", () => expect(choiceProblem([], offer(1, []))).toBeUndefined());
});
