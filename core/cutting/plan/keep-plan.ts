import type { KeptPlan, KeptSheet, SheetSource } from "./kept";
import { type Blank, type CutPlan, type CutRules, WHOLE } from "./types";

/** Whole sheets of a glass in the stock, of the size that is planned with. */
export interface SheetStock {
	itemId: string;
	amount: number;
}

/** Marks a rest of a sheet that is being cut among the pieces a plan may cut from. */
export const restId = (sheet: number | string): string => `rest ${sheet}`;

/**
 * A found plan as it is kept: every sheet says where it comes from. Whole ones come from the stock as long as there are any; what is
 * beyond has to be bought.
 * @param begun what is cut already, of an earlier plan; its blanks go by their keys
 * @param before parts that were cut without a plan
 */
export function keptPlanOf(
	found: CutPlan,
	blanks: readonly Blank[],
	wanted: readonly Blank[],
	rules: CutRules,
	stock: SheetStock | undefined,
	begun: { plan: KeptPlan; sheets: readonly KeptSheet[] } | undefined = undefined,
	before: KeptPlan["before"] = begun?.plan.before ?? {},
): KeptPlan {
	const indexOf = new Map(wanted.map(({ key }, i) => [key, i]));
	const keys = begun?.plan.blanks.map(({ key }) => key) ?? [];
	// What was cut and is not wanted any more stays on its sheet, and in the list with none wanted.
	const gone = (begun?.plan.blanks ?? []).filter(({ key }) => !indexOf.has(key)).map((one) => ({ ...one, count: 0 }));
	const all = [...wanted, ...gone];
	for (const [i, { key }] of gone.entries()) indexOf.set(key, wanted.length + i);
	let whole = 0;
	const source = (id: string): SheetSource => {
		if (id === WHOLE) {
			whole++;
			return { kind: "whole", itemId: stock && whole <= stock.amount ? stock.itemId : null };
		}
		const rest = /^rest (\d+)$/.exec(id);
		return rest ? { kind: "rest", of: Number(rest[1]) } : { kind: "offcut", itemId: id };
	};
	const moved = (sheet: KeptSheet): KeptSheet => ({
		...sheet,
		strips: withBlanks(sheet.strips, (blank) => indexOf.get(keys[blank] ?? "") ?? 0),
	});
	const added = found.sheets.map(({ sheet: { inHand: _, ...its }, ...sheet }) => ({
		...sheet,
		sheet: its,
		strips: withBlanks(sheet.strips, (blank) => indexOf.get(blanks[blank]?.key ?? "") ?? 0),
		from: source(its.id),
		cleared: false,
	}));
	return { blanks: all, before, sheets: [...(begun?.sheets.map(moved) ?? []), ...added], rules };
}

const withBlanks = (strips: KeptSheet["strips"], to: (blank: number) => number): KeptSheet["strips"] =>
	strips.map((strip) => ({ ...strip, columns: strip.columns.map((one) => ({ ...one, blank: to(one.blank) })) }));
