import { type FileHandle, open } from "node:fs/promises";
import { join } from "node:path";
import type { RecorderForm } from "@core/kiln/log";
import { type RecordedLines, readRecorded } from "@formats/recorder-line";
import { inPool } from "../heavy/in-pool";
import type { KilnLine, LineReading, Unread } from "./kiln-line";
import { logFiles, logFolder, logText, wholeLines } from "./log-files";

/** Of a file not more than this is read in one round; the rest follows in the next, bytes. */
const MOST_BYTES = 4_000_000;
/** More than this is read in another thread, bytes. */
const SHORT_BYTES = 100_000;

/** How far a file has been read, up to a whole line, and what was wrong there. */
interface Followed {
	inode: number;
	offset: number;
	before: { foreign?: boolean; afterMs?: number };
	unread: Unread | null;
}

/**
 * A controller or recorder that writes CSV files into a folder. Each is followed from where it was read last, whole lines only, with
 * the form that a person confirmed; nothing is guessed. Without it, and where the file written last differs from it, it says nothing.
 */
export function folderLine(folder: string, form: RecorderForm | null, timeZone: string): KilnLine {
	const followed = new Map<string, Followed>();
	let unkept: LineReading[] = [];
	return {
		async read(since) {
			const { names, newest } = await logFiles(folder);
			if (!form) return { readings: [], unread: newest ? "unconfirmed" : null };
			for (const name of names) {
				const file = await open(join(logFolder(folder), name)).catch(() => undefined);
				if (!file) continue; // one that is gone again, or not ours to read, holds up no other
				try {
					unkept.push(...(await newLines(file, name, followed, form, timeZone)));
				} finally {
					await file.close();
				}
			}
			unkept = unkept.filter(({ at }) => !since || at > since).sort((a, b) => a.at.getTime() - b.at.getTime());
			return { readings: unkept, unread: followed.get(newest ?? "")?.unread ?? null };
		},
		kept() {
			unkept = [];
		},
		close() {},
	};
}

async function newLines(
	file: FileHandle,
	name: string,
	followed: Map<string, Followed>,
	form: RecorderForm,
	timeZone: string,
): Promise<LineReading[]> {
	const { size, ino } = await file.stat();
	const known = followed.get(name);
	const at: Followed =
		known && known.inode === ino && size >= known.offset ? known : { inode: ino, offset: 0, before: {}, unread: null };
	followed.set(name, at);
	if (size === at.offset) return [];
	const bytes = await wholeLines(file, at.offset, Math.min(size - at.offset, MOST_BYTES));
	if (bytes.length === 0) return [];
	const { readings, misfit, foreign } = await read({ text: logText(bytes), form, timeZone, before: at.before });
	at.offset += bytes.length;
	at.unread = misfit;
	at.before = { foreign, afterMs: readings.at(-1)?.atMs ?? at.before.afterMs ?? Number.NEGATIVE_INFINITY };
	return readings.map(({ atMs, ...values }) => ({
		...values,
		at: new Date(atMs),
		segment: null,
		elapsedS: null,
		status: null,
	}));
}

interface Lines {
	text: string;
	form: RecorderForm;
	timeZone: string;
	before: Followed["before"];
}

const read = async (lines: Lines): Promise<RecordedLines> =>
	lines.text.length > SHORT_BYTES
		? inPool("readRecorded", lines)
		: readRecorded(lines.text, lines.form, lines.timeZone, lines.before);
