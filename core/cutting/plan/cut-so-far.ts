import { type KeptPlan, type KeptSheet, usedByPlan } from "./kept";
import { progressOf, type StripProgress } from "./progress";
import { restAbove } from "./rest-above";
import type { Blank, StockSheet } from "./types";

/** What of a plan is glass on the bench already, and what is still a list. */
export interface CutSoFar {
	/** Sheets that were begun, with the strips that are cut or in hand; nothing of them moves any more. */
	begun: KeptSheet[];
	/** Sheets nobody has scored yet. */
	untouched: KeptSheet[];
	/** What stands above the strips of begun sheets, to cut from; `id` is the index of its sheet among those begun. */
	rests: StockSheet[];
	/** So many of each blank come of the strips that are fixed. */
	fixed: number[];
}

/**
 * Divides a plan at what is cut. Strips are broken off from the foot up: all up to the last one that was begun are fixed.
 * @param usedOf parts cut of a blank by its key, those that broke with them
 */
export function cutSoFar(plan: KeptPlan, usedOf: (key: string) => number): CutSoFar {
	const { last, isBegun, goesOn } = howFar(plan, usedOf);
	const found: CutSoFar = { begun: [], untouched: [], rests: [], fixed: plan.blanks.map(() => 0) };
	const at: number[] = [];
	for (const [i, sheet] of plan.sheets.entries()) {
		if (!isBegun[i]) {
			found.untouched.push(sheet);
			continue;
		}
		const isWhole = sheet.cleared || goesOn[i] === true;
		const from = sheet.from.kind === "rest" ? { ...sheet.from, of: at[sheet.from.of] ?? 0 } : sheet.from;
		const kept = { ...sheet, from, strips: isWhole ? sheet.strips : sheet.strips.slice(0, (last[i] ?? -1) + 1) };
		for (const { columns } of kept.strips)
			for (const { blank, stack } of columns) found.fixed[blank] = (found.fixed[blank] ?? 0) + stack;
		at[i] = found.begun.push(kept) - 1;
		const rest = isWhole && !isLeftOver(plan, i, isBegun) ? undefined : restAbove(kept, plan.rules);
		if (rest) found.rests.push({ id: String(at[i]), ...rest });
	}
	return found;
}

/** By sheets: the last strip that was begun, whether anything of it is cut, whether what is above its strips is cut further. */
function howFar(plan: KeptPlan, usedOf: (key: string) => number) {
	const progress = progressOf(plan, plan.blanks, usedByPlan(plan, usedOf));
	const last = plan.sheets.map((_, i) => lastBegun(progress.filter(({ sheet }) => sheet === i)));
	const isBegun = plan.sheets.map(({ cleared }, i) => cleared || (last[i] ?? -1) >= 0);
	// A sheet whose rest is being cut is cut itself, whatever was counted back since; a rest comes after its sheet.
	const goesOn = plan.sheets.map(() => false);
	for (let i = plan.sheets.length - 1; i >= 0; i--) {
		const { from } = plan.sheets[i] as KeptSheet;
		if (!isBegun[i] || from.kind !== "rest") continue;
		isBegun[from.of] = true;
		goesOn[from.of] = true;
	}
	return { last, isBegun, goesOn };
}

/** A sheet that was cleared although another one was to be cut from its rest, and has not been: that rest still lies on the bench. */
function isLeftOver({ sheets }: KeptPlan, index: number, isBegun: readonly boolean[]): boolean {
	const further = sheets.findIndex(({ from }) => from.kind === "rest" && from.of === index);
	return sheets[index]?.cleared === true && further >= 0 && !isBegun[further];
}

const lastBegun = (strips: readonly StripProgress[]): number => strips.findLastIndex(({ done }) => done > 0);

/** What is still to be cut, of blanks that are wanted now: those of fixed strips are not, nor what was cut before the plan. */
export const stillToCut = (wanted: readonly Blank[], plan: KeptPlan, { fixed }: CutSoFar): Blank[] =>
	wanted.map((one) => {
		const at = plan.blanks.findIndex(({ key }) => key === one.key);
		return { ...one, count: Math.max(0, one.count - (fixed[at] ?? 0) - cutBefore(one, plan.before)) };
	});

/** What a plan has to make of a list: all but what is cut already. */
export const notYetCut = (wanted: readonly Blank[], before: KeptPlan["before"]): Blank[] =>
	wanted.map((one) => ({ ...one, count: Math.max(0, one.count - cutBefore(one, before)) }));

/** Area of what was cut before a plan, mm². */
export const beforeMm2 = (wanted: readonly Blank[], before: KeptPlan["before"]): number =>
	wanted.reduce((sum, one) => sum + Math.min(one.count, cutBefore(one, before)) * one.widthMm * one.heightMm, 0);

/** Rectangles that need not be cut any more; half a pair still needs its other half. */
const cutBefore = ({ key, yields }: Blank, before: KeptPlan["before"]): number =>
	Math.floor((before[key] ?? 0) / yields);
