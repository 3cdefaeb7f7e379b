import { sawnOutlinesOf } from "@core/cutting/plan/sawn-outlines";
import { type ScoreLine, scoreLinesOf } from "@core/cutting/plan/score-lines";
import type { Blank, SheetPlan } from "@core/cutting/plan/types";
import type { PaperSize } from "@core/studio/customs";
import { formatFigure, type Units } from "@core/units/phrase";
import { PDFDocument, type PDFPage, rgb } from "pdf-lib";
import { INK, PAPERS, POINT_PER_MM, SOFT } from "./pdf-pen";
import { type FontFiles, PdfType } from "./pdf-type";

/** What printers leave white, and a head line, mm. */
const EDGE = { side: 12, top: 24, foot: 22 } as const;
/** Neighbouring pages show so much of each other, mm: the marks stand in it. */
const OVERLAP_MM = 10;
const CHECK_MM = 100;
const CUT = rgb(0.75, 0.3, 0.05);

export interface CutMap {
	plan: SheetPlan;
	blanks: readonly Blank[];
	/** What a saw takes at every cut; 0 for scores. */
	kerfMm: number;
	title: string;
	studio: string;
	/** 1 : 1 over as many pages as it takes, or all of it on one. */
	scale: "full" | "fit";
	units: Units;
	paper: PaperSize;
	fonts: FontFiles;
}

interface Type {
	plain: PdfType;
	bold: PdfType;
}

/** A window of the sheet on one page: from its upper left corner, mm of the sheet. */
interface Tile {
	xMm: number;
	yMm: number;
	column: number;
	row: number;
}

/** A sheet's scores on paper, to lay under the glass: true to scale with marks that pages are laid together by, or fitted to one page. */
export async function cutMapPdf(map: CutMap): Promise<Uint8Array> {
	const pdf = await PDFDocument.create();
	pdf.setTitle(map.title);
	pdf.setCreator("Zephyr Flats");
	const signs = `${map.title}${map.studio}0123456789 .,:/×%ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz()”“`;
	const type = {
		plain: await PdfType.in(pdf, map.fonts.plain, signs),
		bold: await PdfType.in(pdf, map.fonts.bold, signs),
	};
	const { widthMm, heightMm } = map.plan.sheet;
	const [paperW, paperH] = PAPERS[map.paper].map((points) => points / POINT_PER_MM) as [number, number];
	const room = { w: paperW - 2 * EDGE.side, h: paperH - EDGE.top - EDGE.foot };
	const scale = map.scale === "full" ? 1 : Math.min(1, room.w / widthMm, room.h / heightMm);
	const tiles = map.scale === "full" ? tilesOf(widthMm, heightMm, room) : [{ xMm: 0, yMm: 0, column: 0, row: 0 }];
	for (const [i, tile] of tiles.entries()) {
		const sheet = new TilePage(pdf.addPage([...PAPERS[map.paper]]), tile, room, scale);
		sheet.drawSheet(map);
		if (tiles.length > 1) sheet.drawMarks(widthMm, heightMm);
		sheet.drawWords(map, type, i + 1, tiles.length);
	}
	return pdf.save();
}

/** Windows that cover a sheet, row by row, each overlapping its neighbours. */
export function tilesOf(widthMm: number, heightMm: number, room: { w: number; h: number }): Tile[] {
	const count = (length: number, window: number) =>
		length <= window ? 1 : Math.ceil((length - OVERLAP_MM) / (window - OVERLAP_MM) - 1e-9);
	return Array.from({ length: count(heightMm, room.h) }, (_, row) =>
		Array.from({ length: count(widthMm, room.w) }, (__, column) => ({
			xMm: column * (room.w - OVERLAP_MM),
			yMm: row * (room.h - OVERLAP_MM),
			column,
			row,
		})),
	).flat();
}

/** One page that shows a window of the sheet. */
class TilePage {
	constructor(
		private readonly page: PDFPage,
		private readonly tile: Tile,
		private readonly room: { w: number; h: number },
		private readonly scale: number,
	) {}

	/** A place of the sheet on the page, points. */
	private at(xMm: number, yMm: number): { x: number; y: number } {
		return {
			x: (EDGE.side + (xMm - this.tile.xMm) * this.scale) * POINT_PER_MM,
			y: this.page.getHeight() - (EDGE.top + (yMm - this.tile.yMm) * this.scale) * POINT_PER_MM,
		};
	}

	/** The part of a level or upright line, or of a slanting one, that lies in the window; undefined where none does. */
	private clipped({ x1, y1, x2, y2 }: Pick<ScoreLine, "x1" | "y1" | "x2" | "y2">) {
		const { xMm, yMm } = this.tile;
		let [from, to] = [0, 1];
		// Liang and Barsky (1984).
		for (const [p, q] of [
			[x1 - x2, x1 - xMm],
			[x2 - x1, xMm + this.room.w / this.scale - x1],
			[y1 - y2, y1 - yMm],
			[y2 - y1, yMm + this.room.h / this.scale - y1],
		] as const) {
			if (Math.abs(p) < 1e-9) {
				if (q < -1e-9) return undefined;
			} else if (p < 0) from = Math.max(from, q / p);
			else to = Math.min(to, q / p);
		}
		if (from >= to) return undefined;
		const along = (t: number) => this.at(x1 + (x2 - x1) * t, y1 + (y2 - y1) * t);
		return { start: along(from), end: along(to) };
	}

	private line(line: Pick<ScoreLine, "x1" | "y1" | "x2" | "y2">, thickness: number, color = INK, dashArray?: number[]) {
		const its = this.clipped(line);
		if (its) this.page.drawLine({ ...its, thickness, color, ...(dashArray && { dashArray }) });
	}

	drawSheet({ plan, blanks, kerfMm }: CutMap): void {
		const { widthMm: w, heightMm: h } = plan.sheet;
		for (const [x1, y1, x2, y2] of [
			[0, 0, w, 0],
			[w, 0, w, h],
			[w, h, 0, h],
			[0, h, 0, 0],
		] as const)
			this.line({ x1, y1, x2, y2 }, 1.2);
		for (const score of scoreLinesOf(plan, blanks, kerfMm))
			this.line(
				score,
				score.stage === "strips" ? 1 : 0.5,
				score.stage === "strips" ? CUT : INK,
				score.stage === "strips" ? undefined : [4, 2],
			);
		for (const { outlines } of sawnOutlinesOf(plan, blanks, kerfMm, "bought"))
			for (const outline of outlines)
				outline.forEach(({ x, y }, i) => {
					const next = outline[(i + 1) % outline.length];
					if (next) this.line({ x1: x, y1: y, x2: next.x, y2: next.y }, 0.8);
				});
	}

	/** Crosses in the middle of what two pages share: laid on each other, the pages fit. */
	drawMarks(widthMm: number, heightMm: number): void {
		const half = OVERLAP_MM / 2;
		const [stepX, stepY] = [this.room.w - OVERLAP_MM, this.room.h - OVERLAP_MM];
		const cross = (x: number, y: number) => {
			this.line({ x1: x - 4, y1: y, x2: x + 4, y2: y }, 0.6, SOFT);
			this.line({ x1: x, y1: y - 4, x2: x, y2: y + 4 }, 0.6, SOFT);
		};
		for (let x = stepX + half; x < widthMm; x += stepX) for (let y = half; y < heightMm; y += stepY / 2) cross(x, y);
		for (let y = stepY + half; y < heightMm; y += stepY) for (let x = half; x < widthMm; x += stepX / 2) cross(x, y);
	}

	drawWords({ title, studio, plan, scale, units }: CutMap, { plain, bold }: Type, number: number, of: number): void {
		const { page, tile } = this;
		const top = page.getHeight() - 12 * POINT_PER_MM;
		const left = EDGE.side * POINT_PER_MM;
		bold.draw(page, title, { x: left, y: top, size: 13, color: INK });
		const { widthMm, heightMm } = plan.sheet;
		const size = [widthMm, heightMm].map((mm) => formatFigure({ mm }, units)).join(" × ");
		const ratio = scale === "full" ? "1 : 1" : `1 : ${(1 / this.scale).toFixed(2)}, do not lay glass on it`;
		const where = of > 1 ? `, page ${number} of ${of}: row ${tile.row + 1}, column ${tile.column + 1}` : "";
		plain.draw(page, `${size}, ${ratio}${where}`, { x: left, y: top - 14, size: 9.5, color: SOFT });
		if (scale !== "full") return;
		const y = 12 * POINT_PER_MM;
		const end = left + CHECK_MM * POINT_PER_MM;
		page.drawLine({ start: { x: left, y }, end: { x: end, y }, thickness: 1, color: INK });
		for (const x of [left, end])
			page.drawLine({ start: { x, y: y - 5 }, end: { x, y: y + 5 }, thickness: 1, color: INK });
		const check = `This line measures ${formatFigure({ mm: CHECK_MM }, units)}. If not, print at 100 %, not fitted. ${studio}`;
		plain.draw(page, check, { x: left, y: y - 16, size: 9, color: SOFT });
	}
}
