import { DELIMITERS, type Delimiter, isDated, type LogMapping, type LogPoint } from "@core/kiln/log";
import { plausible } from "@core/kiln/plausible";
import { ok, problem, type Result } from "@core/result";
import { celsius } from "@core/units/temperature";
import Papa from "papaparse";
import { decimalSignOf, isAmbiguous, logNumber, statedUnit } from "./log-number";
import { SAYS_ZONE, secondTime, timeForm, timeMs } from "./log-time";

/** A kiln's log as text: comma, semicolon or tab between columns, with or without a line of names, points or decimal commas. */
export interface LogPreview {
	columns: { name: string; sample: string[] }[];
	rows: number;
	hasNames: boolean;
	/** What the columns look like; null where nothing looks like a time or a temperature. */
	guess: LogMapping | null;
	/** What stands between its columns. */
	delimiter: Delimiter;
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

/** A log’s lines, cell by cell. */
export function logTable(text: string, delimiter: Delimiter | "" = ""): { table: string[][]; delimiter: Delimiter } {
	const { data, meta } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ""), { skipEmptyLines: "greedy", delimiter });
	return { table: data, delimiter: DELIMITERS.find((one) => one === meta.delimiter) ?? "," };
}

const withColumns = (table: string[][]) => table.filter((row) => row.length > 1);

/** Whether a line is one of names: no number, no clock. */
export const isNames = (row: readonly string[]): boolean =>
	row.every((cell) => !/\d{1,2}:\d{2}/.test(cell) && [".", ","].every((sign) => isNoNumber(cell, sign as "." | ","))) &&
	row.some((cell) => cell.trim());
const isNoNumber = (cell: string, sign: "." | ",") => Number.isNaN(logNumber(cell, sign));

/** @param nowMs when it is looked at: tells days from months where both could be either */
export function previewLog(text: string, nowMs = Date.now()): Result<LogPreview> {
	const { table: all, delimiter } = logTable(text);
	const table = withColumns(all);
	const first = table[0];
	if (!first || table.length < 3)
		return problem(["text"], "This is no log with columns: at least 3 lines with a time and a temperature are needed.");
	const hasNames = isNames(first);
	const body = hasNames ? table.slice(1) : table;
	const columns = first.map((name, i) => ({
		name: hasNames ? name.trim() : `column ${i + 1}`,
		sample: body.slice(0, SAMPLE).map((row) => row[i]?.trim() ?? ""),
	}));
	return ok({ columns, rows: body.length, hasNames, delimiter, guess: guess(columns, body, hasNames, nowMs) });
}

/** Names of temperatures that are not the kiln's. */
const BESIDE = /ambient|room|\bcj\b|cold.?junction|board|internal|case|logger|outside|cabinet|enclosure|\bref/i;
const INSIDE = /kiln|chamber|oven|furnace|actual|\bpv\b|process|measured|thermocouple|\btc/i;
const SET = /set|target|\bsp\b|program/i;

/** Which of the columns with numbers is the kiln's, by its name; else the first that is not of something beside it. */
function kilnColumn(columns: readonly { column: number; name: string }[]): number | undefined {
	const own = columns.filter(({ name }) => !BESIDE.test(name));
	const found =
		own.find(({ name }) => INSIDE.test(name)) ??
		own.find(({ name }) => /temp|air|°/i.test(name)) ??
		own[0] ??
		columns[0];
	return found?.column;
}

/** What columns look like. Only for a person to look at and change: nothing that is said of a kiln now rests on it. */
function guess(columns: LogPreview["columns"], body: string[][], hasNames: boolean, nowMs: number): LogMapping | null {
	const cells = (column: number) => body.map((row) => row[column]?.trim() ?? "");
	const named = (pattern: RegExp, not?: RegExp) =>
		columns.findIndex(({ name }) => hasNames && pattern.test(name) && !not?.test(name));
	const form = (column: number) => timeForm(cells(column).filter(Boolean), columns[column]?.name ?? "", nowMs);
	const timeByLook = columns.findIndex((_, i) => !["seconds", "minutes", "hours"].includes(form(i)));
	const timeByName = named(/time|date|elapsed|clock|stamp|^(s|sec|min|h)\b|hour|minute|second/i);
	const time = timeByLook >= 0 ? timeByLook : Math.max(0, timeByName);
	const set = named(SET, BESIDE);
	const duty = named(/duty|out(put)?\b|power|relay|%/i, /kwh/i);
	const kwh = named(/kwh|energy/i);
	const others = columns.map((_, i) => i).filter((i) => ![time, set, duty, kwh].includes(i));
	const numbers = (column: number) => {
		const decimal = decimalSignOf(cells(column));
		return cells(column)
			.map((cell) => logNumber(cell, decimal))
			.filter((value) => !Number.isNaN(value) && value <= NEVER_F);
	};
	const nameOf = (column: number) => (hasNames ? (columns[column]?.name ?? "") : "");
	const air = kilnColumn(
		others.filter((i) => numbers(i).length > 0).map((column) => ({ column, name: nameOf(column) })),
	);
	if (air === undefined) return null;
	const most = (column: number) => numbers(column).reduce((high, value) => Math.max(high, value), 0);
	const none = (column: number) => (column >= 0 ? column : null);
	const stated = statedUnit(nameOf(air)) ?? cells(air).map(statedUnit).find(Boolean);
	return {
		time: { column: time, as: form(time), startsAt: null },
		air,
		set: none(set),
		duty: none(duty),
		kwh: none(kwh),
		unit: stated ?? (most(air) > HOTTEST_C ? "F" : "C"),
		dutyIn: duty >= 0 && most(duty) > 1.5 ? "percent" : "share",
		decimal: decimalSignOf([...cells(air), ...(set >= 0 ? cells(set) : []), ...(kwh >= 0 ? cells(kwh) : [])]),
	};
}

/** Reads a log with its columns' meaning. @param timeZone of clocks and of instants that do not say theirs */
export function readLog(text: string, mapping: LogMapping, timeZone: string): Result<ReadLog> {
	const read = readLines(text, mapping, timeZone);
	if (read.points.length < 3)
		return problem(["mapping"], "With these columns not even 3 lines can be read. Choose others.");
	if (!read.points.some(({ airC }) => airC !== null))
		return problem(["mapping", "air"], "There is no temperature in this column.");
	return ok(read);
}

function readLines(text: string, mapping: LogMapping, timeZone: string): ReadLog {
	const table = withColumns(logTable(text).table);
	const body = table[0] && isNames(table[0]) ? table.slice(1) : table;
	const startMs = mapping.time.startsAt ? Date.parse(mapping.time.startsAt) : null;
	const points: ReadLog["points"] = [];
	let skipped = 0;
	let dayMs = 0;
	let lastMs = Number.NEGATIVE_INFINITY;
	let firstMs: number | undefined;
	for (const row of body) {
		const cell = row[mapping.time.column] ?? "";
		const raw = timeMs(cell, mapping.time.as, timeZone, mapping.decimal);
		if (raw === undefined) {
			skipped++;
			continue;
		}
		if (mapping.time.as === "clock" && raw + dayMs < lastMs) dayMs += 86_400_000;
		let ms = raw + dayMs;
		// A wall clock steps back in the night that has an hour twice: the second is meant.
		if (ms <= lastMs && isDated(mapping.time.as) && !SAYS_ZONE.test(cell)) ms = secondTime(ms, timeZone) ?? ms;
		if (ms <= lastMs) {
			skipped++;
			continue;
		}
		lastMs = ms;
		firstMs ??= ms;
		const atMs = isDated(mapping.time.as) ? ms : startMs === null ? null : startMs + ms - firstMs;
		points.push({ s: (ms - firstMs) / 1000, atMs, ...valuesOf(row, mapping) });
	}
	return { points, skipped };
}

/** What a line says with its columns' meaning. A unit that a cell states wins; a number that could mean two things is none. */
export function valuesOf(row: readonly string[], mapping: LogMapping): Omit<LogPoint, "s"> {
	const { air, set, duty, kwh, unit, dutyIn, decimal } = mapping;
	const number = (column: number | null) => {
		const value = column === null ? Number.NaN : logNumber(row[column], decimal);
		return Number.isNaN(value) ? null : value;
	};
	const degrees = (column: number | null) => {
		const value = number(column);
		if (column === null || value === null || isAmbiguous(row[column])) return null;
		return (statedUnit(row[column]) ?? unit) === "F" ? celsius(value) : value;
	};
	const share = number(duty);
	const {
		segment: _,
		elapsedS: __,
		...values
	} = plausible({
		airC: degrees(air),
		setC: degrees(set),
		duty: share === null ? null : Math.min(1, Math.max(0, dutyIn === "percent" ? share / 100 : share)),
		kwh: number(kwh),
		segment: null,
		elapsedS: null,
	});
	return values;
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
