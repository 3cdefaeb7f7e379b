/** Days of the calendar as "2031-03-08", without an hour or a zone. */
export type Day = string;

const DAY_MS = 86_400_000;

const utcMs = (day: Day): number => Date.parse(`${day}T00:00:00Z`);
const dayOfMs = (ms: number): Day => new Date(ms).toISOString().slice(0, 10);

export const addDays = (day: Day, n: number): Day => dayOfMs(utcMs(day) + n * DAY_MS);

/** Days from one to another; negative where the other comes first. */
export const daysBetween = (from: Day, to: Day): number => Math.round((utcMs(to) - utcMs(from)) / DAY_MS);

/** 1 Monday to 7 Sunday. Source: ISO 8601. */
export const weekday = (day: Day): number => new Date(utcMs(day)).getUTCDay() || 7;

/** The Monday on or before a day. */
export const mondayOf = (day: Day): Day => addDays(day, 1 - weekday(day));

export const firstOfMonth = (day: Day): Day => `${day.slice(0, 7)}-01`;

/** The first day of the month so many months on. */
export function addMonths(day: Day, n: number): Day {
	const [y = 1970, m = 1] = day.split("-").map(Number);
	return dayOfMs(Date.UTC(y, m - 1 + n, 1));
}

/** Whole weeks from Monday on that a month reaches into, each of seven days. */
export function monthWeeks(day: Day): Day[][] {
	const first = firstOfMonth(day);
	const last = addDays(addMonths(first, 1), -1);
	const weeks = Math.ceil((daysBetween(mondayOf(first), last) + 1) / 7);
	return Array.from({ length: weeks }, (_, week) =>
		Array.from({ length: 7 }, (_, i) => addDays(mondayOf(first), week * 7 + i)),
	);
}

/** A day and those so many weeks apart that follow it. @param times how many in all */
export const repeated = (day: Day, times: number, everyWeeks: number): Day[] =>
	Array.from({ length: times }, (_, i) => addDays(day, i * everyWeeks * 7));

/** The later of two days. */
export const later = (a: Day, b: Day): Day => (daysBetween(a, b) > 0 ? b : a);
