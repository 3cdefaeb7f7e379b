import { type Bounds, boundsOf } from "@core/geometry/bounds";
import type { Point } from "@core/geometry/region";
import { ALLOWED_TENSION_PA } from "@core/glass/constants";
import { type DrawnPart, FIBRE_COLOUR } from "@core/kit/drawn";
import type { Finding } from "@core/stack/finding";
import type { Cut } from "@core/stack/section";
import { EVEN_K } from "@core/stack/stress-map";
import type { KitSurvey } from "@core/stack/survey";
import { formatLength, MM_PER_INCH } from "@core/units/length";
import { scaleBarMm } from "@core/units/scale-bar";
import { scaleLinear } from "d3-scale";
import { memo, useMemo } from "react";
import { useFigure, usePrefs } from "../../../lib/prefs";
import { regionPath } from "../../../ui/region-path";

/** Everything is drawn in mm; `px` is how many mm a screen pixel covers. */
interface Sized {
	px: number;
}

export const Grid = memo(function Grid({
	edges,
	px,
}: Sized & { edges: Bounds | Omit<Bounds, "widthMm" | "heightMm"> }) {
	const step = 10 / px >= 9 ? 10 : 50;
	const lines = (from: number, to: number) =>
		Array.from(
			{ length: Math.max(0, Math.floor(to / step) - Math.ceil(from / step) + 1) },
			(_, i) => (Math.ceil(from / step) + i) * step,
		);
	return (
		<g className="stroke-base-content/8" strokeWidth={px}>
			{lines(edges.minX, edges.maxX).map((x) => (
				<path key={`x${x}`} d={`M${x} ${-edges.maxY}V${-edges.minY}`} />
			))}
			{lines(edges.minY, edges.maxY).map((y) => (
				<path key={`y${y}`} d={`M${edges.minX} ${-y}H${edges.maxX}`} />
			))}
		</g>
	);
});

interface ShapeProps extends Sized {
	one: DrawnPart;
	fired: boolean;
	isChosen: boolean;
	/** How far it is dragged, mm; undefined while it lies still, so that a drag draws only what moves. */
	movedX: number | undefined;
	movedY: number | undefined;
}

const PartShape = memo(function PartShape({ one, fired, isChosen, movedX, movedY, px }: ShapeProps) {
	const { part, region, lining, boughtColour, firedColour, clearness } = one;
	const isAid = part.kind === "fibre" || part.kind === "dam";
	const d = useMemo(() => regionPath(region), [region]);
	const lined = useMemo(() => lining && regionPath(lining), [lining]);
	const moved = movedX !== undefined && movedY !== undefined ? `translate(${movedX} ${-movedY})` : undefined;
	const shape = (
		<path
			data-part={part.id}
			d={d}
			fillRule="evenodd"
			fill={fired ? firedColour : boughtColour}
			fillOpacity={isAid ? 0.55 : 1 - clearness}
			className={`cursor-move ${isChosen ? "stroke-secondary" : "stroke-black/40"}`}
			strokeWidth={px * (isChosen ? 2.6 : 0.9)}
			strokeDasharray={isAid ? `${px * 5} ${px * 3}` : undefined}
			transform={moved}
		/>
	);
	if (!lined) return shape;
	return (
		<>
			<path
				d={lined}
				fillRule="evenodd"
				fill={FIBRE_COLOUR}
				className="stroke-black/25"
				strokeWidth={px}
				transform={moved}
			/>
			{shape}
		</>
	);
});

interface ShapesProps extends Sized {
	drawn: readonly DrawnPart[];
	fired: boolean;
	faint: boolean;
	chosen: readonly string[];
	moved: Point | undefined;
}

/** All parts, each drawn anew only when it changes itself. */
export const PartShapes = memo(function PartShapes({ drawn, fired, faint, chosen, moved, px }: ShapesProps) {
	return (
		<g opacity={faint ? 0.25 : 1}>
			{drawn.map((one, i) => {
				const isChosen = chosen.includes(one.part.id);
				return (
					<PartShape
						key={`${one.part.id} ${i}`}
						one={one}
						fired={fired}
						isChosen={isChosen}
						movedX={isChosen ? moved?.x : undefined}
						movedY={isChosen ? moved?.y : undefined}
						px={px}
					/>
				);
			})}
		</g>
	);
});

/** Deep bottle green where glass is thickest, pale where it is thinnest. */
const thicknessColour = (patches: KitSurvey["patches"]) => {
	const all = patches.map(({ mm }) => mm);
	const [least, most] = [Math.min(...all), Math.max(...all)];
	return scaleLinear<string>()
		.domain([least, (least + most) / 2, Math.max(most, least + 0.1)])
		.range(["#d3ebdb", "#62a68d", "#12423a"])
		.clamp(true);
};

export const ThicknessMap = memo(function ThicknessMap({ patches, px }: Sized & { patches: KitSurvey["patches"] }) {
	const colour = thicknessColour(patches);
	return (
		<g pointerEvents="none">
			{patches.map(({ region, mm }, i) => (
				<path
					key={i}
					d={regionPath(region)}
					fillRule="evenodd"
					fill={colour(mm)}
					stroke="#ffffff80"
					strokeWidth={px * 0.6}
				/>
			))}
		</g>
	);
});

/** Pale where hardly anything passes through, dark violet-brown where all that is allowed would. Not the colours of heat. */
const stressColour = scaleLinear<string>().domain([0, 0.5, 1]).range(["#e8e4ee", "#8d7ba6", "#3b2450"]).clamp(true);

const shareOf = (mpa: number): number => mpa / (ALLOWED_TENSION_PA / 1e6);

/** Where unevenness stresses a piece most while it cools. */
export const StressPatches = memo(function StressPatches({
	patches,
	stress,
	px,
}: Sized & { patches: KitSurvey["patches"]; stress: KitSurvey["stress"] }) {
	return (
		<g pointerEvents="none">
			{patches.map(({ region }, i) => (
				<path
					key={i}
					d={regionPath(region)}
					fillRule="evenodd"
					fill={stressColour(shareOf(stress.mpa[i] ?? 0))}
					stroke="#ffffff80"
					strokeWidth={px * 0.6}
				/>
			))}
		</g>
	);
});

/** The stress map in words and figures: how much of what is allowed, where it is most, how the soak evens it out. */
export function StressLegend({ stress }: { stress: KitSurvey["stress"] }) {
	const figure = useFigure();
	const { worst, evening } = stress;
	if (!worst) return null;
	const allowed = ALLOWED_TENSION_PA / 1e6;
	const step = worst.thickMm - worst.thinMm > 0.05;
	return (
		<>
			<ul aria-label="Tension while it cools" className="flex flex-wrap gap-x-3 gap-y-1">
				{[0, allowed / 4, allowed / 2, allowed].map((mpa) => (
					<li key={mpa} className="figure flex items-center gap-1.5">
						<svg width="18" height="12" aria-hidden="true">
							<rect width="18" height="12" fill={stressColour(shareOf(mpa))} className="stroke-base-content/40" />
						</svg>
						{mpa} MPa
					</li>
				))}
			</ul>
			<p className="mt-1">
				At most <b className="figure">{worst.mpa.toFixed(1)} MPa</b> of {allowed} allowed
				{step && `, where ${figure({ mm: worst.thickMm })} meets ${figure({ mm: worst.thinMm })}`}, in the fastest stage
				of its cooling.
			</p>
			{evening && (
				<p className="mt-0.5 text-soft">
					When the soak begins the two are <span className="figure">{figure({ stepC: evening.startK })}</span> apart,
					after <span className="figure">{figure({ min: Math.ceil(evening.evenAfterMin) })}</span> even to{" "}
					{figure({ stepC: EVEN_K })}. The rest of its {figure({ min: evening.soakMin })} is for stress to relax and for
					what lies deeper.
				</p>
			)}
		</>
	);
}

/** The legend of the thickness map: every thickness that occurs, up to six of them. */
export function ThicknessLegend({ patches }: { patches: KitSurvey["patches"] }) {
	const { units } = usePrefs();
	const all = [...new Set(patches.map(({ mm }) => Number(mm.toFixed(1))))].sort((a, b) => a - b);
	const shown =
		all.length <= 6 ? all : Array.from({ length: 6 }, (_, i) => all[Math.round((i * (all.length - 1)) / 5)] as number);
	const colour = thicknessColour(patches);
	return (
		<ul aria-label="Thickness of glass" className="flex flex-wrap gap-x-3 gap-y-1">
			{shown.map((mm) => (
				<li key={mm} className="figure flex items-center gap-1.5">
					<svg width="18" height="12" aria-hidden="true">
						<rect width="18" height="12" fill={colour(mm)} className="stroke-base-content/40" />
					</svg>
					{units.length === "in" ? `${(mm / MM_PER_INCH).toFixed(2)} in` : formatLength(mm, "mm")}
				</li>
			))}
		</ul>
	);
}

export const AfterOutline = memo(function AfterOutline({ after, px }: Sized & { after: KitSurvey["after"] }) {
	return (
		<g
			pointerEvents="none"
			fill="none"
			className="stroke-accent"
			strokeWidth={px * 1.8}
			strokeDasharray={`${px * 6} ${px * 3}`}
		>
			{after.map((region, i) => (
				<path key={i} d={regionPath(region)} />
			))}
		</g>
	);
});

/** How parts hold together: a filled dot where they join, a slit square where only their edges do, an open ring where nothing does. */
export const Joints = memo(function Joints({ joints, px }: Sized & { joints: KitSurvey["joints"] }) {
	return (
		<g pointerEvents="none" strokeWidth={px * 1.5}>
			{joints.map(({ a, b, kind, at }) =>
				kind === "edge" ? (
					<EdgeJoint key={`${a} ${b}`} at={at} px={px} />
				) : (
					<circle
						key={`${a} ${b}`}
						cx={at.x}
						cy={-at.y}
						r={px * (kind === "joined" ? 3 : 4.5)}
						className={kind === "joined" ? "fill-base-content stroke-base-100" : "fill-base-100 stroke-warning"}
					/>
				),
			)}
		</g>
	);
});

function EdgeJoint({ at, px }: Sized & { at: Point }) {
	const half = 4.5 * px;
	return (
		<g>
			<rect
				x={at.x - half}
				y={-at.y - half}
				width={2 * half}
				height={2 * half}
				className="fill-base-100 stroke-base-content"
			/>
			<path d={`M${at.x} ${-at.y - half}v${2 * half}`} className="stroke-base-content" />
		</g>
	);
}

const MARK: Record<Finding["severity"], string> = {
	stop: "stroke-error",
	fix: "stroke-warning",
	know: "stroke-secondary",
};

/** Where findings are: a ring at the worst place and, looked at, at all others; the lines along which parts meet. */
export const FindingMarks = memo(function FindingMarks({
	findings,
	looked,
	px,
}: Sized & { findings: readonly Finding[]; looked: Finding | undefined }) {
	return (
		<g pointerEvents="none" fill="none">
			{findings.map((finding) => {
				const { at, places = [], lines = [], severity, code } = finding;
				const wide = finding === looked;
				if (!wide && severity === "know" && lines.length === 0) return null;
				return (
					<g key={code + (at ? `${at.x} ${at.y}` : "")} className={MARK[severity]} strokeWidth={px * (wide ? 3.5 : 2)}>
						{lines.length > 0 && (
							<path d={regionPath(lines)} strokeDasharray={`${px * 2} ${px * 3}`} strokeLinecap="round" />
						)}
						{wide &&
							places.map((place) => (
								<circle key={`${place.x} ${place.y}`} cx={place.x} cy={-place.y} r={px * 8} strokeWidth={px * 1.5} />
							))}
						{at && (lines.length === 0 || wide) && <circle cx={at.x} cy={-at.y} r={px * (wide ? 15 : 10)} />}
					</g>
				);
			})}
		</g>
	);
});

/** Centre of mass, where it hangs from, and the line between. */
export const HangLine = memo(function HangLine({
	survey,
	loops,
	px,
}: Sized & { survey: KitSurvey; loops: readonly Point[] }) {
	const { hang, centre } = survey.reading;
	if (hang.loops === 0) return null;
	return (
		<g pointerEvents="none" fill="none" className="stroke-secondary" strokeWidth={px * 1.5}>
			{loops.map((loop) => (
				<g key={`${loop.x} ${loop.y}`}>
					<path d={`M${loop.x} ${-loop.y}V${-centre.y}`} strokeDasharray={`${px * 2} ${px * 3}`} />
					<path d={`M${loop.x} ${-loop.y}L${centre.x} ${-centre.y}`} />
				</g>
			))}
			<circle cx={centre.x} cy={-centre.y} r={px * 5} className="fill-base-100" />
			<path d={`M${centre.x - px * 8} ${-centre.y}h${px * 16}M${centre.x} ${-centre.y - px * 8}v${px * 16}`} />
		</g>
	);
});

export const Dimensions = memo(function Dimensions({ box, px }: Sized & { box: Bounds }) {
	const figure = useFigure();
	if (box.widthMm === 0) return null;
	const away = px * 16;
	const left = px * 38;
	return (
		<g pointerEvents="none" className="fill-base-content stroke-base-content/70" strokeWidth={px} fontSize={px * 13}>
			<path
				fill="none"
				d={`M${box.minX} ${-box.minY + away - px * 4}v${px * 8}M${box.minX} ${-box.minY + away}H${box.maxX}m0 ${-px * 4}v${px * 8}`}
			/>
			<text
				stroke="none"
				x={(box.minX + box.maxX) / 2}
				y={-box.minY + away + px * 15}
				textAnchor="middle"
				className="figure"
			>
				{figure({ mm: box.widthMm })}
			</text>
			<path
				fill="none"
				d={`M${box.minX - left - px * 4} ${-box.maxY}h${px * 8}M${box.minX - left} ${-box.maxY}V${-box.minY}m${-px * 4} 0h${px * 8}`}
			/>
			<text
				stroke="none"
				textAnchor="middle"
				className="figure"
				transform={`translate(${box.minX - left - px * 6} ${-(box.minY + box.maxY) / 2}) rotate(-90)`}
			>
				{figure({ mm: box.heightMm })}
			</text>
		</g>
	);
});

export const ScaleBar = memo(function ScaleBar({
	edges,
	px,
}: Sized & { edges: { minX: number; maxX: number; minY: number; maxY: number } }) {
	const figure = useFigure();
	const mm = scaleBarMm(edges.maxX - edges.minX, usePrefs().units.length);
	const [x, y] = [edges.maxX - px * 14 - mm, -edges.minY - px * 12];
	return (
		<g pointerEvents="none" className="fill-base-content stroke-base-content" strokeWidth={px * 1.6}>
			<path fill="none" d={`M${x} ${y - px * 4}v${px * 4}h${mm}v${-px * 4}`} />
			<text stroke="none" fontSize={px * 12} x={x + mm / 2} y={y - px * 6} textAnchor="middle" className="figure">
				{figure({ mm })}
			</text>
		</g>
	);
});

/** The section's line across the plan, with a handle at either end. */
export const SectionLine = memo(function SectionLine({ cut, px }: Sized & { cut: Cut }) {
	const { from, to } = cut;
	return (
		<g className="stroke-secondary">
			<path d={`M${from.x} ${-from.y}L${to.x} ${-to.y}`} strokeWidth={px * 2} pointerEvents="none" />
			<path
				data-section="line"
				d={`M${from.x} ${-from.y}L${to.x} ${-to.y}`}
				stroke="transparent"
				strokeWidth={px * 12}
				className="cursor-grab"
			/>
			{(["from", "to"] as const).map((end) => (
				<circle
					key={end}
					data-section={end}
					cx={cut[end].x}
					cy={-cut[end].y}
					r={px * 7}
					className="cursor-grab fill-base-100"
					strokeWidth={px * 2}
				/>
			))}
			<text
				x={to.x - px * 6}
				y={-to.y - px * 12}
				fontSize={px * 12}
				stroke="none"
				className="fill-secondary font-semibold"
			>
				section
			</text>
		</g>
	);
});

export const boxOfDrawn = (drawn: readonly DrawnPart[]): Bounds => boundsOf(drawn.flatMap(({ region }) => region));
