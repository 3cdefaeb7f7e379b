import { USUAL_CUSTOMS } from "@core/studio/customs";
import type { Studio } from "@db/queries/studio";
import { describe, expect, it } from "vitest";
import { houseHoursOf } from "./house-hours";

const day = { from: "08:00", to: "20:00" };
const studio = (change: Partial<Studio["customs"]> = {}) =>
	({
		timeZone: "Europe/Berlin",
		customs: { ...USUAL_CUSTOMS, week: [day, day, day, day, day, null, null], ...change },
	}) as Studio;

describe("the studio's hours at a firing", () => {
	// Berlin is an hour ahead of UTC in winter; 2031-03-03 is a Monday.
	const start = new Date("2031-03-03T17:00:00Z");
	const end = new Date("2031-03-04T02:00:00Z");

	it("what is cool at night is opened in the morning, what is cool by day at once", () => {
		const night = new Date("2031-03-04T03:20:00Z");
		expect(houseHoursOf(studio(), start, end, night)).toEqual({ openThere: "2031-03-04T07:00:00.000Z", warnings: [] });
		const noon = new Date("2031-03-04T11:00:00.500Z");
		expect(houseHoursOf(studio(), start, end, noon).openThere).toBe(noon.toISOString());
	});

	it("the clock's change in spring moves the morning with it", () => {
		// Summer time begins on 2031-03-30 in Berlin (last Sunday of March, EU directive 2000/84/EC).
		const saturday = new Date("2031-03-29T12:00:00Z");
		expect(houseHoursOf(studio(), start, end, saturday).openThere).toBe("2031-03-31T06:00:00.000Z");
	});

	it.each([
		[{ quiet: { from: "17:30", to: "07:00" } }, /quiet hours/],
		[{ aloneHours: 5 }, /7\.0 h with nobody there; the studio allows 5 h/],
		[{ week: USUAL_CUSTOMS.week.map(() => null) }, /Nobody is ever there/],
	])("%o is said", (change, sentence) => {
		const { warnings } = houseHoursOf(studio(change), start, end, end);
		expect(warnings.join(" ")).toMatch(sentence);
	});
});
