import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { addDays, weekday } from "./days";
import { isIn, longestAlone, minuteOf, nextThere, timeOf, type Week } from "./house-hours";

// 2031-03-03 is a Monday (ISO 8601 week 10 of 2031).
const MONDAY = "2031-03-03";
const day = { from: "08:00", to: "18:00" };
const week: Week = [day, day, { from: "12:00", to: "21:00" }, day, day, null, null];
const at = (ahead: number, time: string) => ({ day: addDays(MONDAY, ahead), minute: minuteOf(time) });

describe("house hours", () => {
	it("a time of day is a minute of it, and back", () => {
		expect([minuteOf("00:05"), minuteOf("18:30")]).toEqual([5, 1110]);
		for (let minute = 0; minute < 1440; minute++) expect(minuteOf(timeOf(minute))).toBe(minute);
	});
	it.each<[string, { from: string; to: string }, boolean]>([
		["22:00", { from: "22:00", to: "06:00" }, true],
		["05:59", { from: "22:00", to: "06:00" }, true],
		["06:00", { from: "22:00", to: "06:00" }, false],
		["12:00", { from: "08:00", to: "12:00" }, false],
		["08:00", { from: "08:00", to: "12:00" }, true],
	])("%s in %o: %s", (time, span, is) => expect(isIn(minuteOf(time), span)).toBe(is));

	it.each([
		[at(0, "03:20"), at(0, "08:00")],
		[at(0, "09:10"), at(0, "09:10")],
		[at(0, "18:00"), at(1, "08:00")],
		[at(1, "23:00"), at(2, "12:00")],
		[at(4, "19:00"), at(7, "08:00")],
	])("from %o somebody is there at %o", (from, there) => expect(nextThere(from, week)).toEqual(there));

	it("nobody ever comes to a studio without hours", () =>
		expect(
			nextThere(
				at(0, "09:00"),
				week.map(() => null),
			),
		).toBeUndefined());

	it.each([
		["a night", at(0, "17:00"), at(1, "09:00"), 14 * 60],
		["within a day", at(0, "09:00"), at(0, "17:00"), 0],
		["a weekend", at(4, "17:00"), at(7, "09:00"), 62 * 60],
		["till the middle of the night", at(0, "17:00"), at(1, "02:00"), 8 * 60],
		["begun before anybody came", at(0, "05:00"), at(0, "09:00"), 3 * 60],
		["begun and ended with nobody there", at(5, "10:00"), at(5, "20:00"), 10 * 60],
	])("alone over %s", (_, from, to, minutes) => expect(longestAlone(from, to, week)).toBe(minutes));

	it("alone is what a minute-by-minute watch of the week finds", () => {
		const hour = fc.integer({ min: 0, max: 11 });
		const spans = fc.option(
			fc.tuple(hour, hour).map(([a, b]) => ({ from: `${String(a).padStart(2, "0")}:00`, to: `${12 + b}:00` })),
			{ nil: null },
		);
		fc.assert(
			fc.property(
				fc.array(spans, { minLength: 7, maxLength: 7 }),
				fc.nat(24 * 60 - 1),
				fc.integer({ min: 1, max: 5 * 24 * 60 }),
				(some, start, length) => {
					let [run, longest] = [0, 0];
					for (let m = start; m < start + length; m++) {
						const span = some[weekday(addDays(MONDAY, Math.floor(m / 1440))) - 1];
						run = span && isIn(m % 1440, span) ? 0 : run + 1;
						longest = Math.max(longest, run);
					}
					const end = start + length;
					const to = { day: addDays(MONDAY, Math.floor(end / 1440)), minute: end % 1440 };
					expect(longestAlone({ day: MONDAY, minute: start }, to, some)).toBe(longest);
				},
			),
			{ numRuns: 60 },
		);
	});
});
