import { DATED_FORMS, isDated, type RecorderForm } from "@core/kiln/log";
import { logTable, previewLog } from "@formats/kiln-log";
import { isHeader, type RecordedLine, readRecorded } from "@formats/recorder-line";
import type { newestLog } from "../../devices/log-files";

type Log = NonNullable<Awaited<ReturnType<typeof newestLog>>>;

/** The line of names that holds at a file's end: the last in its last lines, else the one it begins with. Null without any. */
export function headerOf({ head, tail }: Log): string[] | null {
	const names = (text: string) => logTable(text).table.filter(isHeader);
	const found = names(tail).at(-1) ?? names(head)[0];
	return found ? found.map((name) => name.trim()) : null;
}

/** The last lines after their names: those that are shown, or more. */
export function linesOf({ tail }: Log, most = SHOWN): string {
	const lines = tail.split(/\r?\n/).filter((line) => line.trim());
	const after = lines.findLastIndex((line) => logTable(line).table.some(isHeader));
	return lines
		.slice(after + 1)
		.slice(-most)
		.join("\n");
}

const SHOWN = 8;

/** How a recorder's lines look: a guess, for a person to look at. Null where nothing looks like a temperature with its date. */
export function guessedForm(log: Log, nowMs: number): RecorderForm | null {
	const header = headerOf(log);
	const lines = linesOf(log);
	const first = lines.split("\n")[0] ?? "";
	const delimiter = logTable(log.tail).delimiter;
	const names = header ? `${header.map((name) => JSON.stringify(name)).join(delimiter)}\n` : "";
	// A preview needs three lines; a recorder that has just begun has one.
	const preview = previewLog(`${names}${lines}\n${lines}\n${lines}\n`, nowMs);
	if (!preview.ok || !preview.value.guess) return null;
	const { guess } = preview.value;
	const columns = logTable(first, delimiter).table[0]?.length ?? 0;
	const as = isDated(guess.time.as) ? guess.time.as : DATED_FORMS[0];
	return { delimiter, header, columns, mapping: { ...guess, time: { ...guess.time, as, startsAt: null } } };
}

/** Whether the names that hold at its end are those of a form. */
export const isConfirmed = (log: Log, { header }: RecorderForm): boolean =>
	JSON.stringify(headerOf(log)) === JSON.stringify(header);

/** What its last lines say by a form: it may have written on while a person compared. */
export const recorderSays = (log: Log, form: RecorderForm, timeZone: string): RecordedLine[] => {
	return !isConfirmed(log, form)
		? []
		: readRecorded(linesOf(log, Number.POSITIVE_INFINITY), form, timeZone, { foreign: false }).readings;
};
