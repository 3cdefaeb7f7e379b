import { formatMinutes } from "@core/units/duration";
import { line } from "d3-shape";
import { memo } from "react";
import { usePrefs } from "../../lib/prefs";
import { temperatureTicks } from "../../lib/temperature-ticks";
import { type ChartFrame, LEFT, STRIP_PX, STRIP_STEP_PX } from "./frame-of";
import { type ChartPoint, type ChartStrip, type CurveSeries, DASH, STROKE, WIDTH } from "./series";
import { Strip } from "./strip";

interface Framed {
	frame: ChartFrame;
}

/** A letter's width, px: a name is written where it has room. */
const LETTER_PX = 6.4;

/** The phases of a schedule, named where there is room. */
export const Bands = memo(function Bands({
	frame: { x, right, bottom },
	bands,
}: Framed & { bands: readonly { fromS: number; toS: number; name: string }[] }) {
	return bands.map(({ fromS, toS, name }, i) => {
		const [from, to] = [Math.max(x(fromS), LEFT), Math.min(x(toS), right)];
		return (
			<g key={`${name}${fromS}`}>
				<rect
					x={x(fromS)}
					y={14}
					width={Math.max(0, x(toS) - x(fromS))}
					height={bottom - 14}
					className={i % 2 === 0 ? "fill-base-content/4" : "fill-transparent"}
				/>
				{to - from > name.length * LETTER_PX && (
					<text x={(from + to) / 2} y={bottom - 6} textAnchor="middle" className="fill-soft text-[11px]">
						{name}
					</text>
				)}
			</g>
		);
	});
});

/** Degrees on the left, hours below. */
export const Axes = memo(function Axes({ frame: { x, y, right, height, hours, stepH } }: Framed) {
	const { units } = usePrefs();
	return (
		<>
			{temperatureTicks(y.domain(), 5, units.temperature).map(({ c, label }) => (
				<g key={c}>
					<path d={`M${LEFT} ${y(c)}H${right}`} className="stroke-line" />
					<text x={LEFT - 6} y={y(c) + 4} textAnchor="end" className="figure fill-soft text-[11px]">
						{label}
					</text>
				</g>
			))}
			{hours.map((hour) => (
				<text key={hour} x={x(hour * 3600)} y={height - 6} textAnchor="middle" className="figure fill-soft text-[11px]">
					{stepH < 1 ? formatMinutes(hour * 60) : `${hour} h`}
				</text>
			))}
		</>
	);
});

/** Every line, and the strips below. */
export const Curves = memo(function Curves({
	frame: { x, y, height, right },
	series,
	strips,
}: Framed & { series: readonly CurveSeries[]; strips: readonly ChartStrip[] }) {
	const path = line<ChartPoint>()
		.defined(({ c }) => c !== null)
		.x(({ s }) => x(s))
		.y(({ c }) => y(c ?? 0));
	return (
		<>
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
					x={x}
					top={height + i * STRIP_STEP_PX}
					height={STRIP_PX}
					left={LEFT}
					right={right}
				/>
			))}
		</>
	);
});

interface MarkProps extends Framed {
	s: number;
	word: string;
	className: string;
	dash?: string;
	end?: boolean;
}

/** An instant with its word: now, open. */
export function Mark({ s, word, frame: { x, bottom }, className, dash, end }: MarkProps) {
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

/** Which line is which. */
export const Legend = memo(function Legend({ series }: { series: readonly CurveSeries[] }) {
	return series.map(({ name, kind }) => (
		<span key={name} className="inline-flex items-center gap-1.5">
			<svg width="22" height="6" aria-hidden="true">
				<path d="M0 3H22" strokeDasharray={DASH[kind]} strokeWidth={WIDTH(kind)} className={STROKE[kind]} />
			</svg>
			{name}
		</span>
	));
});
