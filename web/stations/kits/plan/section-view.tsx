import { type FuseLevel, LEVEL_WORDS } from "@core/firing/level";
import type { DrawnPart } from "@core/kit/drawn";
import type { Section } from "@core/stack/section";
import { sectionAsLaid } from "@core/stack/section-as-laid";
import { useFigure } from "../../../lib/prefs";
import { LevelGlyph } from "../../../ui/signs";

interface Props {
	section: Section | undefined;
	drawn: readonly DrawnPart[];
	level: FuseLevel;
	/** How high each part lies before the fire, mm: stiff sheet does not follow what is below it. */
	rests: Readonly<Record<string, number>>;
	/** Laid upside down for this firing. */
	turnedOver: boolean;
}

/** Heights are drawn three times as large as widths: a single sheet would hardly be seen. What is high is true to scale; the drawing says so. */
const TALLER = 3;
const HIGH_MM = 14;
const ROOM_MM = 4;

/** The section along the plan's line: laid up above, after the firing below, on one scale. */
export function SectionView({ section: along, drawn, level, rests, turnedOver }: Props) {
	const figure = useFigure();
	if (!along || along.lengthMm <= 0) return null;
	const { section, laid, heightsMm: heights, upperMm } = sectionAsLaid(along, rests, turnedOver);
	const highest = Math.max(9, ...heights, ...section.after, ...section.walls);
	const taller = highest > HIGH_MM ? 1 : TALLER;
	const top = highest * taller + ROOM_MM;
	const colours = new Map(drawn.map(({ part, firedColour }) => [part.id, firedColour]));
	const shown = { section, colours, taller };
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
	const onMould = section.floor.some((mm) => mm > 0);
	return (
		<div className="grid grid-cols-[5.5rem_minmax(0,1fr)_7.5rem] items-end gap-x-3 gap-y-1.5">
			<span className="text-soft">laid up{turnedOver && <b className="block text-base-content">upside down</b>}</span>
			<svg
				{...frame}
				role="img"
				aria-label={`Section as laid up${turnedOver ? ", upside down" : ""}, ${range(heights)} high`}
				shapeRendering="crispEdges"
			>
				{laid.map((layers, i) =>
					layers.map(({ partId, from, mm }) => (
						<rect
							key={`${partId} ${i}`}
							x={i * section.stepMm}
							y={floor - (from + mm) * taller}
							width={section.stepMm * 1.08}
							height={mm * taller}
							fill={colours.get(partId) ?? "#cccccc"}
						/>
					)),
				)}
				<Silhouette heights={upperMm} stepMm={section.stepMm} floor={floor} taller={taller} />
				<Shelf lengthMm={section.lengthMm} y={floor} />
			</svg>
			<span className="figure text-soft">{range(heights)} high</span>
			<LevelGlyph level={level} label={false} />
			{onMould ? (
				<OnMould
					section={section}
					colours={colours}
					label={`Section after ${LEVEL_WORDS[level]}, on its mould, ${range(section.after)} of glass`}
				/>
			) : (
				<svg
					{...frame}
					role="img"
					aria-label={`Section after ${LEVEL_WORDS[level]}, ${range(section.after)} high`}
					shapeRendering="crispEdges"
				>
					<Walls {...shown} floor={floor} />
					<AfterShapes {...shown} floor={floor} />
					<Silhouette heights={section.after} stepMm={section.stepMm} floor={floor} taller={taller} />
					<Shelf lengthMm={section.lengthMm} y={floor} />
				</svg>
			)}
			<span className="figure">
				<b>{range(section.after)}</b> <span className="text-soft">after {LEVEL_WORDS[level]}</span>
			</span>
			<span className="col-span-3 text-[12px] text-soft">
				Section along the line; heights {taller === 1 ? "true to scale" : `drawn ${TALLER} times as large as widths`}
				{onMould && taller > 1 && ", on the mould true to scale"}. An estimate.
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

/** The glass bent over its mould, true to scale: the mould below, each layer following it. */
function OnMould({
	section,
	colours,
	label,
}: {
	section: Section;
	colours: ReadonlyMap<string, string>;
	label: string;
}) {
	const { floor, after, stepMm, lengthMm } = section;
	const top = Math.max(...floor.map((mm, i) => mm + (after[i] ?? 0))) + 2;
	const low = top + 1;
	const surface = floor.map((mm, i) => `${((i + 0.5) * stepMm).toFixed(2)} ${(top - mm).toFixed(2)}`).join("L");
	const raised = after.map((mm, i) => (mm > 0.05 ? mm + (floor[i] ?? 0) : 0));
	return (
		<svg
			viewBox={`0 0 ${lengthMm} ${low + 1}`}
			className="h-full max-h-20 w-full"
			preserveAspectRatio="xMidYMax meet"
			role="img"
			aria-label={label}
		>
			<path d={`M0 ${low}L${surface}L${lengthMm} ${low}Z`} className="fill-base-content/15" />
			<AfterShapes section={section} colours={colours} floor={top} taller={1} />
			<Silhouette heights={raised} stepMm={stepMm} floor={top} taller={1} />
			<Shelf lengthMm={lengthMm} y={low - 0.4} />
		</svg>
	);
}

interface AfterProps {
	section: Section;
	colours: ReadonlyMap<string, string>;
	floor: number;
	taller: number;
}

/** Walls that stand round the glass while it is fired. */
const Walls = ({ section: { walls, places, stepMm }, colours, floor, taller }: AfterProps) =>
	walls.map((mm, i) => {
		const its = places[i]?.layers.find((layer) => layer.mm === mm);
		return mm > 0 ? (
			<rect
				key={places[i]?.alongMm}
				x={i * stepMm}
				y={floor - mm * taller}
				width={stepMm * 1.08}
				height={mm * taller}
				fill={colours.get(its?.partId ?? "") ?? "#cccccc"}
			/>
		) : null;
	});

/** What the glass has become: each place keeps the shares of its layers, in a body with one soft top. */
function AfterShapes({ section, colours, floor, taller }: AfterProps) {
	const stays = section.places.map(({ layers }) => layers.filter(({ glassMm, keptMm }) => glassMm > 0 || keptMm > 0));
	const filled = stays.flatMap((layers, i) => (layers.some(({ glassMm }) => glassMm > 0) ? [i] : []));
	return section.after.map((height, i) => {
		const place = section.places[i];
		if (!place || height < 0.05) return null;
		const nearest = filled.reduce((best, at) => (Math.abs(at - i) < Math.abs(best - i) ? at : best), filled[0] ?? i);
		const layers = stays[nearest] ?? [];
		const kept = layers.reduce((sum, { keptMm }) => sum + keptMm, 0);
		const total = layers.reduce((sum, { glassMm }) => sum + glassMm, 0) || 1;
		let y = floor - (section.floor[i] ?? 0) * taller;
		return layers.map(({ partId, glassMm, keptMm }) => {
			const mm = keptMm + (Math.max(0, height - kept) * glassMm) / total;
			y -= mm * taller;
			return (
				<rect
					key={`${partId} ${place.alongMm}`}
					x={place.alongMm - section.stepMm / 2}
					y={y}
					width={section.stepMm * 1.08}
					height={mm * taller}
					fill={colours.get(partId) ?? "#cccccc"}
				/>
			);
		});
	});
}

/** The silhouette of all glass, so that clear sheet is seen on a light ground. */
function Silhouette({
	heights,
	stepMm,
	floor,
	taller,
}: {
	heights: readonly number[];
	stepMm: number;
	floor: number;
	taller: number;
}) {
	const d = heights
		.map((mm, i) => `${i === 0 ? "M" : "L"}${(i + 0.5) * stepMm} ${floor - (mm > 0.05 ? mm * taller : 0)}`)
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
