import { describe, expect, it } from "vitest";
import { dailySpans, weekSpans } from "./week-spans";

describe("hours of a week on the calendar", () => {
	const day = { from: "09:00", to: "17:30" };
	// 2031-03-08 is a Saturday (ISO 8601 weekday 6).
	it("days on which nobody is there are left out", () =>
		expect(weekSpans([day, null, null, null, null, { from: "10:00", to: "12:00" }, null], "2031-03-08", 4)).toEqual([
			{ day: "2031-03-08", from: 600, to: 720 },
			{ day: "2031-03-10", from: 540, to: 1050 },
		]));
	it("an evening that ends after midnight runs into the next day", () =>
		expect(
			weekSpans(
				Array.from({ length: 7 }, () => ({ from: "18:00", to: "02:00" })),
				"2031-03-08",
				1,
			),
		).toEqual([{ day: "2031-03-08", from: 1080, to: 1560 }]));
	it("quiet hours of the night before reach in", () =>
		expect(dailySpans({ from: "22:00", to: "06:00" }, "2031-03-08", 1)).toEqual([
			{ day: "2031-03-07", from: 1320, to: 1800 },
			{ day: "2031-03-08", from: 1320, to: 1800 },
		]));
});
