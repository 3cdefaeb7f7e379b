import { type KeptPlan, type KeptSheet, usedByPlan } from "./kept";
import { progressOf, type StripProgress } from "./progress";
import { asLaid, type Blank, type CutRules, type StockSheet } from "./types";

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
	const progress = progressOf(plan, plan.blanks, usedByPlan(plan, usedOf));
	const fixed = plan.blanks.map(() => 0);
	const found: CutSoFar = { begun: [], untouched: [], rests: [], fixed };
	for (const [index, sheet] of plan.sheets.entries()) {
		const strips = lastBegun(progress.filter((one) => one.sheet === index)) + 1;
		if (strips === 0 && !sheet.cleared) {
			found.untouched.push(sheet);
			continue;
		}
		const kept = sheet.cleared ? sheet : { ...sheet, strips: sheet.strips.slice(0, strips) };
		for (const { columns } of kept.strips)
			for (const { blank, stack } of columns) fixed[blank] = (fixed[blank] ?? 0) + stack;
		const rest = sheet.cleared ? undefined : restAbove(kept, plan.rules);
		if (rest) found.rests.push({ id: String(found.begun.length), ...rest });
		found.begun.push(kept);
	}
	return found;
}

const lastBegun = (strips: readonly StripProgress[]): number => strips.findLastIndex(({ done }) => done > 0);

/** What is left of a sheet above its strips, as the sheet was bought: its width along the streaks. */
function restAbove(sheet: KeptSheet, { kerfMm, leastTrimMm }: CutRules): Omit<StockSheet, "id"> | undefined {
	const { lengthMm, heightMm } = asLaid(sheet);
	const top = sheet.strips.at(-1);
	const left = heightMm - (top ? top.yMm + top.heightMm + kerfMm : 0);
	if (left < Math.max(leastTrimMm, 1)) return undefined;
	return sheet.turned ? { widthMm: left, heightMm: lengthMm } : { widthMm: lengthMm, heightMm: left };
}

/** What is still to be cut, of blanks that are wanted now: those of fixed strips are not, nor what was cut before the plan. */
export const stillToCut = (wanted: readonly Blank[], plan: KeptPlan, { fixed }: CutSoFar): Blank[] =>
	wanted.map((one) => {
		const at = plan.blanks.findIndex(({ key }) => key === one.key);
		return { ...one, count: Math.max(0, one.count - (fixed[at] ?? 0) - cutBefore(one, plan.before)) };
	});

/** What a plan has to make of a list: all but what is cut already. */
export const notYetCut = (wanted: readonly Blank[], before: KeptPlan["before"]): Blank[] =>
	wanted.map((one) => ({ ...one, count: Math.max(0, one.count - cutBefore(one, before)) }));

/** Rectangles that need not be cut any more; half a pair still needs its other half. */
const cutBefore = ({ key, yields }: Blank, before: KeptPlan["before"]): number =>
	Math.floor((before[key] ?? 0) / yields);
