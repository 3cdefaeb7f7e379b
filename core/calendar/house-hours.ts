import { addDays, type Day, daysBetween, weekday } from "./days";

/** From one wall-clock time to another, "18:30"; one that ends before it begins runs over midnight. */
export interface Span {
	from: string;
	to: string;
}

/** Hours of each weekday, Monday first; null: nobody is there. */
export type Week = (Span | null)[];

/** A wall-clock moment: a day and the minute of it. Two nights a year, when clocks change, are an hour off. */
export interface Moment {
	day: Day;
	minute: number;
}

const DAY_MIN = 24 * 60;

/** Minute of the day of "18:30". */
export function minuteOf(time: string): number {
	const [hours = 0, minutes = 0] = time.split(":").map(Number);
	return hours * 60 + minutes;
}

/** "18:30" of a minute of the day. */
export const timeOf = (minute: number): string =>
	`${String(Math.floor(minute / 60)).padStart(2, "0")}:${String(minute % 60).padStart(2, "0")}`;

/** Whether a minute of the day lies in a span; its end does not. */
export function isIn(minute: number, { from, to }: Span): boolean {
	const [a, b] = [minuteOf(from), minuteOf(to)];
	return a <= b ? minute >= a && minute < b : minute >= a || minute < b;
}

/** The first moment from `at` on when somebody is there; undefined where nobody ever is. */
export function nextThere(at: Moment, week: Week): Moment | undefined {
	for (let ahead = 0; ahead <= 7; ahead++) {
		const day = addDays(at.day, ahead);
		const span = week[weekday(day) - 1];
		if (!span) continue;
		const minute = Math.max(minuteOf(span.from), ahead === 0 ? at.minute : 0);
		if (minute < minuteOf(span.to)) return { day, minute };
	}
	return undefined;
}

/** The longest stretch between two moments with nobody there, minutes. */
export function longestAlone(from: Moment, to: Moment, week: Week): number {
	const end = daysBetween(from.day, to.day) * DAY_MIN + to.minute;
	let [left, longest] = [from.minute, 0];
	for (let ahead = 0; ahead * DAY_MIN < end; ahead++) {
		const span = week[weekday(addDays(from.day, ahead)) - 1];
		if (!span) continue;
		const [comes, goes] = [ahead * DAY_MIN + minuteOf(span.from), ahead * DAY_MIN + minuteOf(span.to)];
		if (goes <= left) continue;
		if (comes >= end) break;
		longest = Math.max(longest, comes - left);
		left = goes;
	}
	return Math.max(longest, end - left, 0);
}
