import { TZDate } from "@date-fns/tz";
import { endOfDay, format, isSameYear } from "date-fns";

/** Days and clock times in the studio's IANA zone. Instants come as Date or ISO strings. */
type Instant = Date | string;

const inZone = (instant: Instant, zone: string): TZDate => new TZDate(new Date(instant).getTime(), zone);

/** "2031-03-08" */
export const dayOf = (instant: Instant, zone: string): string => format(inZone(instant, zone), "yyyy-MM-dd");

/** The last millisecond of a day, as an instant (ms): 23 or 25 hours after its start where the clocks change. */
export const endOfDayMs = (day: string, zone: string): number => endOfDay(startOf(day, zone)).getTime();

/** The instant (ms) of a wall-clock time "18:30" on a day. */
export function wallClockMs(day: string, time: string, zone: string): number {
	const [hours = 0, minutes = 0] = time.split(":").map(Number);
	const [y, m, d] = parts(day);
	return new TZDate(y, m - 1, d, hours, minutes, 0, zone).getTime();
}

/** "07:40" */
export const clock = (instant: Instant, zone: string): string => format(inZone(instant, zone), "HH:mm");

/** "Tue 07:40", or "07:40" on the same day as `now`. */
export function clockNear(instant: Instant, now: Instant, zone: string): string {
	return dayOf(instant, zone) === dayOf(now, zone) ? clock(instant, zone) : format(inZone(instant, zone), "EEE HH:mm");
}

/** "Mon 23 Nov", with the year where it is another one. */
export function dayWords(day: string, now: Instant, zone: string): string {
	const date = startOf(day, zone);
	return format(date, isSameYear(date, inZone(now, zone)) ? "EEE d MMM" : "EEE d MMM yyyy");
}

/** "Monday 23 November" */
export const longDay = (instant: Instant, zone: string): string => format(inZone(instant, zone), "EEEE d MMMM");

/** "23 Nov 18:40" */
export const dayAndClock = (instant: Instant, zone: string): string => format(inZone(instant, zone), "d MMM HH:mm");

function parts(day: string): [number, number, number] {
	const [y = 1970, m = 1, d = 1] = day.split("-").map(Number);
	return [y, m, d];
}

function startOf(day: string, zone: string): TZDate {
	const [y, m, d] = parts(day);
	return new TZDate(y, m - 1, d, 0, 0, 0, zone);
}

/** "8 Mar 2031" */
export const shortDay = (instant: Instant, zone: string): string => format(inZone(instant, zone), "d MMM yyyy");
