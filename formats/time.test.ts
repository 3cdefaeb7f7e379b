import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import { describe, expect, it } from "vitest";
import { clock, clockNear, dayAndClock, dayOf, dayWords, longDay, shortDay } from "./time";
import { endOfDayMs, wallClockMs } from "./wall-clock";

const zone = "America/Denver";

describe("days of the studio", () => {
	it("are the studio's, not the server's", () => {
		expect(dayOf("2031-03-09T05:30:00Z", zone)).toBe("2031-03-08");
		expect(clock("2031-03-08T20:05:00Z", zone)).toBe("13:05");
	});

	// Daylight saving in this zone begins on 9 March 2031 and ends on 2 November 2031 (IANA time zone database).
	it("have 23 hours when clocks go forward and 25 when they go back", () => {
		const hours = (day: string) => (endOfDayMs(day, zone) + 1 - wallClockMs(day, "00:00", zone)) / 3_600_000;
		expect(hours("2031-03-08")).toBe(24);
		expect(hours("2031-03-09")).toBe(23);
		expect(hours("2031-11-02")).toBe(25);
	});

	it("a class at 18:30 stays at 18:30 across the change", () => {
		expect(new Date(wallClockMs("2031-03-08", "18:30", zone)).toISOString()).toBe("2031-03-09T01:30:00.000Z");
		expect(new Date(wallClockMs("2031-03-09", "18:30", zone)).toISOString()).toBe("2031-03-10T00:30:00.000Z");
	});

	it("are written short, with what is not obvious", () => {
		const now = "2031-03-08T18:00:00Z";
		expect(clockNear("2031-03-08T20:05:00Z", now, zone)).toBe("13:05");
		expect(clockNear("2031-03-09T20:05:00Z", now, zone)).toBe("Sun 14:05");
		expect(dayWords("2031-03-12", now, zone)).toBe("Wed 12 Mar");
		expect(dayWords("2032-03-12", now, zone)).toBe("Fri 12 Mar 2032");
		expect(longDay(now, zone)).toBe("Saturday 8 March");
	});
});

describe("against a reference library (date-fns with its zones), over a year of hours in zones east, west and between", () => {
	const zones = [
		"America/Denver",
		"Asia/Kathmandu",
		"Pacific/Kiritimati",
		"America/St_Johns",
		"Australia/Lord_Howe",
		"UTC",
	];
	const hours = Array.from({ length: 400 }, (_, i) => new Date(Date.UTC(2030, 8, 27) + i * 23.37 * 3_600_000));
	it.each(zones)("%s", (zone) => {
		for (const at of hours) {
			const reference = (form: string) => format(new TZDate(at.getTime(), zone), form);
			expect(dayOf(at, zone)).toBe(reference("yyyy-MM-dd"));
			expect(clock(at, zone)).toBe(reference("HH:mm"));
			expect(clockNear(at, "2029-01-01T00:00:00Z", zone)).toBe(reference("EEE HH:mm"));
			expect(longDay(at, zone)).toBe(reference("EEEE d MMMM"));
			expect(dayAndClock(at, zone)).toBe(reference("d MMM HH:mm"));
			expect(shortDay(at, zone)).toBe(reference("d MMM yyyy"));
			expect(dayWords(dayOf(at, zone), "2029-06-01T00:00:00Z", zone)).toBe(reference("EEE d MMM yyyy"));
		}
	});
});

describe("what is no instant", () => {
	it("is refused", () => expect(() => clock("yesterday", zone)).toThrow(RangeError));
});
