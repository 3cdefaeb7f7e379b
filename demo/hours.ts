import { addDays } from "@core/calendar/days";
import { minuteOf, timeOf } from "@core/calendar/house-hours";
import { clock, dayOf } from "@formats/time";
import { wallClockMs } from "@formats/wall-clock";

const EVENING = "18:30";
const MINUTE = 60_000;

/** Hours at which somebody starts a kiln: so far apart that one of them is some hours ago at any time. */
const STARTS = ["08:30", "13:00", "17:30", "21:15"];

/** Times of the demo, as ms before its first start: what happened in a studio happened when people are there. */
export class Hours {
	constructor(
		private readonly now: Date,
		private readonly zone: string,
	) {}

	/** So many days ago at a time by the studio's clock; a day earlier where today that time is still to come. */
	ago(days: number, time: string): number {
		const day = addDays(dayOf(this.now, this.zone), -days);
		const ms = this.now.getTime() - wallClockMs(day, time, this.zone);
		return ms > 0 ? ms : this.ago(days + 1, time);
	}

	/** The last start of a kiln that is at least so many hours ago. */
	startAgo(leastHours: number): number {
		const all = [0, 1].flatMap((days) => STARTS.map((time) => this.ago(days, time)));
		return Math.min(...all.filter((ms) => ms >= leastHours * 60 * MINUTE));
	}

	/**
	 * Today's class: on now, since the last half hour but one; at night it was in the evening, early in the morning it is still to come
	 * and its kits were made ready the day before.
	 */
	classToday(): { startsAt: string; isNow: boolean; handsAgo: number } {
		const minute = minuteOf(clock(this.now, this.zone));
		if (minute < minuteOf("09:30")) return { startsAt: EVENING, isNow: false, handsAgo: this.ago(1, "17:00") };
		if (minute >= minuteOf("21:30")) return { startsAt: EVENING, isNow: false, handsAgo: this.ago(0, EVENING) };
		const startsAt = timeOf(Math.floor((minute - 50) / 30) * 30);
		return { startsAt, isNow: true, handsAgo: this.ago(0, startsAt) };
	}
}
