import type { LogMapping, LogPoint } from "@core/kiln/log";
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
	const most = (column: number) => body.reduce((high, row) => Math.max(high, logNumber(row[column]) || 0), 0);
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

const PER_S = { seconds: 1, minutes: 60, hours: 3600 } as const;

/** Reads a log with its columns' meaning. @param timeZone of clocks and of instants that do not say theirs */
export function readLog(text: string, mapping: LogMapping, timeZone: string): Result<ReadLog> {
	const table = tableOf(text);
	const body = table[0] && isNames(table[0]) ? table.slice(1) : table;
	const startMs = mapping.time.startsAt ? Date.parse(mapping.time.startsAt) : null;
	const points: ReadLog["points"] = [];
	let skipped = 0;
	let dayMs = 0;
	let lastMs = Number.NEGATIVE_INFINITY;
	let firstMs: number | undefined;
	for (const row of body) {
		const raw = timeMs(row[mapping.time.column] ?? "", mapping.time.as, timeZone);
		if (raw === undefined) {
			skipped++;
			continue;
		}
		if (mapping.time.as === "clock" && raw + dayMs < lastMs) dayMs += 86_400_000;
		const ms = raw + dayMs;
		if (ms <= lastMs) {
			skipped++;
			continue;
		}
		lastMs = ms;
		firstMs ??= ms;
		const atMs = mapping.time.as === "instant" ? ms : startMs === null ? null : startMs + ms - firstMs;
		points.push({ s: (ms - firstMs) / 1000, atMs, ...valuesOf(row, mapping) });
	}
	if (points.length < 3) return problem(["mapping"], "With these columns not even 3 lines can be read. Choose others.");
	if (!points.some(({ airC }) => airC !== null))
		return problem(["mapping", "air"], "There is no temperature in this column.");
	return ok({ points, skipped });
}

function valuesOf(row: string[], { air, set, duty, kwh, unit, dutyIn }: LogMapping): Omit<LogPoint, "s"> {
	const number = (column: number | null) => {
		const value = column === null ? Number.NaN : logNumber(row[column]);
		return Number.isNaN(value) ? null : value;
	};
	const degrees = (value: number | null) => (value === null ? null : unit === "F" ? celsius(value) : value);
	const share = number(duty);
	return {
		airC: degrees(number(air)),
		setC: degrees(number(set)),
		duty: share === null ? null : Math.min(1, Math.max(0, dutyIn === "percent" ? share / 100 : share)),
		kwh: number(kwh),
	};
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
	const match =
		/^(\d{4})-(\d{1,2})-(\d{1,2})[T ](\d{1,2}):(\d{2})(?::(\d{2})(?:\.\d+)?)?\s*(Z|[+-]\d{2}:?\d{2})?$/i.exec(text);
	if (!match) return undefined;
	if (match[7]) {
		const ms = Date.parse(text.replace(" ", "T"));
		return Number.isNaN(ms) ? undefined : ms;
	}
	const [year = 0, month = 1, day = 1, hour = 0, minute = 0, second = 0] = match
		.slice(1, 7)
		.map((part) => Number(part ?? 0));
	return new TZDate(year, month - 1, day, hour, minute, second, timeZone).getTime();
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
