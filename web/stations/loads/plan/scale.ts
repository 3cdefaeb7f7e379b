import { addDays } from "@core/calendar/days";
import type { Span } from "@core/loading/plan/book";
import { dayOf } from "@formats/time";
import { wallClockMs } from "@formats/wall-clock";
import { scaleLinear } from "d3-scale";

/** The calendar's drawing: its size, and where an instant lies. px */
export interface CalendarFrame {
	x(ms: number): number;
	msAt(x: number): number;
	fromMs: number;
	toMs: number;
	height: number;
	row: number;
	rowTop(kiln: number): number;
	/** Which kiln’s row a height lies in. */
	kilnAt(y: number): number;
	/** Midnights in sight, with their days. */
	days: { day: string; ms: number }[];
}

export const WIDTH = 940;
export const LABEL = 86;
export const TOP = 26;
/** A kiln’s row and its bars, px: taller where there are few kilns. */
const rowPx = (kilns: number): number => (kilns <= 3 ? 118 : 84);
export const BAR = 44;

export function calendarFrame(fromMs: number, days: number, kilns: number, zone: string): CalendarFrame {
	const first = dayOf(new Date(fromMs), zone);
	const all = Array.from({ length: days + 1 }, (_, i) => addDays(first, i));
	const midnights = all.map((day) => ({ day, ms: wallClockMs(day, "00:00", zone) }));
	const start = midnights[0]?.ms ?? fromMs;
	const end = midnights.at(-1)?.ms ?? fromMs;
	const row = rowPx(kilns);
	const scale = scaleLinear([start, end], [LABEL, WIDTH]);
	return {
		x: (ms) => scale(Math.min(end, Math.max(start, ms))),
		msAt: (x) => scale.invert(x),
		fromMs: start,
		toMs: end,
		row,
		height: TOP + kilns * row + 8,
		rowTop: (kiln) => TOP + (row - BAR - 20) / 2 + kiln * row,
		kilnAt: (y) => Math.min(kilns - 1, Math.max(0, Math.floor((y - TOP) / row))),
		days: midnights.slice(0, days),
	};
}

/** What lies between spans, in order. */
export function gapsOf(spans: readonly Span[], from: number, to: number): Span[] {
	const gaps: Span[] = [];
	let at = from;
	for (const span of spans) {
		if (span.from > at) gaps.push({ from: at, to: Math.min(span.from, to) });
		at = Math.max(at, span.to);
	}
	if (at < to) gaps.push({ from: at, to });
	return gaps.filter((gap) => gap.from < gap.to);
}
