import { sawnOutlinesOf } from "@core/cutting/plan/sawn-outlines";
import { SCORE_STAGES, scoreLinesOf } from "@core/cutting/plan/score-lines";
import type { Blank, SheetPlan } from "@core/cutting/plan/types";
import Drawing from "dxf-writer";
import { escapeXml } from "./kit-svg";

/** A sheet's scores for a saw, a plotter or a printer, 1:1 in mm, one group or layer for each stage of the work. */
interface Sheet {
	plan: SheetPlan;
	blanks: readonly Blank[];
	title: string;
	/** What a saw takes at every cut; 0 for scores. */
	kerfMm: number;
}

/** Of what is sawn apart, after all that is cut edge to edge. */
const OUTLINES = `${SCORE_STAGES.length + 1}-OUTLINES`;

const mm = (value: number) => Number(value.toFixed(3));

/** As SVG: one unit is a millimetre, the sheet's upper left corner at the origin. */
export function cutSvg({ plan, blanks, title, kerfMm }: Sheet): string {
	const { widthMm, heightMm } = plan.sheet;
	const lines = scoreLinesOf(plan, blanks, kerfMm);
	const groups = SCORE_STAGES.flatMap((stage, i) => {
		const its = lines.filter((line) => line.stage === stage);
		if (its.length === 0) return [];
		const paths = its.map(
			({ x1, y1, x2, y2, strip }) =>
				`\t\t<path d="M${mm(x1)} ${mm(y1)}L${mm(x2)} ${mm(y2)}"><title>strip ${strip}</title></path>`,
		);
		return [`\t<g id="${i + 1}-${stage}">\n${paths.join("\n")}\n\t</g>`];
	});
	return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${mm(widthMm)}mm" height="${mm(heightMm)}mm" viewBox="0 0 ${mm(widthMm)} ${mm(heightMm)}" fill="none" stroke="#000" stroke-width="0.2">
	<title>${escapeXml(title)}</title>
	<rect id="sheet" width="${mm(widthMm)}" height="${mm(heightMm)}"/>
${[...groups, ...outlineGroup(plan, blanks, kerfMm)].join("\n")}
</svg>
`;
}

/** What is sawn apart after all that is cut edge to edge. */
function outlineGroup(plan: SheetPlan, blanks: readonly Blank[], kerfMm: number): string[] {
	const sawn = sawnOutlinesOf(plan, blanks, kerfMm, "bought");
	if (sawn.length === 0) return [];
	const paths = sawn.flatMap(({ strip, outlines }) =>
		outlines.map(
			(outline) =>
				`\t\t<path d="M${outline.map(({ x, y }) => `${mm(x)} ${mm(y)}`).join("L")}Z"><title>strip ${strip}</title></path>`,
		),
	);
	return [`\t<g id="${OUTLINES.toLowerCase()}">\n${paths.join("\n")}\n\t</g>`];
}

/** As DXF in mm, the sheet's lower left corner at the origin. */
export function cutDxf({ plan, blanks, kerfMm }: Sheet): string {
	const { widthMm, heightMm } = plan.sheet;
	const drawing = new Drawing();
	drawing.setUnits("Millimeters");
	drawing.addLayer("SHEET", Drawing.ACI.WHITE, "CONTINUOUS");
	for (const stage of SCORE_STAGES) drawing.addLayer(layerOf(stage), Drawing.ACI.WHITE, "CONTINUOUS");
	drawing.addLayer(OUTLINES, Drawing.ACI.WHITE, "CONTINUOUS");
	drawing.setActiveLayer("SHEET");
	drawing.drawPolyline(
		[
			[0, 0],
			[widthMm, 0],
			[widthMm, heightMm],
			[0, heightMm],
		],
		true,
	);
	for (const { stage, x1, y1, x2, y2 } of scoreLinesOf(plan, blanks, kerfMm)) {
		drawing.setActiveLayer(layerOf(stage));
		drawing.drawLine(mm(x1), mm(heightMm - y1), mm(x2), mm(heightMm - y2));
	}
	drawing.setActiveLayer(OUTLINES);
	for (const { outlines } of sawnOutlinesOf(plan, blanks, kerfMm, "bought"))
		for (const outline of outlines)
			drawing.drawPolyline(
				outline.map(({ x, y }): [number, number] => [mm(x), mm(heightMm - y)]),
				true,
			);
	return drawing.toDxfString();
}

const layerOf = (stage: (typeof SCORE_STAGES)[number]): string =>
	`${SCORE_STAGES.indexOf(stage) + 1}-${stage.toUpperCase()}`;
