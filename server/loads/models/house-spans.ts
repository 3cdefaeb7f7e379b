import { type DaySpan, dailySpans, weekSpans } from "@core/calendar/week-spans";
import type { Span } from "@core/loading/plan/book";
import { without } from "@core/loading/plan/spans";
import type { Studio } from "@db/queries/studio";
import { dayOf } from "@formats/time";
import { wallClockMs } from "@formats/wall-clock";

const MINUTE = 60_000;

/** When somebody is there who may load and open, and when kilns may be started, over so many days from now. Instants ms. */
export function houseSpans(
	{ timeZone, customs }: Studio,
	now: Date,
	days: number,
): { there: Span[]; mayStart: Span[] } {
	const today = dayOf(now, timeZone);
	const instantsOf = ({ day, from, to }: DaySpan): Span => {
		const midnight = wallClockMs(day, "00:00", timeZone);
		const at = (minute: number) => {
			if (minute >= 24 * 60) return midnight + minute * MINUTE;
			const [h, m] = [Math.floor(minute / 60), minute % 60];
			return wallClockMs(day, `${h}:${m}`, timeZone);
		};
		return { from: at(from), to: at(to) };
	};
	const there = weekSpans(customs.week, today, days).map(instantsOf);
	const quiet = customs.quiet ? dailySpans(customs.quiet, today, days).map(instantsOf) : [];
	return { there, mayStart: without(there, quiet) };
}
