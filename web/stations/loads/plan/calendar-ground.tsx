import type { ClosedKiln, Span } from "@core/loading/plan/book";
import { dayWords } from "@formats/time";
import { memo } from "react";
import { usePrefs } from "../../../lib/prefs";
import { BAR, type CalendarFrame, gapsOf, LABEL, TOP, WIDTH } from "./scale";

/** Days, hours with nobody there, and a line for every kiln. */
export const CalendarGround = memo(function CalendarGround({
	frame,
	there,
	kilns,
	closed,
	nowMs,
}: {
	frame: CalendarFrame;
	there: readonly Span[];
	kilns: readonly { id: string; name: string }[];
	closed: readonly ClosedKiln[];
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
			{closed.map((one) => (
				<Closed key={one.kilnId} closed={one} frame={frame} row={kilns.findIndex(({ id }) => id === one.kilnId)} />
			))}
			<path d={`M${Math.max(LABEL, x(nowMs))} ${TOP - 4}V${height}`} className="stroke-accent" strokeWidth="2" />
		</g>
	);
});

/** Days that nobody fires a kiln, with the reason. */
function Closed({ closed, frame, row }: { closed: ClosedKiln; frame: CalendarFrame; row: number }) {
	const { x, fromMs, toMs, rowTop } = frame;
	const [from, to] = [Math.max(closed.from, fromMs), Math.min(closed.to ?? toMs, toMs)];
	if (row < 0 || from >= to) return null;
	const top = rowTop(row);
	return (
		<g>
			<rect
				x={x(from)}
				y={top - 6}
				width={x(to) - x(from)}
				height={BAR + 12}
				className="fill-warning/25 stroke-warning"
			/>
			<text
				x={x(to) - 6}
				y={top + BAR / 2 + 4}
				textAnchor="end"
				className="fill-base-content text-[12px] font-semibold"
			>
				out of service{closed.why && `: ${closed.why}`}
			</text>
		</g>
	);
}
