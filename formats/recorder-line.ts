import type { LogPoint, RecorderForm, Unfit } from "@core/kiln/log";
import { isNames, logTable, valuesOf } from "./kiln-log";
import { isAmbiguous, logNumber, statedUnit } from "./log-number";
import { SAYS_ZONE, secondTime, timeMs } from "./log-time";

export interface RecordedLine extends Omit<LogPoint, "s"> {
	atMs: number;
}

export interface RecordedLines {
	readings: RecordedLine[];
	/** What is wrong with the last line; null where it fits. */
	misfit: Unfit | null;
	/** The last line of names is not the one that was confirmed: nothing after it is read, until that one comes again. */
	foreign: boolean;
}

/** A sensor that gives nothing is written in many ways; none of them is a number of another form. */
const NOTHING = /^(|-+|—|n\/?a|nan|null|none|open|err(or)?|fault|o\.?l\.?|inf|\?+|\*+)$/i;

/**
 * Reads whole lines of a recorder with the form that was confirmed, and guesses nothing: a line with other columns, another form of time,
 * another decimal sign or another unit is no reading. @param before instant of the line before them, and whether the names before
 * them were others; without it the text begins a file
 */
export function readRecorded(
	text: string,
	form: RecorderForm,
	timeZone: string,
	before: { foreign?: boolean; afterMs?: number } = {},
): RecordedLines {
	const readings: RecordedLine[] = [];
	let { foreign = form.header !== null } = before;
	let misfit: Unfit | null = foreign ? "header" : null;
	let lastMs = before.afterMs ?? Number.NEGATIVE_INFINITY;
	for (const row of logTable(text, form.delimiter).table) {
		if (isHeader(row)) foreign = !isHeaderOf(row, form);
		misfit = foreign ? "header" : isHeader(row) ? null : misfitOf(row, form, timeZone);
		if (misfit || isHeader(row)) continue;
		const cell = row[form.mapping.time.column] ?? "";
		let ms = timeMs(cell, form.mapping.time.as, timeZone) ?? Number.NaN;
		if (ms <= lastMs && !SAYS_ZONE.test(cell)) ms = secondTime(ms, timeZone) ?? ms;
		if (ms <= lastMs) continue;
		lastMs = ms;
		readings.push({ atMs: ms, ...valuesOf(row, form.mapping) });
	}
	return { readings, misfit, foreign };
}

/** A line of names: no number in it, and words in two columns at least. */
export const isHeader = (row: readonly string[]): boolean =>
	isNames(row) && row.filter((cell) => /\p{L}/u.test(cell)).length >= 2;

/** Whether a line of names is, word for word, the one that was confirmed. */
export const isHeaderOf = (row: readonly string[], { header }: RecorderForm): boolean =>
	header !== null && header.length === row.length && header.every((name, i) => name === row[i]?.trim());

function misfitOf(row: readonly string[], { columns, mapping }: RecorderForm, timeZone: string): Unfit | null {
	if (row.length !== columns) return "columns";
	if (timeMs(row[mapping.time.column] ?? "", mapping.time.as, timeZone) === undefined) return "time";
	for (const column of [mapping.air, mapping.set]) {
		const cell = column === null ? "" : (row[column]?.trim() ?? "");
		if (NOTHING.test(cell)) continue;
		if (Number.isNaN(logNumber(cell, mapping.decimal)) || isAmbiguous(cell)) return "number";
		if ((statedUnit(cell) ?? mapping.unit) !== mapping.unit) return "unit";
	}
	return null;
}
