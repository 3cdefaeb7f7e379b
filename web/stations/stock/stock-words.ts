import type { Glass } from "@core/glass/glass";
import { hasSides, type StockItem, type StockKind, type StockReason, unitOf } from "@core/stock/kinds";
import type { useFigure } from "../../lib/prefs";
import { sizeWords } from "../../ui/size-words";

export const KIND_WORDS: Record<StockKind, string> = {
	sheet: "sheet",
	offcut: "offcut",
	grains: "frit or powder",
	thread: "stringer or ribbon",
	finding: "wire, foil, fibre, glue",
	paper: "kiln paper",
	precut: "bought cut to shape",
	component: "dots and fired parts",
	apart: "set apart",
};

export const KIND_HEADS: Record<StockKind, string> = {
	sheet: "Sheets",
	offcut: "Offcuts",
	grains: "Frit and powder",
	thread: "Stringers and ribbons",
	finding: "Wire, foil, fibre, glue",
	paper: "Kiln paper",
	precut: "Bought cut to shape",
	component: "Dots and fired parts",
	apart: "Set apart: family unknown, never cut for a kit",
};

export const REASON_WORDS: Record<StockReason, string> = {
	bought: "bought",
	taken: "taken",
	returned: "came back",
	broke: "broke",
	counted: "counted",
};

type Figure = ReturnType<typeof useFigure>;

/** What it is called: its glass, its mark, its name. */
export function itemName(item: Pick<StockItem, "glassId" | "name" | "kind">, glasses: readonly Glass[]): string {
	const glass = glasses.find(({ id }) => id === item.glassId)?.name ?? item.glassId ?? "";
	if (!glass) return item.name;
	return item.name ? `${glass}, ${item.name}` : glass;
}

export function itemSize(item: Pick<StockItem, "kind" | "widthMm" | "heightMm" | "sizeMm">, figure: Figure): string {
	if (hasSides(item.kind) || item.kind === "apart")
		return sizeWords(
			[item.widthMm, item.heightMm].filter((side) => side !== null),
			figure,
		);
	return item.sizeMm === null ? "" : figure({ mm: item.sizeMm });
}

export const amountWords = (amount: number, kind: StockKind, figure: Figure): string =>
	unitOf(kind) === "g" ? figure({ g: amount }) : String(Number(amount.toFixed(1)));

export const isLow = ({ amount, low }: { amount: number; low: number | null }): boolean =>
	low !== null && amount <= low;
