import { boundsOf } from "@core/geometry/bounds";
import type { Region } from "@core/geometry/region";
import type { Glass } from "@core/glass/glass";
import { type DrawnPart, drawnParts } from "@core/kit/drawn";
import type { KitDesign } from "@core/kit/kit";
import Drawing from "dxf-writer";

/**
 * The outlines of a kit as DXF in mm for a cutter: closed polylines, one layer of the drawing for each layer of glass. What stands on
 * its edge in the kit lies flat beside it, as it is cut.
 */
export function kitDxf(design: KitDesign, glasses: ReadonlyMap<string, Glass>): string {
	const drawing = new Drawing();
	drawing.setUnits("Millimeters");
	const drawn = drawnParts(design, glasses, "cut").filter(({ part }) => part.kind !== "fibre" && part.kind !== "loop");
	for (const layer of new Set(drawn.map(({ part }) => part.layer)))
		drawing.addLayer(layerName(layer), Drawing.ACI.WHITE, "CONTINUOUS");
	for (const { part, region } of asCut(drawn)) {
		drawing.setActiveLayer(layerName(part.layer));
		for (const ring of region)
			drawing.drawPolyline(
				ring.map(({ x, y }) => [Number(x.toFixed(4)), Number(y.toFixed(4))]),
				true,
			);
	}
	return drawing.toDxfString();
}

const GAP_MM = 10;

/** Strips that stand on edge, laid flat in a column at the plan's right; everything else where it lies. */
function asCut(drawn: readonly DrawnPart[]): { part: DrawnPart["part"]; region: Region }[] {
	const { maxX, maxY } = boundsOf(drawn.flatMap(({ region }) => region));
	let topMm = maxY;
	return drawn.map(({ part, region, asCut: flat }) => {
		if (!flat) return { part, region };
		const { minX, maxY: high, heightMm } = boundsOf(flat);
		const [dx, dy] = [maxX + GAP_MM - minX, topMm - high];
		topMm -= heightMm + GAP_MM;
		return { part, region: flat.map((ring) => ring.map(({ x, y }) => ({ x: x + dx, y: y + dy }))) };
	});
}

const layerName = (layer: number) => `LAYER-${layer + 1}`;
