import { describe, expect, it } from "vitest";
import { DEFAULT_KILN, naturalCoolingC } from "../kiln/kiln";
import { plannedAirC } from "./planned-air";
import type { Schedule } from "./schedule";

const schedule: Schedule = {
	segments: [
		{ name: "up", rateCPerH: 200, targetC: 620, holdMin: 30 },
		{ name: "drop", rateCPerH: 100, targetC: 120, holdMin: 0 },
	],
};

describe("kiln air by the plan", () => {
	it.each([
		[0, 20],
		[1.5, 320],
		[3.25, 620],
		[3.5, 620],
		[6, 370],
		[8.5, 120],
	])("after %d h is %d °C", (hours, c) => expect(plannedAirC(schedule, DEFAULT_KILN, hours * 3600)).toBeCloseTo(c, 6));

	it("falls by itself once the programme is over", () => {
		expect(plannedAirC(schedule, DEFAULT_KILN, 12.5 * 3600)).toBeCloseTo(
			naturalCoolingC(DEFAULT_KILN, 120, 4 * 3600),
			6,
		);
	});
});
