import { boundsOf } from "@core/geometry/bounds";
import type { Ring } from "@core/geometry/region";
import type { Glass } from "@core/glass/glass";
import { groupBy } from "@core/group-by";
import { drawnParts } from "@core/kit/drawn";
import type { KitDesign } from "@core/kit/kit";

const MARGIN_MM = 5;
const ESCAPES: Record<string, string> = { "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;", "'": "&apos;" };
export const escapeXml = (text: string): string => text.replace(/[&<>"']/g, (sign) => ESCAPES[sign] as string);

/** A kit's plan as SVG at 1:1: one unit is a millimetre, one group a layer from the shelf up, one path a part. */
export function kitSvg(design: KitDesign, glasses: ReadonlyMap<string, Glass>): string {
	const drawn = drawnParts(design, glasses);
	const { minX, maxY, widthMm, heightMm } = boundsOf(drawn.flatMap(({ region }) => region));
	const [width, height] = [widthMm + 2 * MARGIN_MM, heightMm + 2 * MARGIN_MM];
	const at = ({ x, y }: { x: number; y: number }) => `${mm(x - minX + MARGIN_MM)} ${mm(maxY - y + MARGIN_MM)}`;
	const path = (ring: Ring) => `M${ring.map(at).join("L")}Z`;
	const layers = [...groupBy(drawn, ({ part }) => part.layer)].map(([layer, parts]) => {
		const paths = parts.map(
			({ part, region, firedColour }) =>
				`\t\t<path d="${region.map(path).join("")}" fill="${firedColour}"><title>${escapeXml(part.name)}</title></path>`,
		);
		return `\t<g id="layer-${layer + 1}">\n${paths.join("\n")}\n\t</g>`;
	});
	return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${mm(width)}mm" height="${mm(height)}mm" viewBox="0 0 ${mm(width)} ${mm(height)}" fill-rule="evenodd" stroke="#000" stroke-width="0.1">
	<title>${escapeXml(design.name)}</title>
${layers.join("\n")}
</svg>
`;
}

const mm = (value: number) => Number(value.toFixed(3));
