import { byId } from "@core/by-id";
import { boundsOf } from "@core/geometry/bounds";
import { areaMm2, type Point } from "@core/geometry/region";
import { drawnParts } from "@core/kit/drawn";
import { readKit } from "@core/stack/read-kit";
import { METRIC } from "@core/units/phrase";
import DxfParser from "dxf-parser";
import { PDFDocument, rgb } from "pdf-lib";
import { parseSync } from "svgson";
import { describe, expect, it } from "vitest";
import { KITS } from "../demo/kits";
import { FAMILIES, GLASSES, MOULDS } from "../demo/studio";
import { fontFiles } from "../server/heavy/fonts";
import { cut, kit, lay, square } from "../tests/support/kit";
import { firstSaid } from "../tests/support/said";
import { someOf } from "../tests/support/thorough";
import { kitDxf } from "./kit-dxf";
import { kitPdf } from "./kit-pdf";
import { kitSvg } from "./kit-svg";
import { outlinesFromDxf } from "./outline-from-dxf";
import { outlinesFromSvg } from "./outline-from-svg";
import { PdfType } from "./pdf-type";

const glasses = byId(GLASSES);
const book = { glasses, families: byId(FAMILIES), moulds: byId(MOULDS) };

describe("SVG of a kit", () => {
	it("is 1:1: its own reader finds every part at its size again", () => {
		for (const design of KITS) {
			const outer = drawnParts(design, glasses).flatMap(({ region }) => region);
			const result = outlinesFromSvg(kitSvg(design, glasses));
			if (!result.ok) throw new Error(firstSaid(result.problems));
			const sum = (areas: number[]) => areas.reduce((all, one) => all + one, 0);
			const theirs = sum(result.value.outlines.map(({ points }) => Math.abs(areaMm2([points]))));
			const ours = sum(outer.map((ring) => Math.abs(areaMm2([ring]))));
			expect(Math.abs(theirs / ours - 1), design.name).toBeLessThan(0.03);
		}
	});

	it("has one group a layer from the shelf up, and keeps names from being markup", () => {
		const design = kit([cut(square(40), 0, 0, 0, "clear", { name: '<b>"roof" & wall</b>' }), cut(square(20), 2)]);
		const text = kitSvg(design, glasses);
		const root = parseSync(text);
		expect(root.children.filter(({ name }) => name === "g").map(({ attributes }) => attributes.id)).toEqual([
			"layer-1",
			"layer-3",
		]);
		expect(root.attributes.width).toBe("50mm");
		expect(text).toContain("&lt;b&gt;&quot;roof&quot; &amp; wall&lt;/b&gt;");
		expect(text).not.toContain("<b>");
	});
});

describe("DXF of a kit", () => {
	it("is in millimetres, one layer a layer, and reads back as the same outlines", () => {
		const design = kit([cut(square(40)), cut({ kind: "triangle", widthMm: 30, heightMm: 20 }, 1, 5, 5)]);
		const text = kitDxf(design, glasses);
		const drawing = new DxfParser().parseSync(text);
		expect(drawing?.header?.$INSUNITS).toBe(4);
		expect([...new Set(drawing?.entities.map(({ layer }) => layer))]).toEqual(["LAYER-1", "LAYER-2"]);
		const back = outlinesFromDxf(text);
		expect(back.ok && back.value.outlines.map(({ widthMm, heightMm }) => [widthMm, heightMm])).toEqual([
			[40, 40],
			[30, 20],
		]);
	});

	it("lays strips that stand on edge flat beside the plan, none over another, in components too", () => {
		const stood = (i: number) =>
			cut({ kind: "strip", lengthMm: 90 + i, widthMm: 12 }, 0, 0, i * 3, "clear", { onEdge: true });
		const stands = [stood(0), stood(1), stood(2)];
		const bar = { id: "bar", name: "bar", parts: [stood(3), stood(4)], firing: 0, spares: 0 };
		const design = kit(
			[cut(square(100), 1), ...stands, lay({ kind: "component", componentId: "bar" }, 2, 0, 0)],
			undefined,
			{ components: [bar] },
		);
		const drawing = new DxfParser().parseSync(kitDxf(design, glasses));
		const rings = drawing?.entities.map((one) => ("vertices" in one ? (one.vertices as Point[]) : [])) ?? [];
		const all = rings.map((ring) => boundsOf([ring]));
		const sizes = all.map(({ widthMm, heightMm }) => [Math.round(widthMm), Math.round(heightMm)]);
		expect(sizes.sort((a, b) => (a[0] ?? 0) - (b[0] ?? 0))).toEqual([
			...[90, 91, 92, 93, 94].map((lengthMm) => [lengthMm, 12]),
			[100, 100],
		]);
		for (const [i, a] of all.entries())
			for (const b of all.slice(i + 1))
				expect(a.maxX <= b.minX || b.maxX <= a.minX || a.maxY <= b.minY || b.maxY <= a.minY).toBe(true);
	});
});

describe("the kit sheet", () => {
	// ISO 216: A4 is 210 × 297 mm; ANSI Letter is 8.5 × 11 in. A point is 1/72 in.
	it.each([
		["a4", (210 / 25.4) * 72, (297 / 25.4) * 72],
		["letter", 8.5 * 72, 11 * 72],
	] as const)("on %s, for the kits of the demo", async (paper, width, height) => {
		for (const design of someOf(KITS, 1)) {
			const sheet = {
				design,
				reading: readKit(design, book),
				glasses,
				moulds: book.moulds,
				studio: "Tailvane",
				edition: "draft",
				units: METRIC,
				paper,
				fonts: fontFiles(),
			};
			const pdf = await PDFDocument.load(await kitPdf(sheet));
			expect(pdf.getTitle()).toBe(design.name);
			expect(pdf.getPage(0).getWidth()).toBeCloseTo(width, 0);
			expect(pdf.getPage(0).getHeight()).toBeCloseTo(height, 0);
		}
	});

	it("goes on to further pages when there are many cuts, and writes signs of no alphabet it knows as a question mark", async () => {
		const parts = Array.from({ length: 90 }, (_, i) => cut(square(5 + i * 0.5), 0, i * 60));
		const design = kit(parts, undefined, { name: "Дом 家" });
		const sheet = {
			design,
			reading: readKit(design, book),
			glasses,
			moulds: new Map(),
			studio: "x",
			edition: "draft",
			units: METRIC,
			paper: "a4" as const,
			fonts: fontFiles(),
		};
		expect((await PDFDocument.load(await kitPdf(sheet))).getPageCount()).toBeGreaterThan(1);
	});
});

describe("writing of every alphabet", () => {
	const ALPHABETS = {
		Latin: "Windmühle, Łódź, gió mạnh",
		Cyrillic: "Ветряная мельница",
		Greek: "Ανεμόμυλος",
		Hebrew: "טחנת רוח",
		Arabic: "طاحونة هواء",
		Armenian: "Հողմաղաց",
		Georgian: "ქარის წისქვილი",
		Devanagari: "पवनचक्की",
		Thai: "กังหันลม",
		Korean: "풍차와 바람",
		Japanese: "風車のカイト",
	};
	/** What a PDF's text would be copied as: its fonts' maps from glyph to sign. */
	const embedded = async (words: string) => {
		const pdf = await PDFDocument.create();
		const type = await PdfType.in(pdf, fontFiles().plain, words);
		const page = pdf.addPage([600, 100]);
		type.draw(page, words, { x: 20, y: 40, size: 20, color: rgb(0, 0, 0) });
		return { type, bytes: await pdf.save({ useObjectStreams: false }) };
	};

	it.each(someOf(Object.entries(ALPHABETS), 5))("%s is embedded as a subset, in its own letters", async (_, words) => {
		const { type, bytes } = await embedded(words);
		expect(type.widthOf(words, 20)).toBeGreaterThan(40);
		// A whole face is 20 to 80 kB; what a few words need of it is far less.
		expect(bytes.length).toBeLessThan(30_000);
		expect(type.widthOf(words, 20)).not.toBeCloseTo(type.widthOf("?".repeat([...words].length), 20), 1);
	});
	it("what no face has becomes a question mark, as wide as one", async () => {
		const { type } = await embedded("ᚠ?");
		expect(type.widthOf("ᚠ", 20)).toBeCloseTo(type.widthOf("?", 20), 6);
	});
	it("a line of two alphabets is as wide as its parts", async () => {
		const { type } = await embedded("Kit Мельница");
		expect(type.widthOf("Kit Мельница", 10)).toBeCloseTo(type.widthOf("Kit ", 10) + type.widthOf("Мельница", 10), 6);
	});
	it("Arabic letters join: together they are narrower than one by one", async () => {
		const words = ALPHABETS.Arabic.slice(0, 6);
		const { type } = await embedded(words);
		const apart = [...words].reduce((sum, sign) => sum + type.widthOf(sign, 20), 0);
		expect(type.widthOf(words, 20)).toBeLessThan(apart);
	});
});
