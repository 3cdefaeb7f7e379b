import type { HouseHours } from "@contract/firings";
import { isIn, longestAlone, type Moment, minuteOf, nextThere, timeOf } from "@core/calendar/house-hours";
import type { Studio } from "@db/queries/studio";
import { clock, dayOf } from "@formats/time";
import { wallClockMs } from "@formats/wall-clock";

/** What the studio's hours say of a firing from its start until it may be opened: when somebody opens it, and what to think of. */
export function houseHoursOf({ timeZone, customs }: Studio, startAt: Date, endAt: Date, openAt: Date): HouseHours {
	const { week, quiet, aloneHours } = customs;
	const momentOf = (at: Date): Moment => ({ day: dayOf(at, timeZone), minute: minuteOf(clock(at, timeZone)) });
	const start = momentOf(startAt);
	const there = nextThere(momentOf(openAt), week);
	const thereMs = there && wallClockMs(there.day, timeOf(there.minute), timeZone);
	const aloneH = longestAlone(start, momentOf(endAt), week) / 60;
	const warnings: string[] = [];
	if (quiet && isIn(start.minute, quiet))
		warnings.push(`No kiln is started here between ${quiet.from} and ${quiet.to}: quiet hours.`);
	if (aloneHours !== null && aloneH > aloneHours)
		warnings.push(
			`It would fire ${aloneH.toFixed(1)} h with nobody there; the studio allows ${aloneHours} h. Start it at another hour.`,
		);
	if (!there) warnings.push("Nobody is ever there to open it: the studio’s hours are empty.");
	return { openThere: thereMs ? new Date(Math.max(openAt.getTime(), thereMs)).toISOString() : null, warnings };
}
