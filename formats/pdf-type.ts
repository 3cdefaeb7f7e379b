import "regenerator-runtime/runtime.js"; // fontkit's shaping of Indic alphabets leans on it
import fontkit, { type Font } from "@pdf-lib/fontkit";
import type { Color, PDFDocument, PDFFont, PDFPage } from "pdf-lib";

/** Font files (WOFF) of one weight each, in the order in which they are asked for a letter. */
export interface FontFiles {
	plain: readonly FontFile[];
	bold: readonly FontFile[];
}

/** A file's bytes, or, of a script with thousands of signs, a file that is read only where one of them is written. */
export type FontFile = Uint8Array | { script: RegExp; read(): Uint8Array };

/** One file of a weight. */
interface Face {
	letters: Font;
	has: ReadonlySet<number>;
	/** Embedded; undefined where none of its letters is used. */
	font: PDFFont | undefined;
}

/** Neighbouring letters of one face. */
interface Run {
	face: Face;
	words: string;
}

/** Letters that run from right to left. */
const RIGHT_TO_LEFT = /[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufeff]/u;
/** Their forms depend on their neighbours: they are drawn as outlines, for a subset of such a font loses some. */
const JOINED = /[\u0600-\u08ff\ufb50-\ufdff\ufe70-\ufeff]/u;
const SPACE = 0x20;
const MISSING = "?";

/** Letters of one weight on a PDF: every word in the first face that has its signs, one after another. */
export class PdfType {
	private constructor(private readonly faces: readonly Face[]) {}

	/**
	 * @param signs all that will be written: only faces that are needed are embedded, and of them only the letters used
	 */
	static async in(pdf: PDFDocument, files: readonly FontFile[], signs: string): Promise<PdfType> {
		pdf.registerFontkit(fontkit);
		const found = new Set<number>();
		const used = [...new Set([...signs])].map((sign) => sign.codePointAt(0) ?? SPACE);
		const embedded: Face[] = [];
		for (const file of files) {
			if ("script" in file && !file.script.test(signs)) continue;
			const bytes = "script" in file ? file.read() : file;
			const { letters, has } = opened(bytes);
			const wanted = used.filter((sign) => has.has(sign) && !found.has(sign));
			if (wanted.length === 0) continue;
			for (const sign of wanted) found.add(sign);
			const outlined = wanted.every((sign) => JOINED.test(String.fromCodePoint(sign)));
			embedded.push({ letters, has, font: outlined ? undefined : await pdf.embedFont(bytes, { subset: true }) });
		}
		return new PdfType(embedded);
	}

	private readonly widths = new Map<string, number>();

	/** Width of some words, points. */
	widthOf(words: string, size: number): number {
		const known = this.widths.get(words) ?? this.runs(words).reduce((sum, run) => sum + widthOfRun(run, 1), 0);
		this.widths.set(words, known);
		return known * size;
	}

	/** Writes a line with its left end at (x, y), points. */
	draw(
		page: PDFPage,
		words: string,
		{ x, y, size, color }: { x: number; y: number; size: number; color: Color },
	): void {
		let at = x;
		for (const run of this.runs(words)) {
			const { font, letters } = run.face;
			if (font && !JOINED.test(run.words)) page.drawText(run.words, { x: at, y, size, font, color });
			else drawOutlines(page, letters, run.words, { x: at, y, size, color });
			at += widthOfRun(run, size);
		}
	}

	/** Runs as they stand from left to right: of a line that begins from the right, the last one first. */
	private runs(words: string): Run[] {
		const runs: Run[] = [];
		for (const sign of words) {
			const code = sign.codePointAt(0) ?? SPACE;
			const last = runs.at(-1);
			const goesOn = last?.face.has.has(code) && (code === SPACE || this.faceOf(code) === last.face);
			const face = goesOn ? last?.face : this.faceOf(code);
			const written = face ? sign : MISSING;
			const writer = face ?? this.faces[0];
			if (!writer) continue;
			if (last?.face === writer) last.words += written;
			else runs.push({ face: writer, words: written });
		}
		const first = [...words].find((sign) => /\p{L}/u.test(sign));
		return first !== undefined && RIGHT_TO_LEFT.test(first) ? runs.reverse() : runs;
	}

	private faceOf(code: number): Face | undefined {
		return this.faces.find(({ has }) => has.has(code));
	}
}

/** Files that were opened before: their tables are read once. */
const open = new WeakMap<Uint8Array, { letters: Font; has: ReadonlySet<number> }>();

function opened(bytes: Uint8Array): { letters: Font; has: ReadonlySet<number> } {
	const before = open.get(bytes);
	if (before) return before;
	const letters = fontkit.create(bytes);
	const now = { letters, has: new Set(letters.characterSet) };
	open.set(bytes, now);
	return now;
}

const widthOfRun = ({ face, words }: Run, size: number): number =>
	face.font && !JOINED.test(words)
		? face.font.widthOfTextAtSize(words, size)
		: (face.letters.layout(words).advanceWidth / face.letters.unitsPerEm) * size;

/** A glyph's outline with y downwards, as drawings have it: every second number changes its sign. */
function upright(d: string): string {
	let i = 0;
	return d.replace(/-?\d+(\.\d+)?(e-?\d+)?/g, (number) => (i++ % 2 === 0 ? number : String(-Number(number))));
}

/** Letters as filled outlines, shaped by their neighbours. */
function drawOutlines(
	page: PDFPage,
	letters: Font,
	words: string,
	{ x, y, size, color }: { x: number; y: number; size: number; color: Color },
): void {
	const scale = size / letters.unitsPerEm;
	const { glyphs, positions } = letters.layout(words);
	let at = x;
	glyphs.forEach((glyph, i) => {
		const place = positions[i];
		if (!place) return;
		const d = upright(glyph.path.toSVG());
		if (d)
			page.drawSvgPath(d, {
				x: at + place.xOffset * scale,
				y: y + place.yOffset * scale,
				scale,
				color,
				borderWidth: 0,
			});
		at += place.xAdvance * scale;
	});
}
