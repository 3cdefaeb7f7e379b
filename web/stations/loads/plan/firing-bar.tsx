import { BAR, type CalendarFrame } from "./scale";

/** What every firing on the calendar has: its hours. Instants ms. */
export interface BarHours {
	startMs: number;
	peakMs: number;
	soakMs: number;
	doneMs: number;
	coolMs: number;
}

export const PHASES = [
	{ name: "heating", className: "fill-[oklch(63%_0.19_45)]" },
	{ name: "peak and soak", className: "fill-[oklch(45%_0.14_38)]" },
	{ name: "slow cooling", className: "fill-[oklch(42%_0.06_215)]" },
	{ name: "shut until cool", className: "fill-[oklch(66%_0.045_215)]" },
] as const;

/** One firing as a bar of four phases, and the line before which it may not be opened. */
export function FiringBar({
	frame,
	top,
	hours,
	isProposal,
	isChosen,
}: {
	frame: CalendarFrame;
	top: number;
	hours: BarHours;
	isProposal: boolean;
	isChosen: boolean;
}) {
	const { x } = frame;
	const ends = [hours.startMs, hours.peakMs, hours.soakMs, hours.doneMs, hours.coolMs];
	const [left, right] = [x(hours.startMs), x(hours.coolMs)];
	return (
		<g>
			{PHASES.map(({ name, className }, i) => {
				const [from, to] = [x(ends[i] ?? 0), x(ends[i + 1] ?? 0)];
				return (
					<rect
						key={name}
						x={from}
						y={top}
						width={Math.max(0, to - from)}
						height={BAR}
						className={className}
						opacity={isProposal ? 0.72 : 1}
					/>
				);
			})}
			<path d={`M${right} ${top - 4}v${BAR + 8}`} className="stroke-base-content" strokeWidth="2" />
			<rect
				x={left - 1}
				y={top - 1}
				width={Math.max(2, right - left + 2)}
				height={BAR + 2}
				fill="none"
				strokeWidth={isChosen ? 3 : 1.2}
				strokeDasharray={isProposal && !isChosen ? "4 3" : undefined}
				className={isChosen ? "stroke-secondary" : "stroke-base-content"}
			/>
		</g>
	);
}
