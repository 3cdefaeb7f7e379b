import { type FuseLevel, LEVEL_AIM, LEVEL_WORDS } from "@core/firing/level";
import type { Glass } from "@core/glass/glass";
import type { KitPart } from "@core/stack/kit";
import { profileAfter } from "@core/stack/profile";
import { sectionAt } from "@core/stack/section";
import { useMemo } from "react";
import { useFigure } from "../../lib/prefs";

interface Props {
	parts: readonly KitPart[];
	glasses: readonly Glass[];
	level: FuseLevel;
	yMm: number;
}

/** Heights are drawn twice as large as widths: a single sheet would hardly be seen. The drawing says so. */
const TALLER = 2;
const COUNT = 240;

/** The section along the line: laid up above, after firing below. */
export function SectionView({ parts, glasses, level, yMm }: Props) {
	const figure = useFigure();
	const section = useMemo(() => {
		const byId = new Map(glasses.map((glass) => [glass.id, glass]));
		return sectionAt(parts, (part) => byId.get(part.glassId)?.thicknessMm ?? 0, yMm, COUNT);
	}, [parts, glasses, yMm]);
	const heights = section.places.map(({ layers }) => layers.reduce((sum, { mm }) => sum + mm, 0));
	const after = profileAfter(heights, section.stepMm, LEVEL_AIM[level]);
	const width = section.toMm - section.fromMm;
	const top = Math.max(6, ...heights, ...after) * TALLER + 4;
	const colourOf = (partId: string) => {
		const part = parts.find(({ id }) => id === partId);
		return glasses.find(({ id }) => id === part?.glassId)?.firedColour ?? "#ccc";
	};
	if (parts.length === 0 || width <= 0) return null;
	const range = (values: readonly number[]) => {
		const glass = values.filter((value) => value > 0.05);
		return glass.length === 0
			? "no glass here"
			: `${figure({ mm: Math.min(...glass) })} to ${figure({ mm: Math.max(...glass) })} high`;
	};
	return (
		<div className="grid grid-cols-[6.5rem_1fr_10rem] items-end gap-x-3 gap-y-1">
			<span className="text-soft">laid up</span>
			<svg viewBox={`0 0 ${width} ${top}`} className="w-full" shapeRendering="crispEdges" aria-hidden="true">
				{section.places.map(({ xMm, layers }) => {
					let y = top - 1;
					return layers.map(({ partId, mm }) => {
						y -= mm * TALLER;
						return (
							<rect
								key={`${partId}${xMm}`}
								x={xMm - section.fromMm - section.stepMm / 2}
								y={y}
								width={section.stepMm * 1.06}
								height={mm * TALLER}
								fill={colourOf(partId)}
							/>
						);
					});
				})}
				<path d={`M0 ${top - 0.5}H${width}`} className="stroke-base-content" vectorEffect="non-scaling-stroke" />
			</svg>
			<span className="figure text-soft">{range(heights)}</span>
			<span className="text-soft">after {LEVEL_WORDS[level]}</span>
			<svg viewBox={`0 0 ${width} ${top}`} className="w-full" shapeRendering="crispEdges" aria-hidden="true">
				{after.map((height, i) => {
					const place = section.places[i];
					const topPart = place?.layers.at(-1)?.partId;
					return height > 0.05 && topPart ? (
						<rect
							key={place?.xMm}
							x={i * section.stepMm}
							y={top - 1 - height * TALLER}
							width={section.stepMm * 1.06}
							height={height * TALLER}
							fill={colourOf(topPart)}
						/>
					) : null;
				})}
				<path d={`M0 ${top - 0.5}H${width}`} className="stroke-base-content" vectorEffect="non-scaling-stroke" />
			</svg>
			<span className="figure text-soft">{range(after)}</span>
			<span className="col-span-3 text-[12px] text-soft">
				Section along the dashed line; heights drawn twice as large as widths. An estimate.
			</span>
		</div>
	);
}
