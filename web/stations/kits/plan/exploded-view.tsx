import { boundsOf } from "@core/geometry/bounds";
import type { Ring } from "@core/geometry/region";
import { groupBy } from "@core/group-by";
import type { DrawnPart } from "@core/kit/drawn";
import { boxOfDrawn } from "./plan-layers";

/** How far the plan is tipped back, and how far layers stand apart (share of the plan's depth). */
const TIP = 0.42;
const SLANT = 0.22;
const APART = 0.2;

/** The stack pulled apart upwards: each layer the plan tipped back, the shelf at the bottom. Not to scale in height; says so. */
export function ExplodedView({
	drawn,
	fired,
	chosen,
	onChoose,
}: {
	drawn: readonly DrawnPart[];
	fired: boolean;
	chosen: readonly string[];
	onChoose(id: string): void;
}) {
	const box = boxOfDrawn(drawn);
	const layers = [...groupBy(drawn, ({ part }) => part.layer).entries()].sort(([a], [b]) => a - b);
	const rise = Math.max(box.heightMm, 30) * APART;
	const at = (layer: number) => (p: { x: number; y: number }) => ({
		x: p.x + SLANT * p.y,
		y: -TIP * p.y - layer * rise,
	});
	const path = (ring: Ring, layer: number) =>
		`M${ring
			.map((p) => {
				const q = at(layer)(p);
				return `${q.x.toFixed(2)} ${q.y.toFixed(2)}`;
			})
			.join("L")}Z`;
	const corners = layers.flatMap((_, i) => [
		at(i)({ x: box.minX, y: box.minY }),
		at(i)({ x: box.maxX, y: box.maxY }),
		at(i)({ x: box.minX, y: box.maxY }),
		at(i)({ x: box.maxX, y: box.minY }),
	]);
	const view = boundsOf([corners]);
	const pad = Math.max(view.widthMm, view.heightMm) * 0.12;
	const font = Math.max(view.widthMm, view.heightMm) * 0.032;
	return (
		<svg
			viewBox={`${view.minX - pad} ${view.minY - pad} ${view.widthMm + 2.4 * pad} ${view.heightMm + 2 * pad}`}
			className="h-full w-full"
			role="img"
			aria-label={`The stack pulled apart, ${layers.length} layers from the shelf up`}
		>
			{layers.map(([layer, parts], i) => (
				<g key={layer}>
					{parts.map(({ part, region, boughtColour, firedColour, clearness }, k) => (
						// biome-ignore lint/a11y/noStaticElementInteractions: the list of parts chooses the same by keyboard
						<path
							key={`${part.id} ${k}`}
							d={region.map((ring) => path(ring, i)).join("")}
							fillRule="evenodd"
							fill={fired ? firedColour : boughtColour}
							fillOpacity={1 - clearness * 0.6}
							className={chosen.includes(part.id) ? "stroke-secondary" : "stroke-black/50"}
							strokeWidth={chosen.includes(part.id) ? 2.5 : 1}
							vectorEffect="non-scaling-stroke"
							onClick={() => onChoose(part.id)}
						/>
					))}
					<text
						x={at(i)({ x: box.maxX, y: box.minY }).x + pad * 0.25}
						y={at(i)({ x: box.maxX, y: box.minY }).y}
						fontSize={font}
						className="figure fill-base-content"
					>
						{layer + 1}
					</text>
				</g>
			))}
		</svg>
	);
}
