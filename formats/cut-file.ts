import { SCORE_STAGES, scoreLinesOf } from "@core/cutting/plan/score-lines";
import type { Blank, SheetPlan } from "@core/cutting/plan/types";
import Drawing from "dxf-writer";
import { escapeXml } from "./kit-svg";

/** A sheet's scores for a saw, a plotter or a printer, 1:1 in mm, one group or layer for each stage of the work. */
interface Sheet {
	plan: SheetPlan;
	blanks: readonly Blank[];
	title: string;
}

const mm = (value: number) => Number(value.toFixed(3));

/** As SVG: one unit is a millimetre, the sheet's upper left corner at the origin. */
export function cutSvg({ plan, blanks, title }: Sheet): string {
	const { widthMm, heightMm } = plan.sheet;
	const lines = scoreLinesOf(plan, blanks);
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
${groups.join("\n")}
</svg>
`;
}

/** As DXF in mm, the sheet's lower left corner at the origin. */
export function cutDxf({ plan, blanks }: Sheet): string {
	const { widthMm, heightMm } = plan.sheet;
	const drawing = new Drawing();
	drawing.setUnits("Millimeters");
	drawing.addLayer("SHEET", Drawing.ACI.WHITE, "CONTINUOUS");
	for (const stage of SCORE_STAGES) drawing.addLayer(layerOf(stage), Drawing.ACI.WHITE, "CONTINUOUS");
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
	for (const { stage, x1, y1, x2, y2 } of scoreLinesOf(plan, blanks)) {
		drawing.setActiveLayer(layerOf(stage));
		drawing.drawLine(mm(x1), mm(heightMm - y1), mm(x2), mm(heightMm - y2));
	}
	return drawing.toDxfString();
}

const layerOf = (stage: (typeof SCORE_STAGES)[number]): string =>
	`${SCORE_STAGES.indexOf(stage) + 1}-${stage.toUpperCase()}`;
