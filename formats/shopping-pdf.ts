import type { Glass } from "@core/glass/glass";
import { hasSides, unitOf } from "@core/stock/kinds";
import type { BuyLine } from "@core/stock/to-buy";
import type { PaperSize } from "@core/studio/customs";
import { formatFigure, type Units } from "@core/units/phrase";
import { PDFDocument } from "pdf-lib";
import { INK, MARGIN, PAPERS, Pen, SOFT } from "./pdf-pen";
import { type FontFiles, PdfType } from "./pdf-type";

export interface ShoppingPaper {
	lines: readonly BuyLine[];
	glasses: readonly Glass[];
	/** "Wind and weather, 2031-03-08". */
	title: string;
	studio: string;
	units: Units;
	paper: PaperSize;
	fonts: FontFiles;
}

const BOX = 11;

/** A shopping list on paper: a box to tick, how many, what, and what the supplier is told. */
export async function shoppingPdf(sheet: ShoppingPaper): Promise<Uint8Array> {
	const pdf = await PDFDocument.create();
	pdf.setTitle(`To buy: ${sheet.title}`);
	pdf.setCreator("Zephyr Flats");
	const rows = sheet.lines.map((line) => rowOf(line, sheet));
	const signs = [sheet.title, sheet.studio, ...rows.flat(), "To buy: Nothing is missing. page of ·0123456789"].join("");
	const plain = await PdfType.in(pdf, sheet.fonts.plain, signs);
	const bold = await PdfType.in(pdf, sheet.fonts.bold, signs);
	const pen = new Pen(pdf, plain, bold, PAPERS[sheet.paper]);
	pen.text(`To buy: ${sheet.title}`, { size: 18, strong: true });
	pen.text(sheet.studio, { color: SOFT });
	pen.rule();
	if (rows.length === 0) pen.text("Nothing is missing.", { size: 12 });
	for (const [amount, what, note] of rows) {
		pen.need(42);
		pen.y -= 6;
		const top = pen.y;
		pen.page.drawRectangle({ x: MARGIN, y: top - 13, width: BOX, height: BOX, borderColor: INK, borderWidth: 0.8 });
		pen.text(amount, { x: 22, size: 12, strong: true, width: 110 });
		const below = pen.y;
		pen.y = top;
		pen.text(what, { x: 140, size: 12 });
		if (note) pen.text(note, { x: 140, size: 9, color: SOFT });
		pen.y = Math.min(pen.y, below);
		pen.rule();
	}
	pen.number(`To buy: ${sheet.title}`);
	return pdf.save();
}

/** How many, what, and a note. */
function rowOf(line: BuyLine, { glasses, units }: ShoppingPaper): [string, string, string] {
	const glass = glasses.find(({ id }) => id === line.glassId);
	const each = unitOf(line.kind) === "g" ? formatFigure({ g: line.unitAmount }, units) : String(line.unitAmount);
	const amount = line.unitAmount === 1 ? String(line.units) : `${line.units} × ${each}`;
	const sides = hasSides(line.kind) ? [line.widthMm, line.heightMm] : [line.sizeMm];
	const size = sides.flatMap((mm) => (mm === null ? [] : formatFigure({ mm }, units))).join(" × ");
	const name = [glass?.name, line.name].filter(Boolean).join(", ");
	const family = glass ? `family ${glass.familyId}` : "";
	return [amount, [name, size].filter(Boolean).join(", "), [family, line.supplier].filter(Boolean).join(" · ")];
}
