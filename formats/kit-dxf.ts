import type { Glass } from "@core/glass/glass";
import { drawnParts } from "@core/kit/drawn";
import type { KitDesign } from "@core/kit/kit";
import Drawing from "dxf-writer";

/** The outlines of a kit as DXF in mm for a cutter: closed polylines, one layer of the drawing for each layer of glass. */
export function kitDxf(design: KitDesign, glasses: ReadonlyMap<string, Glass>): string {
	const drawing = new Drawing();
	drawing.setUnits("Millimeters");
	const drawn = drawnParts(design, glasses, "cut").filter(({ part }) => part.kind !== "fibre" && part.kind !== "loop");
	for (const layer of new Set(drawn.map(({ part }) => part.layer)))
		drawing.addLayer(layerName(layer), Drawing.ACI.WHITE, "CONTINUOUS");
	for (const { part, region } of drawn) {
		drawing.setActiveLayer(layerName(part.layer));
		for (const ring of region)
			drawing.drawPolyline(
				ring.map(({ x, y }) => [Number(x.toFixed(4)), Number(y.toFixed(4))]),
				true,
			);
	}
	return drawing.toDxfString();
}

const layerName = (layer: number) => `LAYER-${layer + 1}`;
