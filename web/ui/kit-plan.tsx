import { boundsOf, type Ring } from "@core/geometry/region";
import type { Glass } from "@core/glass/glass";
import { type KitPart, partOutline } from "@core/stack/kit";
import { useFigure } from "../lib/prefs";

export const ringPath = (ring: Ring): string =>
	`M${ring.map(({ x, y }) => `${x.toFixed(2)} ${(-y).toFixed(2)}`).join("L")}Z`;

interface Props {
	parts: readonly KitPart[];
	glasses: readonly Glass[];
	fired?: boolean;
	/** Draws dimensions, a scale bar and, where given, the chosen part. */
	dimensions?: boolean;
	chosenId?: string | null;
	onChoose?: (id: string) => void;
	/** Height (mm, y of the plan) of the section line. */
	sectionMm?: number;
	className?: string;
}

/** A kit's plan to scale, bottom layer first, in the glass's own colours. */
export function KitPlan({
	parts,
	glasses,
	fired = true,
	dimensions = false,
	chosenId,
	onChoose,
	sectionMm,
	className,
}: Props) {
	const figure = useFigure();
	const outlines = [...parts].sort((a, b) => a.layer - b.layer).map((part) => ({ part, ring: partOutline(part) }));
	const box = boundsOf(outlines.map(({ ring }) => ring));
	const size = Math.max(box.widthMm, box.heightMm, 20);
	const pad = dimensions ? size * 0.13 : size * 0.03;
	const font = size * 0.036;
	const colour = (part: KitPart) => {
		const glass = glasses.find(({ id }) => id === part.glassId);
		return (fired ? glass?.firedColour : glass?.boughtColour) ?? "#ff00ff";
	};
	const clear = (part: KitPart) => glasses.find(({ id }) => id === part.glassId)?.opacity === "clear";
	return (
		<svg
			viewBox={`${box.minX - pad} ${-box.maxY - pad} ${box.widthMm + 2 * pad || 40} ${box.heightMm + 2 * pad || 40}`}
			className={className}
			role="img"
			aria-label={`Plan, ${figure({ mm: box.widthMm })} by ${figure({ mm: box.heightMm })}, ${parts.length} parts`}
		>
			{outlines.map(({ part, ring }) => (
				// biome-ignore lint/a11y/noStaticElementInteractions: the list of parts chooses the same by keyboard
				<path
					key={part.id}
					d={ringPath(ring)}
					fill={colour(part)}
					fillOpacity={clear(part) ? 0.75 : 1}
					className={`${part.id === chosenId ? "stroke-secondary" : "stroke-black/35"} ${onChoose ? "cursor-pointer" : ""}`}
					strokeWidth={part.id === chosenId ? size * 0.012 : size * 0.003}
					onClick={onChoose && (() => onChoose(part.id))}
				/>
			))}
			{dimensions && parts.length > 0 && (
				<g className="fill-base-content stroke-base-content" fontSize={font} strokeWidth={size * 0.003}>
					<path fill="none" d={`M${box.minX} ${-box.minY + pad * 0.35}v${pad * 0.15}H${box.maxX}v${-pad * 0.15}`} />
					<text
						stroke="none"
						x={(box.minX + box.maxX) / 2}
						y={-box.minY + pad * 0.9}
						textAnchor="middle"
						className="figure"
					>
						{figure({ mm: box.widthMm })}
					</text>
					<path fill="none" d={`M${box.minX - pad * 0.35} ${-box.maxY}h${-pad * 0.15}V${-box.minY}h${pad * 0.15}`} />
					<text
						stroke="none"
						textAnchor="middle"
						className="figure"
						transform={`translate(${box.minX - pad * 0.62} ${-(box.minY + box.maxY) / 2}) rotate(-90)`}
					>
						{figure({ mm: box.heightMm })}
					</text>
				</g>
			)}
			{sectionMm !== undefined && parts.length > 0 && (
				<path
					d={`M${box.minX - pad * 0.22} ${-sectionMm}H${box.maxX + pad * 0.8}`}
					className="stroke-secondary"
					strokeDasharray={`${size * 0.02} ${size * 0.012}`}
					strokeWidth={size * 0.005}
				/>
			)}
		</svg>
	);
}
