import { bagOf } from "@core/cutting/bag";
import type { CutLine } from "@core/cutting/count";
import { LEVEL_WORDS } from "@core/firing/level";
import { boundsOf } from "@core/geometry/bounds";
import type { Ring } from "@core/geometry/region";
import { sizesOf } from "@core/geometry/shape";
import { type Glass, isStriker } from "@core/glass/glass";
import { drawnParts } from "@core/kit/drawn";
import type { KitDesign } from "@core/kit/kit";
import type { KitReading } from "@core/stack/read-kit";
import type { PaperSize } from "@core/studio/customs";
import { formatFigure, phraseText, type Units } from "@core/units/phrase";
import { type Color, PDFDocument, rgb } from "pdf-lib";
import { INK, MARGIN, PAPERS, Pen, POINT_PER_MM, SOFT } from "./pdf-pen";
import { type FontFiles, PdfType } from "./pdf-type";

export interface KitSheet {
	design: KitDesign;
	reading: KitReading;
	glasses: ReadonlyMap<string, Glass>;
	moulds: ReadonlyMap<string, { name: string }>;
	studio: string;
	/** "version 3" or "draft", and the palette's name. */
	edition: string;
	units: Units;
	paper: PaperSize;
	fonts: FontFiles;
}

/** The sheet that goes into a kit's bag: picture, stack and parts with each glass as bought and as fired, steps, cautions. */
export async function kitPdf(sheet: KitSheet): Promise<Uint8Array> {
	const pdf = await PDFDocument.create();
	pdf.setTitle(sheet.design.name);
	pdf.setCreator("Zephyr Flats");
	const signs = signsOf(sheet);
	const plain = await PdfType.in(pdf, sheet.fonts.plain, signs);
	const bold = await PdfType.in(pdf, sheet.fonts.bold, signs);
	const pen = new Pen(pdf, plain, bold, PAPERS[sheet.paper]);
	heading(pen, sheet);
	picture(pen, sheet);
	partTable(pen, sheet);
	steps(pen, sheet);
	cautions(pen, sheet);
	pen.number(sheet.design.name);
	return pdf.save();
}

function heading(pen: Pen, { design, reading, glasses, studio, edition, units }: KitSheet): void {
	pen.text(design.name, { size: 22, strong: true });
	pen.text(`${studio} · ${edition}`, { color: SOFT });
	const size = `${formatFigure({ mm: reading.widthMm }, units)} × ${formatFigure({ mm: reading.heightMm }, units)}`;
	pen.text(`${reading.stackCode} · ${size} · ${formatFigure({ g: reading.massG }, units)} of glass`, { strong: true });
	if (design.note) pen.text(design.note, { width: pen.width - STACK_WIDTH - 12 });
	stack(pen, reading, glasses);
}

const STACK_WIDTH = 70;
const STACK_POINT_PER_MM = 4;
const STACK_HEIGHT = 60;

/** The thickest column from the shelf up, in fired colours, at the top right of the first page. */
function stack(pen: Pen, reading: KitReading, glasses: KitSheet["glasses"]): void {
	const total = reading.columnMm.reduce((sum, mm) => sum + mm, 0);
	if (total === 0) return;
	const scale = Math.min(STACK_POINT_PER_MM, STACK_HEIGHT / total);
	const x = MARGIN + pen.width - STACK_WIDTH;
	let y = pen.top - STACK_HEIGHT;
	const floor = y;
	reading.columnMm.forEach((mm, i) => {
		const glass = glasses.get(reading.columnGlassIds[i] ?? "");
		pen.page.drawRectangle({
			x,
			y,
			width: STACK_WIDTH,
			height: mm * scale,
			color: colourOf(glass?.firedColour ?? "#cccccc"),
			borderColor: INK,
			borderWidth: 0.4,
		});
		y += mm * scale;
	});
	pen.page.drawLine({
		start: { x: x - 4, y: floor },
		end: { x: x + STACK_WIDTH + 4, y: floor },
		thickness: 1.2,
		color: INK,
	});
}

const PICTURE_HEIGHT = 230;

function picture(pen: Pen, { design, glasses }: KitSheet): void {
	const drawn = drawnParts(design, glasses);
	const { minX, maxY, widthMm, heightMm } = boundsOf(drawn.flatMap(({ region }) => region));
	if (widthMm === 0) return;
	const half = pen.width / 2 - 12;
	const scale = Math.min(POINT_PER_MM, half / widthMm, PICTURE_HEIGHT / heightMm);
	pen.need(heightMm * scale + 30);
	pen.y -= 10;
	for (const [i, side] of (["boughtColour", "firedColour"] as const).entries()) {
		const x = MARGIN + i * (half + 24);
		for (const { region, clearness, ...colours } of drawn) {
			const d = region
				.map((ring: Ring) => `M${ring.map((p) => `${(p.x - minX).toFixed(2)} ${(maxY - p.y).toFixed(2)}`).join("L")}Z`)
				.join("");
			pen.page.drawSvgPath(d, {
				x,
				y: pen.y,
				scale,
				color: colourOf(colours[side]),
				opacity: 1 - clearness,
				borderColor: INK,
				borderWidth: 0.4 / scale,
				borderOpacity: 0.5,
			});
		}
	}
	pen.y -= heightMm * scale + 4;
	const y = pen.y;
	pen.text("as bought", { color: SOFT, size: 9 });
	pen.y = y;
	const ratio = scale / POINT_PER_MM;
	pen.text(`as fired${ratio > 0.999 ? ", drawn 1:1" : `, drawn 1:${(1 / ratio).toFixed(1)}`}`, {
		x: half + 24,
		color: SOFT,
		size: 9,
	});
}

function partTable(pen: Pen, { design, glasses, units }: KitSheet): void {
	pen.title("In this kit");
	for (const line of bagOf(design, glasses)) {
		if (!line.cut && !line.fired) continue;
		pen.need(20);
		const glass = glasses.get((line.cut ?? line.fired)?.glassId ?? "");
		const what = line.cut
			? cutWords(line.cut, units)
			: `${line.words}, ${formatFigure({ mm: line.fired?.sizeMm ?? 0 }, units)}, fired before`;
		const top = pen.y;
		if (glass) swatches(pen, glass, top);
		pen.text(`${line.count} ×`, { x: 44, strong: true });
		pen.y = top;
		pen.text(what, { x: 76, width: 220 });
		const after = pen.y;
		pen.y = top;
		if (glass)
			pen.text(`${glass.name}${isStriker(glass) ? " (shows its colour when fired)" : ""}`, { x: 304, color: SOFT });
		pen.y = Math.min(after, pen.y, top - 16);
	}
}

function cutWords({ kind, shape, amount, stuff }: CutLine, units: Units): string {
	const sizes = shape
		? sizesOf(shape)
				.map((mm) => formatFigure({ mm }, units))
				.join(" × ")
		: "";
	const what =
		kind === "sheet" ? shape?.kind.replace("triangle", "right triangle").replace("outline", "free outline") : stuff;
	return [what, sizes, amount ? formatFigure(amount, units) : ""].filter(Boolean).join(", ");
}

/** As bought | as fired. */
function swatches(pen: Pen, glass: Glass, top: number): void {
	for (const [i, colour] of [glass.boughtColour, glass.firedColour].entries())
		pen.page.drawRectangle({
			x: MARGIN + i * 16,
			y: top - 12,
			width: 16,
			height: 11,
			color: colourOf(colour),
			borderColor: SOFT,
			borderWidth: 0.4,
		});
}

function steps(pen: Pen, { design, moulds }: KitSheet): void {
	pen.title("What happens");
	let number = 1;
	const say = (words: string) => pen.text(`${number++}. ${words}`);
	const first = Math.min(...design.parts.map(({ firing }) => firing), design.route.length - 1);
	const layOut = () => {
		say("Clean every piece of glass; fingerprints and dirt turn cloudy.");
		say("Lay everything out loose and look at it before anything is glued. Photograph it.");
		say("Glue with one dot a part, never a puddle. Let it dry before it is moved.");
	};
	design.route.forEach((step, i) => {
		if (i === first) layOut();
		const made = design.components.filter(({ firing }) => firing === i).map(({ name }) => name);
		const only = made.length > 0 ? `, for ${made.join(", ")}` : "";
		const mould = step.mouldId ? `, ${moulds.get(step.mouldId)?.name ?? "mould"}` : "";
		say(
			`Firing to ${LEVEL_WORDS[step.level]}${mould}${only}${step.turnedOver ? ", laid upside down" : ""}, by the studio.`,
		);
		if (step.handWork) say(`Then ${step.handWork}.`);
	});
}

const USUAL_CAUTIONS = [
	"Glass edges are sharp: eye protection when cutting, no fingers along edges.",
	"Powders and fibre dust: respirator, damp clean-up, never sweep dry.",
	"Only glass from this kit may go into this piece: other families crack, sometimes weeks later.",
	"Nobody says that fired glass may be used with food: ask the glass maker, and know your local rules.",
];

function cautions(pen: Pen, { reading, units }: KitSheet): void {
	pen.title("Mind");
	for (const caution of USUAL_CAUTIONS) pen.text(`– ${caution}`);
	for (const { sentence } of reading.findings.filter(({ severity }) => severity !== "know"))
		pen.text(`– ${phraseText(sentence, units)}`, { strong: true });
}

const colourOf = (hex: string): Color => {
	const part = (from: number) => Number.parseInt(hex.slice(from, from + 2), 16) / 255;
	return rgb(part(1), part(3), part(5));
};

/** All that may be written on a sheet: the printable signs of the keyboard, and everything that somebody named. */
function signsOf({ design, reading, glasses, moulds, studio, edition }: KitSheet): string {
	const keys = Array.from({ length: 95 }, (_, i) => String.fromCharCode(32 + i)).join("");
	const names = [...glasses.values(), ...moulds.values()].map(({ name }) => name);
	return [
		keys,
		"·×–°²“”’…",
		design.name,
		design.note,
		studio,
		edition,
		...names,
		JSON.stringify([design, reading.findings]),
	].join("");
}
