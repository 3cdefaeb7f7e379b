import { dayAndClock } from "@formats/time";
import { scaleLinear } from "d3-scale";
import { area } from "d3-shape";
import { utcTicks } from "d3-time";
import { useState } from "react";
import { useView } from "../../lib/api";
import { useFigure, usePrefs } from "../../lib/prefs";
import { temperatureTicks } from "../../lib/temperature-ticks";

const DAY_MS = 86_400_000;
const RANGES = [
	{ days: 1, label: "a day" },
	{ days: 7, label: "a week" },
	{ days: 30, label: "a month" },
	{ days: 182, label: "half a year" },
] as const;
const [W, H, LEFT, FOOT] = [900, 190, 44, 22];

/** Everything that was read from a kiln, thinned on the server; where nothing was read nothing is drawn. */
export function RecordChart({ kilnId, record }: { kilnId: string; record: { from: string; to: string } }) {
	const { units, timeZone } = usePrefs();
	const figure = useFigure();
	const [days, setDays] = useState<number>(30);
	const [endMs, setEndMs] = useState(() => Date.parse(record.to));
	const fromMs = endMs - days * DAY_MS;
	const { data, isPlaceholderData } = useView("kilnRecord", {
		id: kilnId,
		from: new Date(fromMs).toISOString(),
		to: new Date(endMs).toISOString(),
	});
	const points = data?.points ?? [];
	const x = scaleLinear([fromMs, endMs], [LEFT, W - 6]);
	const topC = points.reduce((most, { highC }) => Math.max(most, highC), 100);
	const y = scaleLinear([0, topC * 1.05], [H - FOOT, 8]);
	const stepMs = Math.max((days * DAY_MS) / 700, 60_000);
	const rows = points.flatMap(({ at, lowC, highC }, i) => {
		const ms = Date.parse(at);
		const before = points[i - 1];
		const gap = before && ms - Date.parse(before.at) > Math.max(2.5 * stepMs, 1_300_000);
		return [...(gap ? [{ ms: ms - 1, lowC, highC, gap: true }] : []), { ms, lowC, highC, gap: false }];
	});
	const band = area<(typeof rows)[number]>()
		.defined(({ gap }) => !gap)
		.x(({ ms }) => x(ms))
		.y0(({ lowC }) => y(lowC) + 0.6)
		.y1(({ highC }) => y(highC) - 0.6);
	const move = (by: number) => setEndMs((ms) => Math.min(Date.parse(record.to), ms + by * days * DAY_MS));
	return (
		<section aria-label="Readings">
			<div className="mb-1 flex flex-wrap items-center gap-1.5">
				<h2 className="mr-2">Everything that was read</h2>
				{RANGES.map(({ days: length, label }) => (
					<button
						key={length}
						type="button"
						aria-pressed={length === days}
						className={`btn btn-sm max-lg:h-11 ${length === days ? "btn-secondary" : "btn-ghost"}`}
						onClick={() => setDays(length)}
					>
						{label}
					</button>
				))}
				<span className="ml-auto flex gap-1">
					<button
						type="button"
						className="btn btn-ghost btn-sm max-lg:h-11"
						disabled={fromMs <= Date.parse(record.from)}
						onClick={() => move(-0.7)}
					>
						earlier
					</button>
					<button
						type="button"
						className="btn btn-ghost btn-sm max-lg:h-11"
						disabled={endMs >= Date.parse(record.to)}
						onClick={() => move(0.7)}
					>
						later
					</button>
				</span>
			</div>
			<svg
				viewBox={`0 0 ${W} ${H}`}
				className={`block w-full ${isPlaceholderData ? "opacity-50" : ""}`}
				role="img"
				aria-label={`Measured temperature from ${dayAndClock(new Date(fromMs), timeZone)} to ${dayAndClock(new Date(endMs), timeZone)}, at most ${figure({ c: topC })}`}
			>
				{temperatureTicks(y.domain(), 4, units.temperature).map(({ c, label }) => (
					<g key={c}>
						<path d={`M${LEFT} ${y(c)}H${W - 6}`} className="stroke-line" />
						<text x={LEFT - 6} y={y(c) + 4} textAnchor="end" className="figure fill-soft text-[11px]">
							{label}
						</text>
					</g>
				))}
				{utcTicks(new Date(fromMs), new Date(endMs), 8).map((at) => (
					<text
						key={at.getTime()}
						x={x(at)}
						y={H - 5}
						textAnchor={x(at) > W - 30 ? "end" : "middle"}
						className="figure fill-soft text-[11px]"
					>
						{dayAndClock(at, timeZone).slice(0, days > 3 ? -6 : undefined)}
					</text>
				))}
				<path d={band(rows) ?? ""} className="fill-accent/70 stroke-accent" strokeWidth="0.8" />
			</svg>
			<p className="text-soft">
				{data === undefined
					? "Reading the record …"
					: points.length === 0
						? "Nothing was read in this time."
						: `${points.length} stretches, each from its lowest to its highest reading. Empty: nothing was read.`}
			</p>
		</section>
	);
}
