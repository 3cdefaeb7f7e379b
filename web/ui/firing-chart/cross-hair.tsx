import { formatMinutes } from "@core/units/duration";
import { useEffect, useMemo, useState } from "react";
import { useFigure } from "../../lib/prefs";
import { type ChartFrame, STRIP_STEP_PX } from "./frame-of";
import { type ChartStrip, type CurveSeries, valueAt } from "./series";

interface Props {
	/** The drawing it goes over. */
	svg: React.RefObject<SVGSVGElement | null>;
	frame: ChartFrame;
	series: readonly CurveSeries[];
	strips: readonly ChartStrip[];
	clockOf?: ((s: number) => string) | undefined;
}

/** Room that the words beside it take, px. */
const WORDS_PX = 190;

/** Follows the pointer with the figures of every line at that time. It alone is drawn when the pointer moves. */
export function CrossHair({ svg, frame, series, strips, clockOf }: Props) {
	const figure = useFigure();
	const s = usePointedS(svg, frame);
	const lines = useMemo(
		() => series.map(({ name, points }) => ({ name, points: points.map(({ s, c }) => ({ s, v: c })) })),
		[series],
	);
	if (s === null) return null;
	const { x, right, wholeHeight, height } = frame;
	const aside = x(s) > right - WORDS_PX ? -8 : 8;
	const clock = clockOf?.(s);
	const rows = lines.flatMap(({ name, points }) => {
		const c = valueAt(points, s);
		return c === undefined ? [] : [`${name} ${figure({ c })}`];
	});
	const words = (text: string, y: number) => (
		<text
			key={`${y}${text}`}
			x={x(s) + aside}
			y={y}
			textAnchor={aside < 0 ? "end" : "start"}
			className="figure pointer-events-none fill-base-content stroke-base-200 text-[12px] font-semibold [paint-order:stroke]"
			strokeWidth="3"
		>
			{text}
		</text>
	);
	return (
		<g className="pointer-events-none">
			<path d={`M${x(s)} 14V${wholeHeight}`} className="stroke-soft" />
			{[clock ? `${formatMinutes(s / 60)}, ${clock}` : formatMinutes(s / 60), ...rows].map((text, i) =>
				words(text, 40 + i * 15),
			)}
			{strips.map((strip, i) => {
				const v = valueAt(strip.points, s);
				return v === undefined
					? null
					: words(`${v.toFixed(strip.digits)} ${strip.unit}`.trim(), height + i * STRIP_STEP_PX + 26);
			})}
		</g>
	);
}

/** The time under the pointer, s; null outside of the lines. */
function usePointedS(svg: Props["svg"], frame: ChartFrame): number | null {
	const [s, setS] = useState<number | null>(null);
	useEffect(() => {
		const drawing = svg.current;
		if (!drawing) return;
		const move = ({ clientX }: PointerEvent) => {
			const { left, width } = drawing.getBoundingClientRect();
			const at = frame.x.invert(((clientX - left) / width) * frame.width);
			setS(at >= Math.max(0, frame.fromS) && at <= Math.min(frame.endS, frame.toS) ? at : null);
		};
		const leave = () => setS(null);
		drawing.addEventListener("pointermove", move);
		drawing.addEventListener("pointerleave", leave);
		return () => {
			drawing.removeEventListener("pointermove", move);
			drawing.removeEventListener("pointerleave", leave);
		};
	}, [svg, frame]);
	return s;
}
