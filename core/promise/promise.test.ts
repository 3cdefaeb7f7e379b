import { describe, expect, it } from "vitest";
import { STATES } from "../journey/journey";
import { expectedReadyMs, type OnItsWay, promiseState } from "./promise";

const day = 86_400_000;
const piece = (change: Partial<OnItsWay>): OnItsWay => ({
	state: "queued",
	firingsLeft: 1,
	readyFromMs: undefined,
	firingOpensMs: undefined,
	...change,
});

describe("promised days", () => {
	it("what is ready or gone is kept, what is past is late, what cannot be done in time is at risk", () => {
		expect(promiseState(piece({ state: "ready" }), 0, day)).toBe("kept");
		expect(promiseState(piece({}), 0, day)).toBe("late");
		expect(promiseState(piece({}), 2 * day, day)).toBe("atRisk");
		expect(promiseState(piece({}), 9 * day, day)).toBe("ok");
		expect(promiseState(piece({ state: "spoiled" }), 9 * day, day)).toBe("atRisk");
	});

	it("every further firing and every wet hour makes it later", () => {
		const base = expectedReadyMs(piece({}), 0) ?? 0;
		expect(expectedReadyMs(piece({ firingsLeft: 2 }), 0)).toBeGreaterThan(base);
		expect(expectedReadyMs(piece({ readyFromMs: day }), 0)).toBe(base + day);
	});

	it("answers for every state, never before now", () => {
		for (const state of STATES) {
			const expected = expectedReadyMs(piece({ state, firingOpensMs: 5 }), day);
			if (expected !== undefined) expect(expected).toBeGreaterThanOrEqual(day);
		}
	});
});
