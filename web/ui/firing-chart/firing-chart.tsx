import { formatMinutes } from "@core/units/duration";
import { fahrenheit } from "@core/units/temperature";
import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import { Maximize2, ZoomIn, ZoomOut } from "lucide-react";
import { useId, useRef, useState } from "react";
import { useFigure, usePrefs } from "../../lib/prefs";
import { FiguresTable } from "./figures-table";
import { type ChartHandle, Handles } from "./handles";
import { type ChartPoint, type ChartStrip, type CurveSeries, DASH, STROKE, valueAt, WIDTH } from "./series";
import { Strip } from "./strip";
import { useZoom } from "./use-zoom";

interface Props {
	series: readonly CurveSeries[];
	width: number;
	height: number;
	/** Seconds into the firing, for the mark of now. */
	nowS?: number | undefined;
	/** When it may be opened, s. */
	openS?: number | undefined;
	bands?: readonly { fromS: number; toS: number; name: string }[];
	strips?: readonly ChartStrip[];
	handles?: readonly ChartHandle[];
	/** Time can be zoomed and panned. */
	zoomable?: boolean;
	/** What the wall's clock says at a time of the axis. */
	clockOf?: ((s: number) => string) | undefined;
	summary: string;
}

const STRIP_PX = 44;
const LEFT = 44;
const RIGHT_GAP = 10;

/** Plan, simulation and measurement on one time axis, with a cross-hair, named phases and a table of the same figures. */
export function FiringChart(props: Props) {
	const {
		series,
		width,
		height,
		nowS,
		openS,
		bands = [],
		strips = [],
		handles = [],
		zoomable = false,
		summary,
	} = props;
	const { units } = usePrefs();
	const [crossS, setCrossS] = useState<number | null>(null);
	const svg = useRef<SVGSVGElement>(null);
	const ids = useId();
	const { transform, wake, by, whole } = useZoom(svg, width, height, zoomable);
	const endS = series.reduce((most, { points }) => Math.max(most, points.at(-1)?.s ?? 0), Math.max(openS ?? 0, 3600));
	const topC = series.reduce((most, { points }) => points.reduce((high, { c }) => Math.max(high, c ?? 0), most), 100);
	const right = width - RIGHT_GAP;
	const bottom = height - 24;
	const time = scaleLinear([0, endS], [LEFT, right]);
	const x = transform ? transform.rescaleX(time) : time;
	const y = scaleLinear([0, topC * 1.06], [bottom, 14]);
	const whole_ = height + strips.length * (STRIP_PX + 6);
	const path = line<ChartPoint>()
		.defined(({ c }) => c !== null)
		.x(({ s }) => x(s))
		.y(({ c }) => y(c ?? 0));
	const shown = (c: number) => Math.round(units.temperature === "F" ? fahrenheit(c) : c);
	const [fromS, toS] = x.domain() as [number, number];
	const stepH = [1 / 6, 0.5, 1, 2, 4, 6, 12, 24, 48, 96].find((hours) => (toS - fromS) / 3600 / hours <= 9) ?? 240;
	const hours: number[] = [];
	for (let h = Math.ceil(fromS / 3600 / stepH) * stepH; h * 3600 <= toS; h += stepH) hours.push(h);
	const at = (event: React.PointerEvent) => {
		const box = (svg.current as SVGSVGElement).getBoundingClientRect();
		return {
			s: x.invert(((event.clientX - box.left) / box.width) * width),
			c: y.invert(((event.clientY - box.top) / box.height) * whole_),
		};
	};
	const clipped = `url(#${ids}clip)`;
	return (
		<figure className="m-0">
			<div className="relative">
				<svg
					ref={svg}
					viewBox={`0 0 ${width} ${whole_}`}
					className={`block w-full select-none ${zoomable || handles.length > 0 ? "touch-none" : ""}`}
					role={handles.length > 0 ? "group" : "img"}
					aria-labelledby={`${ids}title`}
					onPointerEnter={wake}
					onPointerMove={(event) => {
						const { s } = at(event);
						setCrossS(s >= Math.max(0, fromS) && s <= Math.min(endS, toS) ? s : null);
					}}
					onPointerLeave={() => setCrossS(null)}
				>
					<title id={`${ids}title`}>{summary}</title>
					<clipPath id={`${ids}clip`}>
						<rect x={LEFT} y="0" width={right - LEFT} height={whole_} />
					</clipPath>
					<g clipPath={clipped}>
						{bands.map(({ fromS: from, toS: to, name }, i) => (
							<g key={`${name}${from}`}>
								<rect
									x={x(from)}
									y={14}
									width={Math.max(0, x(to) - x(from))}
									height={bottom - 14}
									className={i % 2 === 0 ? "fill-base-content/4" : "fill-transparent"}
								/>
								{Math.min(x(to), right) - Math.max(x(from), LEFT) > name.length * 6.4 && (
									<text
										x={(Math.max(x(from), LEFT) + Math.min(x(to), right)) / 2}
										y={bottom - 6}
										textAnchor="middle"
										className="fill-soft text-[11px]"
									>
										{name}
									</text>
								)}
							</g>
						))}
					</g>
					{y.ticks(5).map((c) => (
						<g key={c}>
							<path d={`M${LEFT} ${y(c)}H${right}`} className="stroke-line" />
							<text x={LEFT - 6} y={y(c) + 4} textAnchor="end" className="figure fill-soft text-[11px]">
								{shown(c)}°
							</text>
						</g>
					))}
					{hours.map((hour) => (
						<text
							key={hour}
							x={x(hour * 3600)}
							y={height - 6}
							textAnchor="middle"
							className="figure fill-soft text-[11px]"
						>
							{stepH < 1 ? formatMinutes(hour * 60) : `${hour} h`}
						</text>
					))}
					<g clipPath={clipped}>
						{series.map(({ name, points, kind }) => (
							<path
								key={name}
								d={path([...points]) ?? ""}
								fill="none"
								strokeDasharray={DASH[kind]}
								strokeWidth={WIDTH(kind)}
								className={STROKE[kind]}
							/>
						))}
						{strips.map((strip, i) => (
							<Strip
								key={strip.name}
								strip={strip}
								x={(s) => x(s)}
								top={height + i * (STRIP_PX + 6)}
								height={STRIP_PX}
								left={LEFT}
								right={right}
							/>
						))}
						{openS !== undefined && (
							<Mark s={openS} word="open" x={x} bottom={bottom} className="stroke-base-content" dash="2 3" end />
						)}
						{nowS !== undefined && nowS > 0 && nowS < endS && (
							<Mark s={nowS} word="now" x={x} bottom={bottom} className="stroke-accent" />
						)}
						{crossS !== null && (
							<CrossHair {...props} strips={strips} s={crossS} x={x} bottom={whole_} right={right} top={height} />
						)}
						<Handles handles={handles} x={(s) => x(s)} y={(c) => y(c)} at={at} />
					</g>
				</svg>
				{zoomable && (
					<div className="no-print absolute -top-5 right-1 flex gap-0.5">
						<ZoomButton label="Zoom in" onPress={() => by(2)}>
							<ZoomIn size={15} />
						</ZoomButton>
						<ZoomButton label="Zoom out" onPress={() => by(0.5)}>
							<ZoomOut size={15} />
						</ZoomButton>
						{transform && (
							<ZoomButton label="Whole firing" onPress={whole}>
								<Maximize2 size={15} />
							</ZoomButton>
						)}
					</div>
				)}
			</div>
			<figcaption className="mt-1 flex flex-wrap gap-x-4 text-soft">
				{series.map(({ name, kind }) => (
					<span key={name} className="inline-flex items-center gap-1.5">
						<svg width="22" height="6" aria-hidden="true">
							<path d="M0 3H22" strokeDasharray={DASH[kind]} strokeWidth={WIDTH(kind)} className={STROKE[kind]} />
						</svg>
						{name}
					</span>
				))}
				<FiguresTable series={series} strips={strips} hours={hours} />
			</figcaption>
		</figure>
	);
}

function ZoomButton({ label, onPress, children }: { label: string; onPress(): void; children: React.ReactNode }) {
	return (
		<button
			type="button"
			className="btn btn-ghost btn-sm btn-square max-lg:size-11"
			aria-label={label}
			title={label}
			onClick={onPress}
		>
			{children}
		</button>
	);
}

interface MarkProps {
	s: number;
	word: string;
	x(s: number): number;
	bottom: number;
	className: string;
	dash?: string;
	end?: boolean;
}

function Mark({ s, word, x, bottom, className, dash, end }: MarkProps) {
	return (
		<g>
			<path d={`M${x(s)} 14V${bottom}`} className={className} strokeDasharray={dash} strokeWidth="1.4" />
			<text
				x={x(s) + (end ? -5 : 4)}
				y={24}
				textAnchor={end ? "end" : "start"}
				className={`text-[11px] font-bold ${end ? "fill-base-content" : "fill-accent"}`}
			>
				{word}
			</text>
		</g>
	);
}

/** The figures of every line at one time, written beside it. */
function CrossHair(props: {
	series: readonly CurveSeries[];
	strips: readonly ChartStrip[];
	clockOf?: ((s: number) => string) | undefined;
	s: number;
	x(s: number): number;
	bottom: number;
	right: number;
	top: number;
}) {
	const { series, strips, clockOf, s, x, bottom, right, top } = props;
	const figure = useFigure();
	const aside = x(s) > right - 190 ? -8 : 8;
	const value = (points: readonly ChartPoint[]) =>
		valueAt(
			points.map((point) => ({ s: point.s, v: point.c })),
			s,
		);
	const rows = series.flatMap(({ name, points }) => {
		const c = value(points);
		return c === undefined ? [] : [`${name} ${figure({ c })}`];
	});
	const clock = clockOf?.(s);
	const text =
		"figure pointer-events-none fill-base-content stroke-base-200 text-[12px] font-semibold [paint-order:stroke]";
	const words = (line: string, y: number) => (
		<text
			key={`${y}${line}`}
			x={x(s) + aside}
			y={y}
			textAnchor={aside < 0 ? "end" : "start"}
			className={text}
			strokeWidth="3"
		>
			{line}
		</text>
	);
	return (
		<g className="pointer-events-none">
			<path d={`M${x(s)} 14V${bottom}`} className="stroke-soft" />
			{[clock ? `${formatMinutes(s / 60)}, ${clock}` : formatMinutes(s / 60), ...rows].map((line, i) =>
				words(line, 40 + i * 15),
			)}
			{strips.map((strip, i) => {
				const v = valueAt(strip.points, s);
				return v === undefined
					? null
					: words(`${v.toFixed(strip.digits)} ${strip.unit}`.trim(), top + i * (STRIP_PX + 6) + 26);
			})}
		</g>
	);
}
