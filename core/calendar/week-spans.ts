import { addDays, type Day, weekday } from "./days";
import { minuteOf, type Span, type Week } from "./house-hours";

/** A stretch of a day: minutes from its midnight; over 1440 where it runs into the next. */
export interface DaySpan {
	day: Day;
	from: number;
	to: number;
}

const DAY_MIN = 24 * 60;

/** When somebody is there on so many days from one on, by the week's hours. */
export const weekSpans = (week: Week, from: Day, days: number): DaySpan[] =>
	Array.from({ length: days }, (_, ahead) => addDays(from, ahead)).flatMap((day) => {
		const span = week[weekday(day) - 1];
		if (!span) return [];
		const [a, b] = [minuteOf(span.from), minuteOf(span.to)];
		return [{ day, from: a, to: b <= a ? b + DAY_MIN : b }];
	});

/** The same span every day, such as quiet hours. It may run over midnight, so it begins with the day before `from`. */
export const dailySpans = (span: Span, from: Day, days: number): DaySpan[] =>
	weekSpans(
		Array.from({ length: 7 }, () => span),
		addDays(from, -1),
		days + 1,
	);
