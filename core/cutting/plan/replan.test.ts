import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { wrongWith } from "../../../tests/support/cut-checker";
import { cases } from "../../../tests/support/thorough";
import { cutSoFar, notYetCut, stillToCut } from "./cut-so-far";
import { keptPlanOf, restId } from "./keep-plan";
import type { KeptPlan } from "./kept";
import { madeBy, planProblem } from "./plan-problem";
import { progressOf } from "./progress";
import { restsToKeep } from "./rests-to-keep";
import { searchPlans } from "./search";
import { type Blank, USUAL_CUT_RULES } from "./types";

const sheet = { widthMm: 500, heightMm: 430 };
const rules = USUAL_CUT_RULES;
const stock = { itemId: "rack", amount: 1 };

const blank = (key: string, widthMm: number, heightMm: number, count: number, mayTurn = true): Blank => ({
	key,
	widthMm,
	heightMm,
	count,
	yields: 1,
	mayTurn,
	finish: "none",
});

const planned = (blanks: Blank[]): KeptPlan => {
	const found = [...searchPlans({ blanks, offcuts: [], sheet, rules }, 12)].at(-1)?.best.fewestSheets;
	return keptPlanOf(found?.plan ?? { sheets: [], short: [] }, blanks, blanks, rules, stock);
};

/** The rest of a plan laid anew, as the page does it. */
function replanned(plan: KeptPlan, wanted: Blank[], usedOf: (key: string) => number) {
	const so = cutSoFar(plan, usedOf);
	const blanks = stillToCut(wanted, plan, so);
	const offcuts = so.rests.map((rest) => ({ ...rest, id: restId(rest.id), inHand: true }));
	const found = [...searchPlans({ blanks, offcuts, sheet, rules }, 12)].at(-1)?.best.useOffcuts;
	const laid = found?.plan ?? { sheets: [], short: [] };
	const after = keptPlanOf(laid, blanks, wanted, rules, stock, { plan, sheets: so.begun });
	return { so, blanks, laid, after };
}

/** Counts once so many strips of a plan are cut. */
const cutStrips = (plan: KeptPlan, strips: number) => {
	const used = new Map<string, number>();
	let left = strips;
	for (const one of plan.sheets)
		for (const { columns } of one.strips) {
			if (left-- <= 0) return used;
			for (const { blank: i, stack } of columns) {
				const { key = "", yields = 1 } = plan.blanks[i] ?? {};
				used.set(key, (used.get(key) ?? 0) + stack * yields);
			}
		}
	return used;
};

/** One more of the first blank, as after one broke, where it fits a sheet at all. */
const raised = (wanted: Blank[]): Blank[] =>
	wanted.map((one, i) => ({ ...one, count: one.count + (i === 0 && one.count > 0 ? 1 : 0) }));
const last =
	(used: ReadonlyMap<string, number>) =>
	(key: string): number =>
		used.get(key) ?? 0;

const lists = fc.uniqueArray(
	fc.tuple(
		fc.integer({ min: 2, max: 20 }),
		fc.integer({ min: 2, max: 16 }),
		fc.integer({ min: 1, max: 20 }),
		fc.boolean(),
	),
	{ minLength: 1, maxLength: 4, selector: ([w, h]) => `${w} ${h}` },
);
const blanksOf = (list: [number, number, number, boolean][]) =>
	list.map(([w, h, n, turns], i) => blank(`p${i}`, w * 10, h * 10, n, turns));

describe("a plan that is cut by", () => {
	it("says where each sheet comes from: the stock as long as it lasts, then bought", () => {
		const plan = planned([blank("a", 250, 215, 9)]);
		expect(plan.sheets.map(({ from }) => from)).toEqual([
			{ kind: "whole", itemId: "rack" },
			{ kind: "whole", itemId: null },
			{ kind: "whole", itemId: null },
		]);
		expect(planProblem(plan)).toBeUndefined();
		expect(madeBy(plan)).toEqual([9]);
	});

	it("untouched, all of it is a list still", () => {
		const plan = planned([blank("a", 100, 86, 30)]);
		const so = cutSoFar(plan, () => 0);
		expect(so.begun).toEqual([]);
		expect(so.fixed).toEqual([0]);
		expect(so.untouched).toEqual(plan.sheets);
	});

	it("one broke: the strips that are cut stay, and the part comes from the rest of the same sheet", () => {
		const blanks = [blank("a", 100, 100, 10)];
		const plan = planned(blanks);
		expect(plan.sheets).toHaveLength(1);
		const wanted = [{ ...(blanks[0] as Blank), count: 11 }];
		const { after, so } = replanned(plan, wanted, () => 10);
		expect(so.rests).toEqual([{ id: "0", widthMm: 500, heightMm: 230 }]);
		expect(after.sheets[0]).toEqual(plan.sheets[0]);
		expect(after.sheets[1]).toMatchObject({ from: { kind: "rest", of: 0 } });
		expect(madeBy(after)).toEqual([11]);
		expect(planProblem(after)).toBeUndefined();
	});

	it("what was cut before the plan comes of none of its sheets, and is not cut again", () => {
		const wanted = [blank("a", 100, 100, 30), { ...blank("t", 60, 60, 5), yields: 2, finish: "diagonal" as const }];
		const before = { a: 12, t: 3 };
		const blanks = notYetCut(wanted, before);
		expect(blanks.map(({ count }) => count)).toEqual([18, 4]); // of three triangles two are a pair
		const found = [...searchPlans({ blanks, offcuts: [], sheet, rules }, 12)].at(-1)?.best.fewestSheets;
		const plan = keptPlanOf(found?.plan ?? { sheets: [], short: [] }, blanks, wanted, rules, stock, undefined, before);
		expect(cutSoFar(plan, (key) => before[key as "a" | "t"]).begun).toEqual([]);
		const { after, so } = replanned(plan, wanted, (key) => (key === "a" ? 14 : 3));
		expect(so.begun).toHaveLength(1);
		expect(after.before).toEqual(before);
		expect(madeBy(after)).toEqual([18, 4]);
	});

	it("of a sheet whose rests are on the rack nothing more is cut", () => {
		const plan = planned([blank("a", 100, 100, 10)]);
		const cleared = { ...plan, sheets: plan.sheets.map((one) => ({ ...one, cleared: true })) };
		expect(cutSoFar(cleared, () => 10).rests).toEqual([]);
		const { after } = replanned(cleared, [blank("a", 100, 100, 11)], () => 10);
		expect(after.sheets.map(({ from }) => from.kind)).toEqual(["whole", "whole"]);
	});

	it("a part that is not wanted any more stays where it was cut", () => {
		const plan = planned([blank("a", 100, 100, 5), blank("b", 60, 50, 8)]);
		const { after } = replanned(plan, [blank("b", 60, 50, 12)], (key) => (key === "a" ? 5 : 0));
		expect(after.blanks.map(({ key, count }) => [key, count])).toEqual([
			["b", 12],
			["a", 0],
		]);
		expect(madeBy(after)).toEqual([12, 5]);
		expect(planProblem(after)).toBeUndefined();
	});

	it("broken twice: what is left of a sheet is cut once, whichever sheet was begun first", () => {
		fc.assert(
			fc.property(lists, fc.nat(12), fc.nat(12), (list, strips, more) => {
				const blanks = blanksOf(list);
				const plan = planned(blanks);
				const wanted = blanks.map((one, i) => ({ ...one, count: madeBy(plan)[i] ?? 0 }));
				const once = replanned(plan, raised(wanted), last(cutStrips(plan, strips))).after;
				const twice = replanned(once, raised(raised(wanted)), last(cutStrips(once, strips + more))).after;
				for (const its of [once, twice]) expect(planProblem(its)).toBeUndefined();
				expect(madeBy(twice).slice(0, blanks.length)).toEqual(raised(raised(wanted)).map(({ count }) => count));
				const used = last(cutStrips(once, strips + more));
				for (const [i, begun] of cutSoFar(once, used).begun.entries()) expect(twice.sheets[i]).toEqual(begun);
			}),
			{ numRuns: cases(120, 40) },
		);
	});

	it("a later sheet begun before an earlier one: its rest goes on being its own", () => {
		const wanted = [blank("a", 490, 420, 1), blank("b", 490, 100, 2)];
		const plan = planned(wanted);
		const first = replanned(plan, [blank("a", 490, 420, 1), blank("b", 490, 100, 3)], (key) =>
			key === "b" ? 2 : 0,
		).after;
		const of = first.sheets.find(({ from }) => from.kind === "rest")?.from;
		expect(of).toEqual({ kind: "rest", of: 0 });
		const so = cutSoFar(first, (key) => (key === "b" ? 3 : 0));
		expect(so.begun.map(({ from }) => from.kind)).toEqual(["whole", "rest"]);
		expect(so.rests.map(({ id }) => id)).toEqual(["1"]); // the first sheet's rest is the second
	});

	it("a sheet that goes on offers its other rests once somebody cuts on; should that be taken back, no glass is lost", () => {
		// A strip of 200 mm holds two of 200 × 200 and leaves 100 × 200 at its end; what broke comes from above it.
		const wanted = [blank("a", 200, 200, 2, false)];
		const plan = planned(wanted);
		const { after } = replanned(plan, [blank("a", 200, 200, 3, false)], (key) => (key === "a" ? 1 : 0));
		expect(after.sheets.map(({ from }) => from)).toEqual([
			{ kind: "whole", itemId: "rack" },
			{ kind: "rest", of: 0 },
		]);
		expect(restsToKeep(after, 0, () => 2)).toBeUndefined();
		const side = restsToKeep(after, 0, () => 3);
		expect(side?.map(({ widthMm, heightMm }) => [widthMm, heightMm])).toEqual([[100, 200]]);
		expect(restsToKeep(plan, 0, () => 2)).toHaveLength(2);
		const cleared = { ...after, sheets: after.sheets.map((one, i) => ({ ...one, cleared: i === 0 })) };
		expect(cutSoFar(cleared, () => 3).rests.map(({ id }) => id)).toEqual(["1"]);
		expect(cutSoFar(cleared, () => 2).rests).toMatchObject([{ id: "0", widthMm: 500, heightMm: 230 }]);
	});

	it("random classes, cut to any strip, with parts that broke: nothing cut moves, all that is wanted is made, every cut can be done", () => {
		fc.assert(
			fc.property(lists, fc.nat(12), fc.nat(3), (list, strips, broke) => {
				const blanks = blanksOf(list);
				const plan = planned(blanks);
				const short = blanks.map(({ count }, i) => count - (madeBy(plan)[i] ?? 0));
				const used = cutStrips(plan, strips);
				const wanted = blanks.map((one, i) => ({
					...one,
					count: one.count - (short[i] ?? 0) + (i === 0 && short[0] === 0 ? broke : 0),
				}));
				const { after, blanks: still, laid, so } = replanned(plan, wanted, (key) => used.get(key) ?? 0);
				expect(wrongWith(laid, still, rules)).toEqual([]);
				expect(planProblem(after)).toBeUndefined();
				expect(madeBy(after)).toEqual(wanted.map(({ count }) => count));
				for (const [i, begun] of so.begun.entries()) expect(after.sheets[i]).toEqual(begun);
				// And the counts lie in the same strips as before.
				const doneIn = (its: KeptPlan) =>
					progressOf(its, its.blanks, (key) => used.get(key) ?? 0)
						.filter(({ done }) => done > 0)
						.map(({ sheet: s, strip, done }) => [s, strip, done]);
				expect(doneIn(after)).toEqual(doneIn(plan));
			}),
			{ numRuns: cases(120, 40) },
		);
	});

	it.each<[string, (plan: KeptPlan) => void, RegExp]>([
		[
			"over the edge",
			({ sheets }) => sheets[0]?.strips.push({ yMm: 400, heightMm: 100, columns: [] }),
			/does not begin|over its edge/,
		],
		[
			"a part larger than its place",
			({ blanks }) => Object.assign(blanks[0] ?? {}, { widthMm: 120 }),
			/larger than its place/,
		],
		[
			"a column over another",
			({ sheets }) => Object.assign(sheets[0]?.strips[0]?.columns[1] ?? {}, { xMm: 20 }),
			/column does not begin/,
		],
		[
			"a part of no list",
			({ sheets }) => Object.assign(sheets[0]?.strips[0]?.columns[0] ?? {}, { blank: 7 }),
			/not on the list/,
		],
		[
			"one rest twice",
			({ sheets }) => {
				const rest = { widthMm: 500, heightMm: 100, id: "rest 0" };
				const one = { sheet: rest, turned: false, strips: [], from: { kind: "rest" as const, of: 0 }, cleared: false };
				sheets.push(one, one);
			},
			/is cut already/,
		],
		[
			"a rest that is larger than it is",
			({ sheets }) => {
				const rest = { widthMm: 500, heightMm: 429, id: "rest 0" };
				sheets.push({ sheet: rest, turned: false, strips: [], from: { kind: "rest", of: 0 }, cleared: false });
			},
			/larger than what is left/,
		],
		[
			"the rest of a later sheet",
			({ sheets }) => Object.assign(sheets[0] ?? {}, { from: { kind: "rest", of: 1 } }),
			/comes after it/,
		],
	])("%s is told", (_, spoil, said) => {
		const plan = structuredClone(planned([blank("a", 100, 100, 8)]));
		spoil(plan);
		expect(planProblem(plan)).toMatch(said);
	});
});
