import { describe, expect, it } from "vitest";
import { mould } from "../../tests/support/kit";
import { mouldProblem, mouldTrouble } from "./mould-problem";

describe("moulds that nothing is fired on", () => {
	// Glass sticks to a mould without wash or paper: common practice, no source.
	it.each([
		[mould("washed"), undefined],
		[mould("papered", { release: "papered" }), undefined],
		[mould("bare", { release: "bare" }), "bare"],
		[mould("bare frame, never in the kiln", { release: "bare", kind: "frame" }), undefined],
		[mould("away", { retired: true }), "putAway"],
		[mould("away and bare", { retired: true, release: "bare" }), "putAway"],
	])("$id", (its, trouble) => expect(mouldTrouble(its)).toBe(trouble));
	const on = (its: ReturnType<typeof mould> | undefined, n: number) =>
		Array.from({ length: n }, (_, i) => ({ code: `A${i}`, mould: its }));
	it.each<[string, ReturnType<typeof on>, RegExp | undefined]>([
		["none", on(undefined, 9), undefined],
		["as many as there are", on(mould("dish", { count: 3 }), 3), undefined],
		["one too many", on(mould("dish", { count: 3 }), 4), /4 of these .* “dish”, and there are 3\. Leave 1 out/],
		["two on one", on(mould("dish"), 2), /there is one\. Leave 1 out/],
		["two kinds, each enough", [...on(mould("a"), 1), ...on(mould("b", { count: 2 }), 2)], undefined],
		["a bare one among washed", [...on(mould("a"), 1), ...on(mould("b", { release: "bare" }), 1)], /“b”.*bare/],
	])("%s", (_, pieces, said) =>
		said ? expect(mouldProblem(pieces)).toMatch(said) : expect(mouldProblem(pieces)).toBeUndefined(),
	);
});
