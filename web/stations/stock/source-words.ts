import type { SheetStockRow } from "@contract/cutting";
import type { KeptPlan, SheetSource } from "@core/cutting/plan/kept";
import { type SheetPlan, WHOLE } from "@core/cutting/plan/types";

/** What a sheet of a plan is called: "dusk, sheet 1", "dusk, rest of sheet 1". */
export const sheetName = (glass: string, index: number, plan: KeptPlan | undefined): string => {
	const from = plan?.sheets[index]?.from;
	return from?.kind === "rest" ? `${glass}, rest of sheet ${from.of + 1}` : `${glass}, sheet ${index + 1}`;
};

/** Where to fetch a sheet of a plan from. @param from undefined while the plan is only proposed */
export function sourceWords(
	{ sheet }: SheetPlan,
	from: SheetSource | undefined,
	stock: readonly SheetStockRow[],
): string {
	const source = from ?? (sheet.id === WHOLE ? undefined : ({ kind: "offcut", itemId: sheet.id } as const));
	if (!source) return "A whole sheet.";
	if (source.kind === "rest") return `What is left of sheet ${source.of + 1}.`;
	if (source.kind === "whole" && source.itemId === null) return "A whole sheet, not in the stock: to buy.";
	const item = stock.find(({ id }) => id === source.itemId);
	const place = item?.place ? ` from ${item.place}` : "";
	return source.kind === "whole" ? `A whole sheet${place}.` : `Offcut ${item?.name ?? ""}${place}.`;
}
