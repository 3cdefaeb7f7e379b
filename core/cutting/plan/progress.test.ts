import { describe, expect, it } from "vitest";
import { cut, square } from "../../../tests/support/kit";
import { cutListOf, forKits } from "../count";
import { blanksOf } from "./blanks";
import { acrossOf, nextStripOf, progressOf } from "./progress";
import { searchPlans } from "./search";
import { USUAL_CUT_RULES } from "./types";

describe("blanks", () => {
	const lines = cutListOf(
		forKits(
			[
				cut(square(40), 0, 0, 0, "clear"),
				cut({ kind: "triangle", widthMm: 25, heightMm: 19 }, 0, 0, 0, "clear"),
				cut({ kind: "circle", diameterMm: 60 }, 0, 0, 0, "clear"),
			],
			7,
		),
		{ share: 0, least: 0 },
	);
	it("triangles come in pairs, rounds from a square and what is ground off, streaks lie as they are", () => {
		const of = (directed: boolean) =>
			Object.fromEntries(blanksOf(lines, directed, ({ shape }) => shape?.kind ?? "").map((one) => [one.key, one]));
		expect(of(false).square).toMatchObject({ widthMm: 40, heightMm: 40, count: 7, yields: 1, mayTurn: true });
		expect(of(false).triangle).toMatchObject({ widthMm: 25, heightMm: 19, count: 4, yields: 2, finish: "diagonal" });
		expect(of(false).circle).toMatchObject({ widthMm: 62, heightMm: 62, count: 7, finish: "round" });
		expect(of(true).square?.mayTurn).toBe(false);
	});
});

describe("where a plan stands", () => {
	const blank = { yields: 1, mayTurn: true, finish: "none" as const };
	const blanks = [
		{ ...blank, key: "a", widthMm: 100, heightMm: 100, count: 10 },
		{ ...blank, key: "b", widthMm: 100, heightMm: 50, count: 10 },
	];
	const rules = USUAL_CUT_RULES;
	const [first] = [...searchPlans({ blanks, offcuts: [], sheet: { widthMm: 500, heightMm: 430 }, rules }, 1)];
	const plan = first?.best.fewestSheets.plan;
	if (!plan) throw new Error("There is a plan.");
	const at = (a: number, b: number) => progressOf(plan, blanks, (key) => (key === "a" ? a : b));
	const sum = (all: { done: number }[]) => all.reduce((total, { done }) => total + done, 0);

	it("counts every part once, in the order of the strips", () => {
		expect(sum(at(0, 0))).toBe(0);
		expect(sum(at(3, 0))).toBe(3);
		expect(sum(at(99, 99))).toBe(20);
		expect(nextStripOf(at(0, 0))).toMatchObject({ sheet: 0, strip: 0, done: 0 });
		expect(nextStripOf(at(10, 10))).toBeUndefined();
	});

	it("a strip is done when all its parts are, and the next is on", () => {
		const [one] = at(0, 0);
		const after = at(5, 0);
		expect(after[0]).toMatchObject({ parts: one?.parts, done: 5, columns: [1, 1, 1, 1, 1] });
		expect(nextStripOf(after)).toMatchObject({ strip: 1 });
	});

	it("columns of one kind are one line of steps", () => {
		const [strip] = plan.sheets[0]?.strips ?? [];
		expect(strip && acrossOf(strip)).toEqual([{ columns: 5, widthMm: 100, heightMm: 100, stack: 1, blank: 0 }]);
	});
});
