import { beforeAll, describe, expect, it } from "vitest";
import { byHand, byPlan, type QuarterFigures, quarter, simulateStudio } from "../support/studio-quarter";

/** A quarter is in docs/benchmarks.md; four weeks of it are long enough to see that the planner is no worse than doing it by hand. */
describe.each([1, 2])("four weeks of a made-up studio, %i", (seed) => {
	const input = quarter(seed, 4, 24, 2);
	let hand: QuarterFigures;
	let plan: QuarterFigures;
	beforeAll(() => {
		hand = simulateStudio(input, byHand);
		plan = simulateStudio(input, byPlan("soonest", 12));
		// When it is given up: nothing that is judged.
	}, 600_000);

	it("everything comes home in both ways", () => {
		expect(hand.notHome).toBe(0);
		expect(plan.notHome).toBe(0);
		expect(plan.promises).toBe(hand.promises);
	});
	it("planned, no fewer promises are kept and pieces wait less, with hardly more firings", () => {
		expect(plan.kept).toBeGreaterThanOrEqual(hand.kept);
		expect(plan.waitedDays).toBeLessThan(hand.waitedDays);
		expect(plan.firings).toBeLessThanOrEqual(1.25 * hand.firings);
	});
	it("comes out the same again", () => expect(simulateStudio(input, byHand)).toEqual(hand));
});
