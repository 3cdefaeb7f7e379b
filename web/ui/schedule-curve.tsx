import type { Curve, CurvePoint } from "@core/firing/curve";
import { temperatureOf } from "@core/firing/curve";
import { formatMinutes } from "@core/units/duration";
import { fahrenheit } from "@core/units/temperature";
import { scaleLinear } from "d3-scale";
import { line } from "d3-shape";
import { useId, useState } from "react";
import { useFigure, usePrefs } from "../lib/prefs";

export interface CurveSeries {
	name: string;
	points: Curve;
	kind: "plan" | "simulated" | "core" | "measured";
}

interface Props {
	series: readonly CurveSeries[];
	width: number;
	height: number;
	/** Seconds into the firing, for the mark of now. */
	nowS?: number;
	/** When it may be opened, s. */
	openS?: number;
	bands?: readonly { fromS: number; toS: number; name: string }[];
	summary: string;
}

const STROKE = {
	plan: "stroke-base-content",
	simulated: "stroke-secondary",
	core: "stroke-warning",
	measured: "stroke-accent",
} as const;
const DASH = { plan: undefined, simulated: "4 3", core: "1.5 3", measured: undefined } as const;

/** Plan, simulation and measurement on one time axis, with a cross-hair, named phases and a table of the same figures. */
export function ScheduleCurve({ series, width, height, nowS, openS, bands = [], summary }: Props) {
	const { units } = usePrefs();
	const figure = useFigure();
	const [crossS, setCrossS] = useState<number | null>(null);
	const titleId = useId();
	const all = series.flatMap(({ points }) => points);
	const endS = Math.max(openS ?? 0, ...all.map(({ s }) => s), 3600);
	const topC = Math.max(...all.map(({ c }) => c), 100);
	const [left, bottom] = [44, 24];
	const x = scaleLinear([0, endS], [left, width - 10]);
	const y = scaleLinear([0, topC * 1.06], [height - bottom, 14]);
	const path = line<CurvePoint>()
		.x(({ s }) => x(s))
		.y(({ c }) => y(c));
	const shown = (c: number) => Math.round(units.temperature === "F" ? fahrenheit(c) : c);
	const hourStep = [1, 2, 4, 6, 12, 24].find((hours) => endS / 3600 / hours <= 9) ?? 24;
	const hours = Array.from({ length: Math.floor(endS / 3600 / hourStep) + 1 }, (_, i) => i * hourStep);
	const aside = crossS !== null && x(crossS) > width - 190 ? -8 : 8;
	return (
		<figure className="m-0">
			<svg
				viewBox={`0 0 ${width} ${height}`}
				className="block w-full touch-none select-none"
				role="img"
				aria-labelledby={titleId}
				onPointerMove={(event) => {
					const box = event.currentTarget.getBoundingClientRect();
					const s = x.invert(((event.clientX - box.left) / box.width) * width);
					setCrossS(s >= 0 && s <= endS ? s : null);
				}}
				onPointerLeave={() => setCrossS(null)}
			>
				<title id={titleId}>{summary}</title>
				{bands.map(({ fromS, toS, name }, i) => (
					<g key={`${name}${fromS}`}>
						<rect
							x={x(fromS)}
							y={14}
							width={Math.max(0, x(toS) - x(fromS))}
							height={height - bottom - 14}
							className={i % 2 === 0 ? "fill-base-content/4" : "fill-transparent"}
						/>
						{x(toS) - x(fromS) > name.length * 6.4 && (
							<text
								x={(x(fromS) + x(toS)) / 2}
								y={height - bottom - 6}
								textAnchor="middle"
								className="fill-soft text-[11px]"
							>
								{name}
							</text>
						)}
					</g>
				))}
				{y.ticks(5).map((c) => (
					<g key={c}>
						<path d={`M${left} ${y(c)}H${width - 10}`} className="stroke-line" />
						<text x={left - 6} y={y(c) + 4} textAnchor="end" className="figure fill-soft text-[11px]">
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
						{hour} h
					</text>
				))}
				{series.map(({ name, points, kind }) => (
					<path
						key={name}
						d={path([...points]) ?? ""}
						fill="none"
						strokeDasharray={DASH[kind]}
						strokeWidth={kind === "measured" ? 2.6 : 1.6}
						className={STROKE[kind]}
					/>
				))}
				{openS !== undefined && (
					<g>
						<path d={`M${x(openS)} ${14}V${height - bottom}`} className="stroke-base-content" strokeDasharray="2 3" />
						<text x={x(openS) - 5} y={24} textAnchor="end" className="fill-base-content text-[11px] font-semibold">
							open
						</text>
					</g>
				)}
				{nowS !== undefined && nowS > 0 && nowS < endS && (
					<g>
						<path d={`M${x(nowS)} 14V${height - bottom}`} className="stroke-accent" strokeWidth="1.4" />
						<text x={x(nowS) + 4} y={24} className="fill-accent text-[11px] font-bold">
							now
						</text>
					</g>
				)}
				{crossS !== null && (
					<g className="pointer-events-none">
						<path d={`M${x(crossS)} 14V${height - bottom}`} className="stroke-soft" />
						{[
							{ name: formatMinutes(crossS / 60), text: "" },
							...series.map(({ name, points }) => ({ name, text: figure({ c: temperatureOf(points, crossS) }) })),
						].map(({ name, text }, i) => (
							<text
								key={name}
								x={x(crossS) + aside}
								y={40 + i * 15}
								textAnchor={aside < 0 ? "end" : "start"}
								className="figure fill-base-content stroke-base-200 text-[12px] font-semibold [paint-order:stroke]"
								strokeWidth="3"
							>
								{text ? `${name} ${text}` : name}
							</text>
						))}
					</g>
				)}
			</svg>
			<figcaption className="mt-1 flex flex-wrap gap-x-4 text-soft">
				{series.map(({ name, kind }) => (
					<span key={name} className="inline-flex items-center gap-1.5">
						<svg width="22" height="6" aria-hidden="true">
							<path
								d="M0 3H22"
								strokeDasharray={DASH[kind]}
								strokeWidth={kind === "measured" ? 2.6 : 1.6}
								className={STROKE[kind]}
							/>
						</svg>
						{name}
					</span>
				))}
				<details className="grow">
					<summary className="cursor-pointer text-right">figures as a table</summary>
					<table className="figure mt-1 w-full text-right">
						<thead>
							<tr>
								<th scope="col">time</th>
								{series.map(({ name }) => (
									<th key={name} scope="col">
										{name}
									</th>
								))}
							</tr>
						</thead>
						<tbody>
							{hours.map((hour) => (
								<tr key={hour}>
									<th scope="row">{hour} h</th>
									{series.map(({ name, points }) => (
										<td key={name}>{figure({ c: temperatureOf(points, hour * 3600) })}</td>
									))}
								</tr>
							))}
						</tbody>
					</table>
				</details>
			</figcaption>
		</figure>
	);
}
