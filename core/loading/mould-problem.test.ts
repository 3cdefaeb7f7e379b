import { describe, expect, it } from "vitest";
import { mould } from "../../tests/support/kit";
import { overRimMm } from "../kit/mould-fit";
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
	// What hangs over the rim of a dish cracks; over a form it is meant to. Common practice, no source.
	it.each([
		["as large as its opening", mould("dish", { widthMm: 150, heightMm: 150 }), [150, 150], 0, undefined],
		["measured a little large", mould("dish", { widthMm: 150, heightMm: 150 }), [151.5, 150], 1.5, undefined],
		["over the rim", mould("dish", { widthMm: 150, heightMm: 150 }), [156, 150], 6, "tooSmall"],
		[
			"turned by a quarter",
			mould("dish", { widthMm: 200, heightMm: 100, opening: "rectangle" }),
			[100, 200],
			0,
			undefined,
		],
		[
			"too wide either way",
			mould("dish", { widthMm: 200, heightMm: 100, opening: "rectangle" }),
			[150, 150],
			50,
			"tooSmall",
		],
		["over a form", mould("drape", { kind: "drape", widthMm: 80, heightMm: 80 }), [150, 150], 0, undefined],
	] as const)("%s", (_, its, [widthMm, heightMm], over, trouble) => {
		expect(overRimMm(its, { widthMm, heightMm })).toBe(over);
		expect(mouldTrouble(its, { widthMm, heightMm })).toBe(trouble);
		const said = mouldProblem([{ code: "A1", mould: its, body: { widthMm, heightMm } }]);
		expect(said).toEqual(trouble && expect.stringContaining("A1 is larger than the opening"));
	});
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
