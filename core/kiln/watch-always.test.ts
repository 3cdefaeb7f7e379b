import { describe, expect, it } from "vitest";
import { phraseText } from "../units/phrase";
import { alarmsAlways, type HeardHeat } from "./watch-always";

const every = (min: number, temperatures: (number | null)[], idle = true): HeardHeat[] =>
	temperatures.map((airC, i) => ({ atMs: i * min * 60_000, airC, idle }));
const kinds = (readings: HeardHeat[], maxC = 900, perS = 1) =>
	alarmsAlways(readings, maxC, "nothing", perS).map(({ kind }) => kind);
const ramp = (fromC: number, kPerMin: number, n: number) => Array.from({ length: n }, (_, i) => fromC + i * kPerMin);

describe("a kiln at any time", () => {
	it.each([
		["cools by itself", ramp(300, -0.5, 30), []],
		["stands in a room that warms up", ramp(18, 0.1, 30), []],
		["a relay is stuck, cold: 545 K/h", ramp(25, 9, 12), ["heatsAlone"]],
		["a relay is stuck, at heat: 330 K/h", ramp(700, 5.5, 12), ["heatsAlone"]],
		[
			"the lid was shut: most of it comes back in two minutes, then it falls",
			[140, 60, 62, 100, 128, ...ramp(128, -0.4, 12)],
			[],
		],
		["above its limit, whatever it does", ramp(960, -1, 3), ["aboveLimit"]],
		["at its limit, as controllers swing", [898, 902, 904], []],
		["the sensor gives nothing", [24, null], []],
	] as const)("%s", (_, temperatures, expected) => expect(kinds(every(1, [...temperatures]))).toEqual(expected));

	it.each([
		["from cold to hot between two readings", [22, 22, 640], ["heatsAlone"]],
		["and stays there", [22, 640, 641, 640], ["heatsAlone"]],
		["the lid of a hot kiln was opened and shut", [610, 240, 230, 480, 500], []],
		["the lid stood open for long before", [230, 120, 90, 170, 200], []],
		["it cools afterwards: it was hot all the same, and still is", [22, 640, 500], ["heatsAlone"]],
	] as const)("a leap with nothing started is told at once: %s", (_, temperatures, expected) =>
		expect(kinds(every(1, [...temperatures]))).toEqual(expected),
	);

	it("after silence, a kiln that is hotter than it was is told at its first reading", () => {
		const [cold, hot] = [
			{ atMs: 0, airC: 24, idle: true },
			{ atMs: 5 * 3_600_000, airC: 790, idle: true },
		];
		expect(kinds([cold, hot])).toEqual(["heatsAlone"]);
	});

	it("asks for ten minutes of the kiln's own time, also of a recorder that writes seldom or a clock that runs fast", () => {
		expect(kinds(every(1, ramp(25, 9, 10)))).toEqual([]);
		expect(kinds(every(12, [25, 130]))).toEqual(["heatsAlone"]);
		expect(kinds(every(0.2, ramp(25, 9, 12)), 900, 5)).toEqual(["heatsAlone"]);
	});

	it("counts only since nothing should heat it", () => {
		const driven = every(1, ramp(200, 9, 12), false);
		const after = every(1, ramp(310, -1, 12)).map((one) => ({ ...one, atMs: one.atMs + 12 * 60_000 }));
		expect(kinds([...driven, ...after])).toEqual([]);
	});

	it("says it in the reader's units", () => {
		const [alarm] = alarmsAlways(every(1, ramp(25, 9, 12)), 900, "over");
		expect(phraseText(alarm?.sentence ?? [], { length: "in", temperature: "F" })).toMatch(
			/^Rose by 162 °F in 10 min though its programme is over: 255 °F/,
		);
	});
});
