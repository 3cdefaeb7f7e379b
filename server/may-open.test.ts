import { describe, expect, it } from "vitest";
import { mayOpen, openInstant } from "./may-open";

const start = new Date("2031-03-08T06:00:00Z");
const later = (minutes: number) => new Date(start.getTime() + minutes * 60_000);
const firing = { startedAt: start, openS: 18 * 3600, speedUp: 1 };
const reading = (airC: number, at: Date) => ({ airC, at });

describe("opening a kiln", () => {
	it("goes by time and by measured temperature, both", () => {
		expect(mayOpen(firing, reading(45, later(1081)), later(1081))).toEqual({ may: true, why: "" });
		expect(mayOpen(firing, reading(45, later(1000)), later(1000)).why).toContain("hotter than the kiln’s air shows");
		expect(mayOpen(firing, reading(61, later(1100)), later(1100)).why).toBe(
			"The kiln still measures 61 °C; it opens at 50 °C.",
		);
	});

	it("trusts no old reading, and none from nobody", () => {
		expect(mayOpen(firing, reading(30, later(1060)), later(1100)).why).toContain("no fresh reading");
		expect(mayOpen(firing, undefined, later(1100)).may).toBe(false);
		expect(mayOpen(firing, undefined, later(1100), false).may).toBe(true);
		expect(mayOpen(firing, undefined, later(1000), false).may).toBe(false);
		expect(mayOpen(firing, { airC: null, at: later(1100) }, later(1100)).why).toContain("sensor gives nothing");
		expect(mayOpen({ ...firing, startedAt: null }, reading(20, start), start).why).toBe("It has not been started.");
	});

	it("counts on the clock the kiln runs by", () => {
		expect(openInstant({ ...firing, speedUp: 60 })).toEqual(later(18));
		expect(openInstant({ ...firing, startedAt: null })).toBeNull();
	});
});
