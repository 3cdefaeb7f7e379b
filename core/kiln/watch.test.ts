import { describe, expect, it } from "vitest";
import { FAMILY_90 } from "../glass/family";
import { METRIC, phraseText } from "../units/phrase";
import { afterPowerCut } from "./after-cut";
import { alarmsOf, SILENT_S, type WatchedReading } from "./watch";

const MINUTE = 60_000;
const driven = () => ({ driven: true, falls: false, hottestC: 804, usualLagK: 0 });
const falling = () => ({ driven: false, falls: true, hottestC: 804, usualLagK: 0 });
const reading = (min: number, airC: number | null, setC: number | null, rest: Partial<WatchedReading> = {}) => ({
	atMs: min * MINUTE,
	airC,
	setC,
	powerLost: false,
	segment: 1,
	...rest,
});
const kinds = (readings: WatchedReading[], plan = driven, nowMin = readings.at(-1)?.atMs ?? 0) =>
	alarmsOf(readings, plan, nowMin).map(({ kind }) => kind);

describe("alarms of a running firing", () => {
	const steady = Array.from({ length: 20 }, (_, i) => reading(i, 500 + i * 5, 502 + i * 5));

	it("is quiet while the kiln follows", () => {
		expect(kinds(steady)).toEqual([]);
		expect(alarmsOf([], driven, 0)).toEqual([]);
	});
	it("says so when nothing is heard any more, and only that", () => {
		const last = steady.at(-1)?.atMs ?? 0;
		expect(kinds(steady, driven, last + (SILENT_S - 1) * 1000)).toEqual([]);
		expect(kinds(steady, driven, last + (SILENT_S + 1) * 1000)).toEqual(["noReading"]);
	});
	it("says so when the sensor is open", () => {
		expect(kinds([...steady, reading(20, null, 600)])).toEqual(["noSensor"]);
	});
	it("waits ten minutes before it calls a kiln late, and counts kiln time on a fast clock", () => {
		const late = [reading(0, 600, 605), ...Array.from({ length: 12 }, (_, i) => reading(i + 1, 600, 640 + i))];
		expect(kinds(late.slice(0, 9))).toEqual([]);
		expect(kinds(late)).toEqual(["lags"]);
		expect(alarmsOf(late.slice(0, 4), driven, 3 * MINUTE, 10).map(({ kind }) => kind)).toEqual(["lags"]);
	});
	it("does not call a kiln late that always lags there", () => {
		const late = Array.from({ length: 15 }, (_, i) => reading(i, 600, 640));
		expect(kinds(late, () => ({ driven: true, falls: false, hottestC: 804, usualLagK: 20 }))).toEqual([]);
		expect(kinds(late)).toEqual(["lags"]);
	});
	it("does not call a kiln late that is meant to fall by itself", () => {
		const late = Array.from({ length: 15 }, (_, i) => reading(i, 600, 700));
		expect(kinds(late, falling)).toEqual([]);
	});
	it("says so at once when it is hotter than the segment ever asks", () => {
		const hot = [...steady, reading(20, 821, 804)];
		expect(kinds(hot)).toEqual(["overshoots"]);
		expect(phraseText(alarmsOf(hot, driven, 20 * MINUTE)[0]?.sentence ?? [], METRIC)).toContain(
			"17 K above the 804 °C",
		);
	});
	it("says so when the kiln waits after a power cut, and does not call that late as well", () => {
		const cut = Array.from({ length: 15 }, (_, i) => reading(i, 500, 640, { powerLost: true }));
		expect(kinds(cut)).toEqual(["powerLost"]);
	});
});

describe("after a power cut", () => {
	const cut = { beforeC: 640, coldestC: 512, nowC: 515, minutes: 40, flow: 0.01, effectiveMm: 9 };
	it("is nothing while the glass stays above its strain point", () => {
		expect(afterPowerCut(cut, FAMILY_90)).toMatchObject({ severity: "know", heatAtMostCPerH: null });
	});
	it("begins again slowly where nothing was joined yet", () => {
		const verdict = afterPowerCut({ ...cut, coldestC: 300, nowC: 300, minutes: 120 }, FAMILY_90);
		expect(verdict.severity).toBe("fix");
		expect(verdict.heatAtMostCPerH).toBeGreaterThan(100);
	});
	it("asks for the whole anneal again where it was fused, and to look first where it fell too fast for its thickness", () => {
		const thin = afterPowerCut({ ...cut, flow: 5, coldestC: 400, minutes: 180, effectiveMm: 6 }, FAMILY_90);
		expect(thin.severity).toBe("fix");
		const thick = afterPowerCut({ ...cut, flow: 5, coldestC: 200, minutes: 180, effectiveMm: 30 }, FAMILY_90);
		expect(thick.severity).toBe("stop");
		expect(thick.heatAtMostCPerH).toBeLessThan(thin.heatAtMostCPerH ?? 0);
		expect(phraseText(thick.next, METRIC)).toContain("516 °C");
	});
});
