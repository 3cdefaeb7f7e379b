import type { LogMapping, LogPoint } from "@core/kiln/log";
import { plausible } from "@core/kiln/plausible";
import { ok, problem, type Result } from "@core/result";
import { celsius } from "@core/units/temperature";
import { TZDate } from "@date-fns/tz";
import Papa from "papaparse";

/** A kiln's log as text: comma, semicolon or tab between columns, with or without a line of names, points or decimal commas. */
export interface LogPreview {
	columns: { name: string; sample: string[] }[];
	rows: number;
	hasNames: boolean;
	/** What the columns look like; null where nothing looks like a time or a temperature. */
	guess: LogMapping | null;
}

export interface ReadLog {
	/** With the instant of each line, ms, where the log or its start says it. */
	points: (LogPoint & { atMs: number | null })[];
	/** Lines that could not be read. */
	skipped: number;
}

const SAMPLE = 6;
/** Nothing that fires glass in °C gets here: such a column is °F. */
const HOTTEST_C = 1150;
/** Nor anything in °F here: such a value is a fault, and says nothing about the others. */
const NEVER_F = 2800;

const tableOf = (text: string): string[][] =>
	Papa.parse<string[]>(text.replace(/^\uFEFF/, ""), { skipEmptyLines: "greedy" }).data.filter((row) => row.length > 1);

/** "812.5", "812,5", " 812 °C", "73 %" → number; NaN where there is none. */
export function logNumber(cell: string | undefined): number {
	const text = (cell ?? "").trim().replace(/\s*(°\s*[CF]|%|kWh|C|F)$/i, "");
	if (!/^[+-]?\d[\d.,]*(e[+-]?\d+)?$/i.test(text)) return Number.NaN;
	const plain = text.includes(",") && !text.includes(".") ? text.replace(",", ".") : text.replace(/,(?=\d{3}\b)/g, "");
	return Number(plain);
}

const isNames = (row: string[]): boolean =>
	row.every((cell) => Number.isNaN(logNumber(cell)) && !/\d{1,2}:\d{2}/.test(cell)) && row.some((cell) => cell.trim());

export function previewLog(text: string): Result<LogPreview> {
	const table = tableOf(text);
	const first = table[0];
	if (!first || table.length < 3)
		return problem(["text"], "This is no log with columns: at least 3 lines with a time and a temperature are needed.");
	const hasNames = isNames(first);
	const body = hasNames ? table.slice(1) : table;
	const columns = first.map((name, i) => ({
		name: hasNames ? name.trim() : `column ${i + 1}`,
		sample: body.slice(0, SAMPLE).map((row) => row[i]?.trim() ?? ""),
	}));
	return ok({ columns, rows: body.length, hasNames, guess: guess(columns, body, hasNames) });
}

function guess(columns: LogPreview["columns"], body: string[][], hasNames: boolean): LogMapping | null {
	const named = (pattern: RegExp, not?: RegExp) =>
		columns.findIndex(({ name }) => hasNames && pattern.test(name) && !not?.test(name));
	const timeByLook = columns.findIndex(({ sample }) => sample.every((cell) => timeKind(cell, "") !== "seconds"));
	const timeByName = named(/time|date|elapsed|clock|stamp|^(s|sec|min|h)\b|hour|minute|second/i);
	const time = timeByLook >= 0 ? timeByLook : Math.max(0, timeByName);
	const set = named(/set|target|\bsp\b|program/i);
	const duty = named(/duty|out(put)?\b|power|relay|%/i, /kwh/i);
	const kwh = named(/kwh|energy/i);
	const others = columns.map((_, i) => i).filter((i) => ![time, set, duty, kwh].includes(i));
	const byName = named(/temp|actual|air|\bpv\b|measured|kiln|°|chamber/i, /set|target/i);
	const air = others.includes(byName) ? byName : others.find((i) => !Number.isNaN(logNumber(body[0]?.[i])));
	if (air === undefined) return null;
	const most = (column: number) =>
		body
			.map((row) => logNumber(row[column]))
			.reduce((high, value) => (value <= NEVER_F ? Math.max(high, value) : high), 0);
	const header = columns[air]?.name ?? "";
	const none = (column: number) => (column >= 0 ? column : null);
	return {
		time: { column: time, as: timeKind(columns[time]?.sample[0] ?? "", columns[time]?.name ?? ""), startsAt: null },
		air,
		set: none(set),
		duty: none(duty),
		kwh: none(kwh),
		unit: /°?\bF\b|fahrenheit/i.test(header) || most(air) > HOTTEST_C ? "F" : "C",
		dutyIn: duty >= 0 && most(duty) > 1.5 ? "percent" : "share",
	};
}

function timeKind(cell: string, name: string): LogMapping["time"]["as"] {
	if (/^\d{4}-\d{1,2}-\d{1,2}[T ]/.test(cell)) return "instant";
	if (/^\d{1,2}:\d{2}(:\d{2})?$/.test(cell)) return "clock";
	if (/min/i.test(name)) return "minutes";
	return /hour|^h\b|\(h\)/i.test(name) ? "hours" : "seconds";
}

const SAYS_ZONE = /(Z|[+-]\d{2}:?\d{2})\s*$/i;
const PER_S = { seconds: 1, minutes: 60, hours: 3600 } as const;

/** Reads a log with its columns' meaning. @param timeZone of clocks and of instants that do not say theirs */
export function readLog(text: string, mapping: LogMapping, timeZone: string): Result<ReadLog> {
	const read = readLines(text, mapping, timeZone);
	if (read.points.length < 3)
		return problem(["mapping"], "With these columns not even 3 lines can be read. Choose others.");
	if (!read.points.some(({ airC }) => airC !== null))
		return problem(["mapping", "air"], "There is no temperature in this column.");
	return ok(read);
}

/** Some whole lines of a log, with or without its line of names, however few. @param afterMs instant of the line before them */
export function readLines(
	text: string,
	mapping: LogMapping,
	timeZone: string,
	afterMs = Number.NEGATIVE_INFINITY,
): ReadLog {
	const table = tableOf(text);
	const body = table[0] && isNames(table[0]) ? table.slice(1) : table;
	const startMs = mapping.time.startsAt ? Date.parse(mapping.time.startsAt) : null;
	const points: ReadLog["points"] = [];
	let skipped = 0;
	let dayMs = 0;
	let lastMs = afterMs;
	let firstMs: number | undefined;
	for (const row of body) {
		const cell = row[mapping.time.column] ?? "";
		const raw = timeMs(cell, mapping.time.as, timeZone);
		if (raw === undefined) {
			skipped++;
			continue;
		}
		if (mapping.time.as === "clock" && raw + dayMs < lastMs) dayMs += 86_400_000;
		let ms = raw + dayMs;
		// A wall clock steps back in the night that has an hour twice: the second is meant.
		if (ms <= lastMs && mapping.time.as === "instant" && !SAYS_ZONE.test(cell)) ms = secondTime(ms, timeZone) ?? ms;
		if (ms <= lastMs) {
			skipped++;
			continue;
		}
		lastMs = ms;
		firstMs ??= ms;
		const atMs = mapping.time.as === "instant" ? ms : startMs === null ? null : startMs + ms - firstMs;
		points.push({ s: (ms - firstMs) / 1000, atMs, ...valuesOf(row, mapping) });
	}
	return { points, skipped };
}

function valuesOf(row: string[], { air, set, duty, kwh, unit, dutyIn }: LogMapping): Omit<LogPoint, "s"> {
	const number = (column: number | null) => {
		const value = column === null ? Number.NaN : logNumber(row[column]);
		return Number.isNaN(value) ? null : value;
	};
	const degrees = (value: number | null) => (value === null ? null : unit === "F" ? celsius(value) : value);
	const share = number(duty);
	const {
		segment: _,
		elapsedS: __,
		...values
	} = plausible({
		airC: degrees(number(air)),
		setC: degrees(number(set)),
		duty: share === null ? null : Math.min(1, Math.max(0, dutyIn === "percent" ? share / 100 : share)),
		kwh: number(kwh),
		segment: null,
		elapsedS: null,
	});
	return values;
}

function timeMs(cell: string, as: LogMapping["time"]["as"], timeZone: string): number | undefined {
	const text = cell.trim();
	if (as === "clock") {
		const match = /^(\d{1,2}):(\d{2})(?::(\d{2}))?$/.exec(text);
		if (!match) return undefined;
		return (Number(match[1]) * 3600 + Number(match[2]) * 60 + Number(match[3] ?? 0)) * 1000;
	}
	if (as !== "instant") {
		const value = logNumber(text);
		return Number.isNaN(value) ? undefined : value * PER_S[as] * 1000;
	}
	return instantMs(text, timeZone);
}

/** Years outside these are a clock that was never set. */
const YEARS = [2000, 2100] as const;

/** An instant written out; one without a zone is a wall clock’s. Undefined where it is none. */
function instantMs(text: string, timeZone: string): number | undefined {
	const match =
		/^(\d{4})-(\d{1,2})-(\d{1,2})[T ](\d{1,2}):(\d{2})(?::(\d{2})(?:\.\d+)?)?\s*(Z|[+-]\d{2}:?\d{2})?$/i.exec(text);
	if (!match) return undefined;
	if (Number(match[1]) < YEARS[0] || Number(match[1]) > YEARS[1]) return undefined;
	if (match[7]) {
		const ms = Date.parse(text.replace(" ", "T"));
		return Number.isNaN(ms) ? undefined : ms;
	}
	const [year = 0, month = 1, day = 1, hour = 0, minute = 0, second = 0] = match
		.slice(1, 7)
		.map((part) => Number(part ?? 0));
	return Date.UTC(year, month - 1, day, hour, minute, second) - offsetMs(year, month, day, hour, minute, timeZone);
}

const QUARTER_MIN = 15;
const QUARTERS = 4000;
const offsets = new Map<string, number>();

/** How far (ms) a zone is ahead of UTC at a wall clock’s time; looked up once a quarter of an hour, for a log has thousands of lines. */
function offsetMs(year: number, month: number, day: number, hour: number, minute: number, timeZone: string): number {
	const quarter = Math.floor(minute / QUARTER_MIN) * QUARTER_MIN;
	const key = `${timeZone} ${year}-${month}-${day} ${hour}:${quarter}`;
	const known = offsets.get(key);
	if (known !== undefined) return known;
	const wall = Date.UTC(year, month - 1, day, hour, quarter);
	const found = wall - new TZDate(year, month - 1, day, hour, quarter, 0, timeZone).getTime();
	if (offsets.size > QUARTERS) offsets.clear();
	offsets.set(key, found);
	return found;
}

/** How far clocks are put back in autumn, ms. Source: IANA time zone database; half an hour on Lord Howe Island, else one. */
const PUT_BACK_MS = [3_600_000, 1_800_000];

/** The later of the two instants at which a wall clock shows the same in the night it is put back; undefined on other days. */
export function secondTime(ms: number, timeZone: string): number | undefined {
	const wall = (at: number) => at + new TZDate(at, timeZone).getTimezoneOffset() * -60_000;
	const back = PUT_BACK_MS.find((by) => wall(ms + by) === wall(ms));
	return back === undefined ? undefined : ms + back;
}

/** Readings as CSV: one line a reading, instants in UTC, °C, duty 0–1. Read back by {@link readLog} as it stands. */
export const writeLog = (points: readonly (LogPoint & { atMs: number | null })[]): string =>
	Papa.unparse(
		{
			fields: ["time", "temperature °C", "set point °C", "duty", "kWh"],
			data: points.map(({ atMs, s, airC, setC, duty, kwh }) => [
				atMs === null ? s : new Date(atMs).toISOString(),
				airC?.toFixed(1) ?? "",
				setC?.toFixed(1) ?? "",
				duty?.toFixed(3) ?? "",
				kwh?.toFixed(3) ?? "",
			]),
		},
		{ newline: "\n" },
	);
