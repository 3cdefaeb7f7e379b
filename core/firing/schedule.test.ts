import { describe, expect, it } from "vitest";
import { DEFAULT_KILN } from "../kiln/kiln";
import { temperatureOf } from "./curve";
import { curveOf, peakOf, type Schedule, scheduleHours } from "./schedule";

const schedule: Schedule = {
	segments: [
		{ name: "up", rateCPerH: 200, targetC: 620, holdMin: 30 },
		{ name: "peak", rateCPerH: 300, targetC: 800, holdMin: 10 },
		{ name: "drop", rateCPerH: "full", targetC: 482, holdMin: 60 },
	],
};

describe("a schedule's curve", () => {
	it("takes the time its rates and holds ask for: worked by hand", () => {
		// 600/200 + 0.5 + 180/300 + 1/6 + 318/250 + 1 h, dropping 250 °C/h where no kiln is known
		expect(scheduleHours(schedule, undefined)).toBeCloseTo(3 + 0.5 + 0.6 + 1 / 6 + 1.272 + 1, 6);
		expect(peakOf(schedule)).toBe(800);
	});

	it("draws a known kiln's own drop: exponential towards the room", () => {
		const curve = curveOf(schedule, DEFAULT_KILN);
		const from = (3 + 0.5 + 0.6 + 1 / 6) * 3600;
		const tau = 33_000 / 2.5;
		for (const s of [600, 1800, 3600])
			expect(temperatureOf(curve, from + s)).toBeCloseTo(20 + 780 * Math.exp(-s / tau), 0);
	});

	it("at full power rises towards what the kiln can hold, never past the target", () => {
		const full: Schedule = { segments: [{ name: "up", rateCPerH: "full", targetC: 800, holdMin: 0 }] };
		const hours = scheduleHours(full, DEFAULT_KILN);
		const ceiling = 20 + 5000 / 2.5;
		expect(hours * 3600).toBeCloseTo((33_000 / 2.5) * Math.log((ceiling - 20) / (ceiling - 800)), 3);
		expect(scheduleHours(full, undefined)).toBeCloseTo(780 / 400, 6);
	});

	it("never runs backwards in time", () => {
		const curve = curveOf(schedule, DEFAULT_KILN);
		for (let i = 1; i < curve.length; i++) expect(curve[i]?.s).toBeGreaterThanOrEqual(curve[i - 1]?.s ?? 0);
	});
});

describe("a temperature on a curve", () => {
	const curve = [
		{ s: 0, c: 20 },
		{ s: 100, c: 120 },
		{ s: 100, c: 120 },
		{ s: 200, c: 120 },
	];
	it.each([
		[-5, 20],
		[0, 20],
		[50, 70],
		[100, 120],
		[150, 120],
		[999, 120],
	])("at %i s is %i °C", (s, c) => expect(temperatureOf(curve, s)).toBe(c));
	it("of nothing is not a number", () => expect(temperatureOf([], 5)).toBeNaN());
});
