import { scoresOf } from "@core/cutting/plan/figures";
import { scoreLinesOf } from "@core/cutting/plan/score-lines";
import { searchPlans } from "@core/cutting/plan/search";
import { asLaid, type Blank, USUAL_CUT_RULES } from "@core/cutting/plan/types";
import DxfParser from "dxf-parser";
import { parseSync } from "svgson";
import { describe, expect, it } from "vitest";
import { cutDxf, cutSvg } from "./cut-file";

const blank = (widthMm: number, heightMm: number, count: number, finish: Blank["finish"] = "none"): Blank => ({
	key: `${widthMm}`,
	widthMm,
	heightMm,
	count,
	yields: finish === "diagonal" ? 2 : 1,
	mayTurn: true,
	finish,
});
const blanks = [blank(100, 80, 7), blank(25, 19, 12, "diagonal"), blank(40, 20, 9)];
const task = { blanks, offcuts: [], sheet: { widthMm: 500, heightMm: 430 }, rules: USUAL_CUT_RULES };
const [laid] = [...searchPlans(task, 2)].at(-1)?.best.fewestSheets.plan.sheets ?? [];
/** The same strips on a sheet that was bought the other way round. */
const sheet = (turned: boolean) => {
	if (!laid) throw new Error("There is a plan.");
	const { widthMm, heightMm } = laid.sheet;
	const plan =
		turned === laid.turned ? laid : { ...laid, turned, sheet: { ...laid.sheet, widthMm: heightMm, heightMm: widthMm } };
	return { plan, blanks, kerfMm: 0, title: 'dusk & "stubble", sheet 1' };
};

/** Lines as DXF has them, the y axis up. */
const linesOf = (text: string) =>
	(new DxfParser().parseSync(text)?.entities ?? []).flatMap((one) => {
		if (one.type !== "LINE") return [];
		const [a, b] = (one as unknown as { vertices: { x: number; y: number }[] }).vertices;
		return [{ layer: one.layer, a, b }];
	});

describe("a sheet's cut file", () => {
	it.each([false, true])(
		"turned %s: a score is a line of the sheet as it was bought, never beyond its edge",
		(turned) => {
			const its = sheet(turned);
			const lines = scoreLinesOf(its.plan, blanks, 0);
			for (const { x1, y1, x2, y2 } of lines) {
				for (const x of [x1, x2]) expect(x).toBeGreaterThanOrEqual(0);
				for (const x of [x1, x2]) expect(x).toBeLessThanOrEqual(its.plan.sheet.widthMm + 1e-9);
				for (const y of [y1, y2]) expect(y).toBeLessThanOrEqual(its.plan.sheet.heightMm + 1e-9);
			}
			// A strip is scored over the whole sheet, edge to edge.
			const [first] = lines.filter(({ stage }) => stage === "strips");
			const along = turned ? [first?.y1, first?.y2] : [first?.x1, first?.x2];
			expect(along).toEqual([0, asLaid(its.plan).lengthMm]);
			const triangles = its.plan.strips.flatMap(({ columns }) => columns).filter(({ blank: one }) => one === 1);
			expect(lines.filter(({ stage }) => stage === "diagonals")).toHaveLength(
				triangles.reduce((sum, { stack }) => sum + stack, 0),
			);
			expect(lines.length).toBeGreaterThanOrEqual(scoresOf(its.plan));
		},
	);

	it("DXF is in millimetres, a layer a stage, and reads back as the same lines; SVG is 1:1 and keeps names from being markup", () => {
		const its = sheet(false);
		const { widthMm, heightMm } = its.plan.sheet;
		const text = cutDxf(its);
		expect(new DxfParser().parseSync(text)?.header?.$INSUNITS).toBe(4);
		const back = linesOf(text);
		const lines = scoreLinesOf(its.plan, blanks, 0);
		expect(back).toHaveLength(lines.length);
		expect(back[0]?.layer).toBe("1-STRIPS");
		expect(back[0]?.a?.y).toBeCloseTo(heightMm - (lines[0]?.y1 ?? 0), 3);
		const svg = parseSync(cutSvg(its));
		expect([svg.attributes.width, svg.attributes.viewBox]).toEqual([`${widthMm}mm`, `0 0 ${widthMm} ${heightMm}`]);
		const paths = svg.children.filter(({ name }) => name === "g").flatMap(({ children }) => children);
		expect(paths).toHaveLength(lines.length);
		expect(cutSvg(its)).toContain("dusk &amp; &quot;stubble&quot;, sheet 1");
	});
});
