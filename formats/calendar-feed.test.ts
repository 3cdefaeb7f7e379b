import ICAL from "ical.js";
import { describe, expect, it } from "vitest";
import { calendarFeed, type FeedEvening } from "./calendar-feed";

const evening = (change: Partial<FeedEvening> = {}): FeedEvening => ({
	id: "a",
	revision: 3,
	title: "Roofs, kites; and “maps”",
	about: "Bring\nan apron",
	room: "Loft",
	day: "2031-03-27",
	startsAt: "18:30",
	endsAt: "21:00",
	cancelled: false,
	detail: "6 of 8 places taken",
	...change,
});
/** Read back by a second library (ical.js, the reader of a mail program). */
const read = (text: string) => {
	const calendar = new ICAL.Component(ICAL.parse(text));
	return calendar.getAllSubcomponents("vevent").map((one) => new ICAL.Event(one));
};

describe("the calendar feed (RFC 5545)", () => {
	it("evenings at half past six stay there across both changes of the clock", () => {
		// Central European time changes on 30 March and 26 October 2031 (EU directive 2000/84/EC): 17:30 and 16:30 UTC.
		const days = ["2031-03-27", "2031-04-03", "2031-10-23", "2031-10-30"];
		const events = read(
			calendarFeed(
				{ name: "Lee Side", timeZone: "Europe/Vienna" },
				days.map((day, i) => evening({ id: String(i), day })),
			),
		);
		expect(events.map(({ startDate }) => startDate.toJSDate().toISOString())).toEqual([
			"2031-03-27T17:30:00.000Z",
			"2031-04-03T16:30:00.000Z",
			"2031-10-23T16:30:00.000Z",
			"2031-10-30T17:30:00.000Z",
		]);
		expect(events.every(({ duration }) => duration.toSeconds() === 2.5 * 3600)).toBe(true);
	});

	it("says title, room, text and revision whatever signs are in them, and what is called off", () => {
		const [event] = read(
			calendarFeed({ name: "Lee Side", timeZone: "UTC" }, [evening({ cancelled: true, title: "A, b; c\\d “e” Ödön" })]),
		);
		expect(event?.summary).toBe("A, b; c\\d “e” Ödön");
		expect(event?.location).toBe("Loft");
		expect(event?.description).toBe("6 of 8 places taken\nBring\nan apron");
		expect(event?.sequence).toBe(3);
		expect(event?.component.getFirstPropertyValue("status")).toBe("CANCELLED");
		expect(event?.uid).toBe("a@zephyr-flats");
	});

	it("no line is longer than 75 octets, and the same evenings are the same text", () => {
		const long = [evening({ about: "glass ".repeat(60) })];
		const text = calendarFeed({ name: "Lee Side", timeZone: "UTC" }, long);
		for (const line of text.split("\r\n")) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
		expect(calendarFeed({ name: "Lee Side", timeZone: "UTC" }, long)).toBe(text);
	});
});
