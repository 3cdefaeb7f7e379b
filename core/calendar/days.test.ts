import { format, getISODay, addDays as libraryAddDays, startOfISOWeek } from "date-fns";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays, addMonths, daysBetween, mondayOf, monthWeeks, repeated, weekday } from "./days";

describe("days", () => {
	it.each([
		["2028-02-28", 1, "2028-02-29"],
		["2031-02-28", 1, "2031-03-01"],
		["2031-01-01", -1, "2030-12-31"],
	])("%s and %d days is %s", (day, n, there) => {
		expect(addDays(day, n)).toBe(there);
		expect(daysBetween(day, there)).toBe(n);
	});

	it("agree with a reference library (date-fns) on every day of two centuries", () => {
		fc.assert(
			fc.property(
				fc.date({ min: new Date(1950, 0, 1), max: new Date(2149, 0, 1), noInvalidDate: true }),
				fc.integer({ min: -4000, max: 4000 }),
				(at, n) => {
					const noon = new Date(at.getFullYear(), at.getMonth(), at.getDate(), 12);
					const day = format(noon, "yyyy-MM-dd");
					expect(addDays(day, n)).toBe(format(libraryAddDays(noon, n), "yyyy-MM-dd"));
					expect(weekday(day)).toBe(getISODay(noon));
					expect(mondayOf(day)).toBe(format(startOfISOWeek(noon), "yyyy-MM-dd"));
				},
			),
		);
	});

	it("a month is shown in whole weeks that begin on Monday, each day of it once", () => {
		for (let month = "2027-01-01"; month < "2032-01-01"; month = addMonths(month, 1)) {
			const weeks = monthWeeks(month);
			expect(weeks.every((week) => week.length === 7 && weekday(week[0] as string) === 1)).toBe(true);
			const its = weeks.flat().filter((day) => day.startsWith(month.slice(0, 7)));
			expect(its).toHaveLength(daysBetween(month, addMonths(month, 1)));
			expect(weeks.every((week) => week.some((day) => day.startsWith(month.slice(0, 7))))).toBe(true);
		}
		expect(monthWeeks("2027-02-10")).toHaveLength(4); // begins on a Monday and has 28 days
	});

	it("six evenings, one a fortnight", () => {
		expect(repeated("2031-03-06", 3, 2)).toEqual(["2031-03-06", "2031-03-20", "2031-04-03"]);
	});
});
