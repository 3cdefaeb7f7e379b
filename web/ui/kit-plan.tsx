import { byId } from "@core/by-id";
import { boundsOf } from "@core/geometry/bounds";
import type { Glass } from "@core/glass/glass";
import { drawnParts } from "@core/kit/drawn";
import type { KitDesign } from "@core/kit/kit";
import { useFigure } from "../lib/prefs";
import { regionPath } from "./region-path";

interface Props {
	design: KitDesign;
	glasses: readonly Glass[];
	fired?: boolean;
	className?: string;
}

/** A kit's plan to scale, bottom layer first, in the glass's own colours. */
export function KitPlan({ design, glasses, fired = true, className }: Props) {
	const figure = useFigure();
	const drawn = drawnParts(design, byId(glasses));
	const box = boundsOf(drawn.flatMap(({ region }) => region));
	const size = Math.max(box.widthMm, box.heightMm, 20);
	const pad = size * 0.03;
	return (
		<svg
			viewBox={`${box.minX - pad} ${-box.maxY - pad} ${box.widthMm + 2 * pad || 40} ${box.heightMm + 2 * pad || 40}`}
			className={className}
			role="img"
			aria-label={`Plan, ${figure({ mm: box.widthMm })} by ${figure({ mm: box.heightMm })}, ${design.parts.length} parts`}
		>
			{drawn.map(({ part, region, boughtColour, firedColour, clearness }, i) => (
				<path
					key={`${part.id} ${i}`}
					d={regionPath(region)}
					fillRule="evenodd"
					fill={fired ? firedColour : boughtColour}
					fillOpacity={1 - clearness}
					className="stroke-black/35"
					strokeWidth={size * 0.003}
				/>
			))}
		</svg>
	);
}
