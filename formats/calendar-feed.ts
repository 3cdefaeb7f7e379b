import ical, { ICalEventStatus } from "ical-generator";
import { wallClockMs } from "./time";

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

/** A calendar feed. Instants in UTC, so that no program has to know the zone. Source: RFC 5545. */
export function calendarFeed(studio: { name: string; timeZone: string }, evenings: readonly FeedEvening[]): string {
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
	return calendar.toString();
}
