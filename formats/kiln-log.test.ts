import { describe, expect, it } from "vitest";
import { firstSaid } from "../tests/support/said";
import { previewLog, readLog, writeLog } from "./kiln-log";
import { logNumber } from "./log-number";
import { secondTime } from "./log-time";

const ZONE = "America/Denver";
const opened = (text: string, zone = ZONE) => {
	const preview = previewLog(text);
	if (!preview.ok || !preview.value.guess) throw new Error("no guess");
	const log = readLog(text, preview.value.guess, zone);
	if (!log.ok) throw new Error(firstSaid(log.problems));
	return { guess: preview.value.guess, preview: preview.value, ...log.value };
};

/** Column layouts as loggers write them; made up. */
const LAYOUTS: [string, string][] = [
	[
		"instants, commas",
		"time,temperature °C,set point °C,duty\n2031-03-08T20:00:00Z,20.5,21,0.5\n2031-03-08T20:01:00Z,22.5,24,1\n2031-03-08T20:02:00Z,26,27,1",
	],
	[
		"local time, decimal commas",
		"Date;Actual;Target;Output %\n2031-03-08 13:00:00;20,5;21;50\n2031-03-08 13:01:00;22,5;24;100\n2031-03-08 13:02:00;26,0;27;100",
	],
	["counted minutes in °F, tabs", "min\tTemp (F)\tSP\tpower\n0\t68.9\t69.8\t.5\n1\t72.5\t75.2\t1\n2\t78.8\t80.6\t1"],
	["no names at all", "0,20.5\n60,22.5\n120,26.0"],
];

describe("a kiln’s log", () => {
	it.each(LAYOUTS)("is read as it comes: %s", (_, text) => {
		const { points, skipped } = opened(text);
		expect(skipped).toBe(0);
		expect(points.map(({ s }) => s)).toEqual([0, 60, 120]);
		for (const [i, c] of [20.5, 22.5, 26].entries()) expect(points[i]?.airC).toBeCloseTo(c, 6);
	});

	it("keeps set point and duty where they are recorded, and says null where not", () => {
		expect(opened(LAYOUTS[1]?.[1] ?? "").points[1]).toMatchObject({ setC: 24, duty: 1, kwh: null });
		expect(opened(LAYOUTS[3]?.[1] ?? "").points[1]).toMatchObject({ setC: null, duty: null });
	});

	it("puts local times into the studio’s zone, also across the change of clocks", () => {
		const local = opened(LAYOUTS[1]?.[1] ?? "");
		expect(local.points[0]?.atMs).toBe(Date.parse("2031-03-08T20:00:00Z"));
		// Denver springs forward on 9 March 2031 at 02:00 (IANA time zone database): 01:59 and 03:01 are two minutes apart.
		const spring = opened("time,temp\n2031-03-09 01:59:00,500\n2031-03-09 03:01:00,503\n2031-03-09 03:02:00,505");
		expect(spring.points.map(({ s }) => s)).toEqual([0, 120, 180]);
	});

	it("loses nothing of the hour that comes twice in autumn", () => {
		// Denver falls back on 2 November 2031 at 02:00 to 01:00 (IANA time zone database).
		const clocks = ["01:58", "01:59", "01:00", "01:01", "01:59", "02:00"];
		const autumn = opened(`time,temp\n${clocks.map((clock, i) => `2031-11-02 ${clock}:00,${500 - i}`).join("\n")}`);
		expect(autumn.skipped).toBe(0);
		expect(autumn.points.map(({ s }) => s / 60)).toEqual([0, 1, 2, 3, 61, 62]);
		expect(autumn.points.at(-1)?.atMs).toBe(Date.parse("2031-11-02T09:00:00Z"));
		// One that says its zone means it: the second line is earlier, and left out.
		const zoned = opened(
			"time,temp\n2031-11-02T07:30:00Z,1\n2031-11-02T07:29:00Z,2\n2031-11-02T07:31:00Z,3\n2031-11-02T07:32:00Z,4",
		);
		expect(zoned).toMatchObject({ skipped: 1, points: [{ s: 0 }, { s: 60 }, { s: 120 }] });
	});

	// IANA time zone database: London at 02:00 of 26 October 2031, Lord Howe Island by half an hour at 02:00 of 6 April 2031.
	it.each([
		["Europe/London", "2031-10-26T00:30:00Z", "2031-10-26T01:30:00Z"],
		["Australia/Lord_Howe", "2031-04-05T14:45:00Z", "2031-04-05T15:15:00Z"],
		["Europe/London", "2031-10-26T02:30:00Z", undefined],
		["UTC", "2031-10-26T00:30:00Z", undefined],
	])("in %s the clock shows the same as at %s again at %s", (zone, first, second) => {
		const found = secondTime(Date.parse(first), zone);
		expect(found).toBe(second === undefined ? undefined : Date.parse(second));
	});

	it("takes no figure and no year that cannot be true", () => {
		const odd = opened(
			"time,temp,kwh\n2031-03-08 10:00,500,1\n2031-03-08 10:01,1e999,2\n2031-03-08 10:02,-9999,3\n9999-01-01 10:00,501,4\n2031-03-08 10:03,502,1e300",
		);
		expect(odd.skipped).toBe(1);
		expect(odd.points.map(({ airC }) => airC)).toEqual([500, null, null, 502]);
		expect(odd.points.map(({ kwh }) => kwh)).toEqual([1, 2, 3, null]);
	});

	it("goes on after midnight where only clocks were written", () => {
		const { points, guess } = opened("clock,temp\n23:59:30,700\n00:00:30,702\n00:01:30,704");
		expect(guess.time.as).toBe("clock");
		expect(points.map(({ s }) => s)).toEqual([0, 60, 120]);
	});

	it("counts what it skipped, keeps a missing value as a gap, and refuses what is no log", () => {
		const { points, skipped } = opened("s,temp\n0,20\n60,\nstopped,—\n120,26\n120,26\n180,30");
		expect(points.map(({ airC }) => airC)).toEqual([20, null, 26, 30]);
		expect(skipped).toBe(2);
		expect(previewLog("hello").ok).toBe(false);
		const text = "s,temp\n0,x\n60,y\n120,z";
		const mapping = {
			time: { column: 0, as: "seconds" as const, startsAt: null },
			air: 1,
			set: null,
			duty: null,
			kwh: null,
			unit: "C" as const,
			dutyIn: "share" as const,
			decimal: "." as const,
		};
		expect(readLog(text, mapping, ZONE)).toMatchObject({ ok: false });
	});

	it("starts counted times where it is told to", () => {
		const preview = previewLog(LAYOUTS[3]?.[1] ?? "");
		const mapping = preview.ok ? preview.value.guess : null;
		if (!mapping) throw new Error("no guess");
		const log = readLog(
			LAYOUTS[3]?.[1] ?? "",
			{ ...mapping, time: { ...mapping.time, startsAt: "2031-03-08T20:00:00.000Z" } },
			ZONE,
		);
		expect(log.ok && log.value.points[2]?.atMs).toBe(Date.parse("2031-03-08T20:02:00Z"));
	});

	it("writes what it reads", () => {
		const first = opened(LAYOUTS[0]?.[1] ?? "").points;
		expect(opened(writeLog(first)).points).toEqual(first);
	});

	it.each([
		["812.5", 812.5],
		["812,5", 812.5],
		["1,204.5", 1204.5],
		[" 20 °C", 20],
		["73 %", 73],
		["14:00", Number.NaN],
		["", Number.NaN],
		["-3.2", -3.2],
	])("reads %j as %d", (cell, value) =>
		expect(logNumber(cell, cell.includes(",") && !cell.includes(".") ? "," : ".")).toEqual(value),
	);
});
