import { areaMm2 } from "@core/geometry/region";
import { drawnParts } from "@core/kit/drawn";
import { readKit } from "@core/stack/read-kit";
import { METRIC } from "@core/units/phrase";
import DxfParser from "dxf-parser";
import { PDFDocument } from "pdf-lib";
import { parseSync } from "svgson";
import { describe, expect, it } from "vitest";
import { KITS } from "../demo/kits";
import { FAMILIES, GLASSES, MOULDS } from "../demo/studio";
import { cut, kit, square } from "../tests/support/kit";
import { kitDxf } from "./kit-dxf";
import { kitPdf } from "./kit-pdf";
import { kitSvg } from "./kit-svg";
import { outlinesFromDxf } from "./outline-from-dxf";
import { outlinesFromSvg } from "./outline-from-svg";

const byId = <T extends { id: string }>(rows: readonly T[]) => new Map(rows.map((one) => [one.id, one]));
const glasses = byId(GLASSES);
const book = { glasses, families: byId(FAMILIES), moulds: byId(MOULDS) };

describe("SVG of a kit", () => {
	it("is 1:1: its own reader finds every part at its size again", () => {
		for (const design of KITS) {
			const outer = drawnParts(design, glasses).flatMap(({ region }) => region);
			const result = outlinesFromSvg(kitSvg(design, glasses));
			if (!result.ok) throw new Error(result.problems[0]?.sentence);
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
});

describe("the kit sheet", () => {
	// ISO 216: A4 is 210 × 297 mm; ANSI Letter is 8.5 × 11 in. A point is 1/72 in.
	it.each([
		["a4", (210 / 25.4) * 72, (297 / 25.4) * 72],
		["letter", 8.5 * 72, 11 * 72],
	] as const)("on %s, for every kit of the demo", async (paper, width, height) => {
		for (const design of KITS) {
			const sheet = {
				design,
				reading: readKit(design, book),
				glasses,
				moulds: book.moulds,
				studio: "Tailvane",
				edition: "draft",
				units: METRIC,
				paper,
			};
			const pdf = await PDFDocument.load(await kitPdf(sheet));
			expect(pdf.getTitle()).toBe(design.name);
			expect(pdf.getPage(0).getWidth()).toBeCloseTo(width, 0);
			expect(pdf.getPage(0).getHeight()).toBeCloseTo(height, 0);
		}
	});

	it("goes on to further pages when there are many cuts, and writes what its font cannot as a question mark", async () => {
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
		};
		expect((await PDFDocument.load(await kitPdf(sheet))).getPageCount()).toBeGreaterThan(1);
	});
});
