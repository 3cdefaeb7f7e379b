import type { Span } from "@core/loading/plan/book";
import { dayWords } from "@formats/time";
import { memo } from "react";
import { usePrefs } from "../../../lib/prefs";
import { type CalendarFrame, gapsOf, LABEL, TOP, WIDTH } from "./scale";

/** Days, hours with nobody there, and a line for every kiln. */
export const CalendarGround = memo(function CalendarGround({
	frame,
	there,
	kilns,
	nowMs,
}: {
	frame: CalendarFrame;
	there: readonly Span[];
	kilns: readonly { id: string; name: string }[];
	nowMs: number;
}) {
	const { timeZone } = usePrefs();
	const { x, fromMs, toMs, height, days, row } = frame;
	return (
		<g>
			{gapsOf(there, fromMs, toMs).map(({ from, to }) => (
				<rect
					key={from}
					x={x(from)}
					y={TOP}
					width={x(to) - x(from)}
					height={height - TOP}
					className="fill-base-content/8"
				/>
			))}
			{days.map(({ day, ms }) => (
				<g key={day}>
					<path d={`M${x(ms)} ${TOP - 6}V${height}`} className="stroke-line" />
					<text x={x(ms) + 4} y={TOP - 10} className="figure fill-base-content text-[12px] font-semibold">
						{dayWords(day, new Date(nowMs), timeZone).split(" ").slice(0, 2).join(" ")}
					</text>
				</g>
			))}
			{kilns.map(({ id, name }, i) => (
				<g key={id}>
					<path d={`M0 ${TOP + (i + 1) * row}H${WIDTH}`} className="stroke-line" />
					<text x={0} y={TOP + (i + 0.5) * row} className="fill-base-content text-[13px] font-bold">
						{name.length > 12 ? `${name.slice(0, 11)}…` : name}
						<title>{name}</title>
					</text>
				</g>
			))}
			<path d={`M${Math.max(LABEL, x(nowMs))} ${TOP - 4}V${height}`} className="stroke-accent" strokeWidth="2" />
		</g>
	);
});
