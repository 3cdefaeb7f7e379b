import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import type { ChartStrip } from "./series";

interface Props {
	strip: ChartStrip;
	x(s: number): number;
	top: number;
	height: number;
	left: number;
	right: number;
}

/** One quantity below the curve. */
export function Strip({ strip, x, top, height, left, right }: Props) {
	const { name, points, unit, from, to, lines } = strip;
	const shown = strip.scale === "log" ? Math.log10 : (v: number) => v;
	const scale = scaleLinear([shown(from), shown(to)], [top + height - 3, top + 15]).clamp(true);
	const y = (v: number) => scale(shown(v));
	const path = line<{ s: number; v: number }>()
		.x(({ s }) => x(s))
		.y(({ v }) => y(v));
	return (
		<g>
			<rect x={left} y={top} width={right - left} height={height} className="fill-base-content/4" />
			{lines.map(({ at, word }, i) => (
				<g key={word}>
					<path d={`M${left} ${y(at)}H${right}`} className="stroke-line" strokeDasharray="2 3" />
					<text x={right - 3 - i * 34} y={y(at) - 2} textAnchor="end" className="fill-soft text-[10px]">
						{word}
					</text>
				</g>
			))}
			<path d={path([...points]) ?? ""} fill="none" className="stroke-secondary" strokeWidth="1.6" />
			<text x={left + 4} y={top + 11} className="fill-base-content text-[11px] font-semibold">
				{name}
				<tspan className="fill-soft font-normal">{unit && `, ${unit}`}</tspan>
			</text>
		</g>
	);
}
