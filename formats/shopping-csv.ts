import type { Glass } from "@core/glass/glass";
import { unitOf } from "@core/stock/kinds";
import type { BuyLine } from "@core/stock/to-buy";
import Papa from "papaparse";

/** A shopping list as CSV (RFC 4180): lengths in mm, mass in g, money in the currency's minor unit. */
export function shoppingCsv(lines: readonly BuyLine[], glasses: readonly Glass[], currency: string | null): string {
	const rows = lines.map((line) => {
		const glass = glasses.find(({ id }) => id === line.glassId);
		return {
			what: line.kind,
			name: [glass?.name, line.name].filter(Boolean).join(", "),
			family: glass?.familyId ?? "",
			"width mm": line.widthMm ?? "",
			"height mm": line.heightMm ?? "",
			"size mm": line.sizeMm ?? "",
			unit: unitOf(line.kind),
			wanted: round(line.amount),
			there: round(line.have),
			buy: line.units,
			"of each": line.unitAmount,
			...(currency && { [`cost, minor units of ${currency}`]: line.costMinor ?? "" }),
			supplier: line.supplier,
		};
	});
	return `${Papa.unparse(rows, { escapeFormulae: true })}\r\n`;
}

const round = (amount: number): number => Math.round(amount * 10) / 10;
