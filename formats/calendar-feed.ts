import ical, { ICalEventStatus, ICalEventTransparency } from "ical-generator";
import { wallClockMs } from "./wall-clock";

/** One evening as a calendar of somebody else shows it. Days and times in the studio's zone. */
export interface FeedEvening {
	id: string;
	/** Raised by every change: calendars take the newest. */
	revision: number;
	title: string;
	about: string;
	room: string;
	day: string;
	startsAt: string;
	endsAt: string;
	cancelled: boolean;
	/** What stands under the title: "6 of 8 places taken". */
	detail: string;
}

/** A firing as it stands on a calendar: from its start until it may be opened. */
export interface FeedFiring {
	id: string;
	/** "Hopper kiln: firing 214". */
	title: string;
	detail: string;
	start: Date;
	openNotBefore: Date;
}

/** A calendar feed. Instants in UTC, so that no program has to know the zone. Source: RFC 5545. */
export function calendarFeed(
	studio: { name: string; timeZone: string },
	evenings: readonly FeedEvening[],
	firings: readonly FeedFiring[] = [],
): string {
	const calendar = ical({ name: studio.name, prodId: { company: "Zephyr Flats", product: "Classes", language: "EN" } });
	for (const one of evenings)
		calendar.createEvent({
			id: `${one.id}@zephyr-flats`,
			sequence: one.revision,
			// Without it the feed would differ each time it is read.
			stamp: new Date(wallClockMs(one.day, one.startsAt, studio.timeZone)),
			start: new Date(wallClockMs(one.day, one.startsAt, studio.timeZone)),
			end: new Date(wallClockMs(one.day, one.endsAt, studio.timeZone)),
			summary: one.title,
			description: [one.detail, one.about].filter(Boolean).join("\n"),
			...(one.room && { location: one.room }),
			status: one.cancelled ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED,
		});
	for (const { id, title, detail, start, openNotBefore } of firings)
		calendar.createEvent({
			...{ id: `${id}@zephyr-flats`, stamp: start, start, end: openNotBefore },
			...{ summary: title, description: detail },
			// A kiln is busy; nobody is.
			transparency: ICalEventTransparency.TRANSPARENT,
		});
	return calendar.toString();
}
