import type { Blank, CutRules, SheetPlan } from "./types";

/** Where a sheet of a plan comes from: bought ones, the rack of rests, or what this plan leaves of an earlier sheet of it. */
export type SheetSource =
	/** `itemId` is the stock it was taken from; null where the book of stock did not know it. */
	{ kind: "whole"; itemId: string | null } | { kind: "offcut"; itemId: string } | { kind: "rest"; of: number };

export interface KeptSheet extends SheetPlan {
	from: SheetSource;
	/** Its rests were put on the rack or thrown away: nothing more is cut from it. */
	cleared: boolean;
}

/** Parts cut of a plan's sheets, of all that are cut. */
export const usedByPlan =
	({ before }: Pick<KeptPlan, "before">, usedOf: (key: string) => number): ((key: string) => number) =>
	(key) =>
		Math.max(0, usedOf(key) - (before[key] ?? 0));

/** A plan that somebody cuts by: what it is for and how, so that another tablet goes on where this one left off. */
export interface KeptPlan {
	/** `count` is how many rectangles are cut in all, those that broke with them. */
	blanks: Blank[];
	/** Parts that were cut before it was begun, by their blank's key: they come of none of its sheets. */
	before: Record<string, number>;
	sheets: KeptSheet[];
	rules: CutRules;
}
