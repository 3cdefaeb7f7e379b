import { TZDate } from "@date-fns/tz";
import { endOfDay } from "date-fns";

/** The instant (ms) of a wall-clock time "18:30" on a day "2031-03-08" in an IANA zone. */
export function wallClockMs(day: string, time: string, zone: string): number {
	const [hours = 0, minutes = 0] = time.split(":").map(Number);
	return wallClock(day, hours, minutes, zone).getTime();
}

/** The last millisecond of a day, as an instant (ms): 23 or 25 hours after its start where the clocks change. */
export const endOfDayMs = (day: string, zone: string): number => endOfDay(wallClock(day, 0, 0, zone)).getTime();

function wallClock(day: string, hours: number, minutes: number, zone: string): TZDate {
	const [y = 1970, m = 1, d = 1] = day.split("-").map(Number);
	return new TZDate(y, m - 1, d, hours, minutes, 0, zone);
}
