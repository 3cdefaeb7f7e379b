import { clock, dayOf } from "@formats/time";
import { describe, expect, it } from "vitest";
import { Hours } from "./hours";

const ZONE = "America/Denver";
/** Every quarter of an hour of two days, one of them the day on which the clock is put back (first Sunday of November 2026, US law). */
const TIMES = Array.from({ length: 2 * 96 }, (_, i) => new Date(Date.UTC(2026, 10, 1, 6) + i * 900_000));

describe("the demo's hours, whenever it is first started", () => {
	it.each(["08:30", "14:00", "20:45"])("%s is in the past, at that time by the studio's clock", (time) => {
		for (const now of TIMES)
			for (const days of [0, 1, 9]) {
				const ago = new Hours(now, ZONE).ago(days, time);
				expect(ago).toBeGreaterThan(0);
				expect(clock(new Date(now.getTime() - ago), ZONE)).toBe(time);
			}
	});

	it("a kiln that is hot was started by day, at least five and at most some fifteen hours ago", () => {
		for (const now of TIMES) {
			const ago = new Hours(now, ZONE).startAgo(5) / 3_600_000;
			expect(ago).toBeGreaterThanOrEqual(5);
			expect(ago).toBeLessThan(17.5);
		}
	});

	it("hands are at work between seven and half past nine in the evening, and never in the future", () => {
		for (const now of TIMES) {
			const { startsAt, isNow, handsAgo } = new Hours(now, ZONE).classToday();
			expect(handsAgo).toBeGreaterThan(45 * 60_000);
			const at = clock(new Date(now.getTime() - handsAgo), ZONE);
			expect(at >= "07:00" && at <= "21:30").toBe(true);
			if (isNow) {
				expect(at).toBe(startsAt);
				expect(dayOf(new Date(now.getTime() - handsAgo), ZONE)).toBe(dayOf(now, ZONE));
			}
		}
	});
});
