import { type FuseLevel, LEVEL_WORDS } from "@core/firing/level";
import type { DrawnPart } from "@core/kit/drawn";
import type { Section } from "@core/stack/section";
import { useFigure } from "../../lib/prefs";
import { LevelGlyph } from "../../ui/signs";

interface Props {
	section: Section | undefined;
	drawn: readonly DrawnPart[];
	level: FuseLevel;
}

/** Heights are drawn three times as large as widths: a single sheet would hardly be seen. The drawing says so. */
const TALLER = 3;
const ROOM_MM = 4;

/** The section along the plan's line: laid up above, after the firing below, on one scale. */
export function SectionView({ section, drawn, level }: Props) {
	const figure = useFigure();
	if (!section || section.lengthMm <= 0) return null;
	const heights = section.places.map(({ layers }) => layers.reduce((sum, { mm }) => sum + mm, 0));
	const top = Math.max(9, ...heights, ...section.after) * TALLER + ROOM_MM;
	const colours = new Map(drawn.map(({ part, firedColour }) => [part.id, firedColour]));
	const range = (values: readonly number[]) => {
		const glass = values.filter((mm) => mm > 0.05);
		return glass.length === 0
			? "no glass here"
			: figure({ mm: Math.max(...glass) }) === figure({ mm: Math.min(...glass) })
				? figure({ mm: glass[0] ?? 0 })
				: `${figure({ mm: Math.min(...glass) })} to ${figure({ mm: Math.max(...glass) })}`;
	};
	const floor = top - 1;
	const frame = {
		viewBox: `0 0 ${section.lengthMm} ${top}`,
		className: "h-full max-h-16 w-full",
		preserveAspectRatio: "xMidYMax meet",
	};
	return (
		<div className="grid grid-cols-[5.5rem_minmax(0,1fr)_7.5rem] items-end gap-x-3 gap-y-1.5">
			<span className="text-soft">laid up</span>
			<svg {...frame} role="img" aria-label={`Section as laid up, ${range(heights)} high`} shapeRendering="crispEdges">
				{section.places.map(({ alongMm, layers }) => {
					let y = floor;
					return layers.map(({ partId, mm }) => {
						y -= mm * TALLER;
						return (
							<rect
								key={`${partId} ${alongMm}`}
								x={alongMm - section.stepMm / 2}
								y={y}
								width={section.stepMm * 1.08}
								height={mm * TALLER}
								fill={colours.get(partId) ?? "#cccccc"}
							/>
						);
					});
				})}
				<Silhouette heights={heights} stepMm={section.stepMm} floor={floor} />
				<Shelf lengthMm={section.lengthMm} y={floor} />
			</svg>
			<span className="figure text-soft">{range(heights)} high</span>
			<LevelGlyph level={level} label={false} />
			<svg
				{...frame}
				role="img"
				aria-label={`Section after ${LEVEL_WORDS[level]}, ${range(section.after)} high`}
				shapeRendering="crispEdges"
			>
				<AfterShapes section={section} colours={colours} floor={floor} />
				<Silhouette heights={section.after} stepMm={section.stepMm} floor={floor} />
				<Shelf lengthMm={section.lengthMm} y={floor} />
			</svg>
			<span className="figure">
				<b>{range(section.after)}</b> <span className="text-soft">after {LEVEL_WORDS[level]}</span>
			</span>
			<span className="col-span-3 text-[12px] text-soft">
				Section along the line; heights drawn {TALLER} times as large as widths. An estimate.
			</span>
		</div>
	);
}

const Shelf = ({ lengthMm, y }: { lengthMm: number; y: number }) => (
	<path
		d={`M0 ${y + 0.4}H${lengthMm}`}
		className="stroke-base-content"
		strokeWidth="1.2"
		vectorEffect="non-scaling-stroke"
	/>
);

/** What the glass has become: each place keeps the shares of its layers, in a body with one soft top. */
function AfterShapes({
	section,
	colours,
	floor,
}: {
	section: Section;
	colours: ReadonlyMap<string, string>;
	floor: number;
}) {
	let lastLayers: Section["places"][number]["layers"] = [];
	return section.after.map((height, i) => {
		const place = section.places[i];
		if (!place || height < 0.05) return null;
		const stays = place.layers.filter(({ glassMm, keptMm }) => glassMm > 0 || keptMm > 0);
		if (stays.some(({ glassMm }) => glassMm > 0)) lastLayers = stays;
		const layers = stays.length > 0 ? stays : lastLayers;
		const kept = layers.reduce((sum, { keptMm }) => sum + keptMm, 0);
		const total = layers.reduce((sum, { glassMm }) => sum + glassMm, 0) || 1;
		let y = floor;
		return layers.map(({ partId, glassMm, keptMm }) => {
			const mm = keptMm + (Math.max(0, height - kept) * glassMm) / total;
			y -= mm * TALLER;
			return (
				<rect
					key={`${partId} ${place.alongMm}`}
					x={place.alongMm - section.stepMm / 2}
					y={y}
					width={section.stepMm}
					height={mm * TALLER}
					fill={colours.get(partId) ?? "#cccccc"}
				/>
			);
		});
	});
}

/** The silhouette of all glass, so that clear sheet is seen on a light ground. */
function Silhouette({ heights, stepMm, floor }: { heights: readonly number[]; stepMm: number; floor: number }) {
	const d = heights
		.map((mm, i) => `${i === 0 ? "M" : "L"}${(i + 0.5) * stepMm} ${floor - (mm > 0.05 ? mm * TALLER : 0)}`)
		.join("");
	return (
		<path
			d={d}
			fill="none"
			className="stroke-base-content/55"
			strokeWidth="1"
			vectorEffect="non-scaling-stroke"
			shapeRendering="auto"
		/>
	);
}
