import type { PaperSize } from "@core/studio/customs";
import { type Color, type PDFDocument, type PDFPage, rgb } from "pdf-lib";
import type { PdfType } from "./pdf-type";

/** Paper in points (1/72 in). Sources: ISO 216 A4 210 × 297 mm; ANSI Letter 8.5 × 11 in. */
export const PAPERS = { a4: [595.28, 841.89], letter: [612, 792] } as const satisfies Record<PaperSize, unknown>;

export const POINT_PER_MM = 72 / 25.4;
export const MARGIN = 48;
export const INK = rgb(0.07, 0.15, 0.12);
export const SOFT = rgb(0.38, 0.43, 0.41);
export const RULE = rgb(0.75, 0.8, 0.78);

/** Writes down a page and goes on to the next when it is full. */
export class Pen {
	page: PDFPage;
	y: number;
	readonly width: number;
	/** Height of the first line on a page. */
	readonly top: number;
	readonly pages: PDFPage[] = [];

	constructor(
		private readonly pdf: PDFDocument,
		readonly plain: PdfType,
		readonly bold: PdfType,
		private readonly size: readonly [number, number],
	) {
		this.width = size[0] - 2 * MARGIN;
		this.top = size[1] - MARGIN;
		this.page = this.turn();
		this.y = size[1] - MARGIN;
	}

	private turn(): PDFPage {
		const page = this.pdf.addPage([...this.size]);
		this.pages.push(page);
		this.y = this.size[1] - MARGIN;
		return page;
	}

	/** Makes sure of `height` points on this page. */
	need(height: number): void {
		if (this.y - height < MARGIN + 16) this.page = this.turn();
	}

	text(
		words: string,
		options: { x?: number; size?: number; strong?: boolean; color?: Color; width?: number } = {},
	): void {
		const { x = 0, size = 10, strong = false, color = INK, width = this.width - x } = options;
		const type = strong ? this.bold : this.plain;
		for (const line of wrapped(words, type, size, width)) {
			this.need(size * 1.35);
			this.y -= size * 1.35;
			type.draw(this.page, line, { x: MARGIN + x, y: this.y + size * 0.3, size, color });
		}
	}

	title(words: string): void {
		this.need(40);
		this.y -= 12;
		this.text(words, { size: 12, strong: true });
		this.rule();
	}

	rule(): void {
		this.y -= 3;
		this.page.drawLine({
			start: { x: MARGIN, y: this.y },
			end: { x: MARGIN + this.width, y: this.y },
			thickness: 0.6,
			color: RULE,
		});
		this.y -= 3;
	}

	number(name: string): void {
		this.pages.forEach((page, i) => {
			const words = `${name} · page ${i + 1} of ${this.pages.length}`;
			this.plain.draw(page, words, { x: MARGIN, y: MARGIN - 20, size: 8, color: SOFT });
		});
	}
}

function wrapped(words: string, type: PdfType, size: number, width: number): string[] {
	const lines: string[] = [];
	const space = type.widthOf(" ", size);
	let line = "";
	let filled = 0;
	for (const word of words.split(/\s+/)) {
		const wide = type.widthOf(word, size);
		if (line && filled + space + wide > width) {
			lines.push(line);
			[line, filled] = [word, wide];
		} else [line, filled] = line ? [`${line} ${word}`, filled + space + wide] : [word, wide];
	}
	return [...lines, line];
}
