import { describe, expect, it } from "vitest";
import { begun, givenS, heat, leftS, lookedIn, oneMore, stopHeat } from "./progress";

const PLAN = [
	{ watts: 350, seconds: 240 },
	{ watts: 500, seconds: 30 },
];

describe("a run of the block", () => {
	it("counts a step down and keeps what was really given", () => {
		const heating = heat(begun(PLAN), 0);
		expect(leftS(heating, 60_000)).toBe(180);
		const whole = stopHeat(heating, 240_000);
		expect(whole.given).toEqual([PLAN[0]]);
		expect(whole.left).toEqual([PLAN[1]]);
		expect(leftS(whole, 999_000)).toBe(30);
		const early = stopHeat(heat(whole, 300_000), 311_000);
		expect(early.given.at(-1)).toEqual({ watts: 500, seconds: 11 });
		expect(givenS(early)).toBe(251);
		expect(early.left).toEqual([]);
	});

	it("never counts more than the step had, nor a slip of the finger", () => {
		expect(givenS(stopHeat(heat(begun(PLAN), 0), 900_000))).toBe(240);
		const slip = stopHeat(heat(begun(PLAN), 0), 800);
		expect(slip.given).toEqual([]);
		expect(slip.left).toEqual(PLAN);
	});

	it("goes on with short steps at the last power", () => {
		const done = { left: [], given: PLAN, heatingSinceMs: null };
		expect(oneMore(done, 30).left).toEqual([{ watts: 500, seconds: 30 }]);
		expect(heat(done, 0)).toBe(done);
		expect(stopHeat(done, 0)).toBe(done);
	});

	it("is shortened by what is seen, and lengthened where the programme is through", () => {
		const half = {
			left: [{ watts: 500, seconds: 300 }],
			given: [PLAN[0] as (typeof PLAN)[number]],
			heatingSinceMs: null,
		};
		expect(lookedIn(half, "rounded", "rounded").left).toEqual([]);
		expect(givenS({ ...half, given: lookedIn(half, "edgesSoft", "rounded").left })).toBeLessThan(300);
		const through = { ...half, left: [] };
		expect(lookedIn(through, "glowing", "rounded").left.length).toBeGreaterThan(0);
		expect(lookedIn(through, "glowing", "rounded").left[0]?.watts).toBe(350);
	});
});
