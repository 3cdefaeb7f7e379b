import { type FileHandle, open, readdir } from "node:fs/promises";
import { join, resolve } from "node:path";
import type { LogMapping } from "@core/kiln/log";
import { previewLog, type ReadLog, readLines } from "@formats/kiln-log";
import { inPool } from "../heavy/in-pool";
import type { KilnLine, LineReading } from "./kiln-line";

/** Where kiln logs are put for the studio to find: one folder a kiln. */
export const logFolder = (folder: string): string => join(resolve(process.env.ZEPHYR_LOGS ?? "data/logs"), folder);

/** Of a file not more than this is read in one round; the rest follows in the next, bytes. */
const MOST_BYTES = 4_000_000;
/** More than this is read in another thread, bytes. */
const SHORT_BYTES = 100_000;
/** The columns of a file are told from its beginning, bytes. */
const HEAD_BYTES = 65_536;

/** How far a file has been read: up to a whole line, and with what columns. */
interface Followed {
	inode: number;
	offset: number;
	mapping: LogMapping | undefined;
	lastMs: number | undefined;
}

/**
 * A controller or recorder that writes CSV files into a folder. Each is followed from where it was read last, whole lines only:
 * the last one may still be being written, and 81 is no 812. Their times have to be instants.
 */
export function folderLine(folder: string, timeZone: string): KilnLine {
	const followed = new Map<string, Followed>();
	let unkept: LineReading[] = [];
	return {
		async read(since) {
			const place = logFolder(folder);
			const names = (await readdir(place)).filter((name) => name.toLowerCase().endsWith(".csv")).sort();
			for (const name of names) {
				const file = await open(join(place, name)).catch(() => undefined);
				if (!file) continue; // one that is gone again, or not ours to read, holds up no other
				try {
					unkept.push(...(await newLines(file, name, followed, timeZone)));
				} finally {
					await file.close();
				}
			}
			unkept = unkept.filter(({ at }) => !since || at > since).sort((a, b) => a.at.getTime() - b.at.getTime());
			return unkept;
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
	timeZone: string,
): Promise<LineReading[]> {
	const { size, ino } = await file.stat();
	const before = followed.get(name);
	const same = before && before.inode === ino && size >= before.offset;
	const at = same ? before : { inode: ino, offset: 0, mapping: undefined, lastMs: undefined };
	followed.set(name, at);
	if (size === at.offset) return [];
	at.mapping ??= instants(await textOf(file, 0, Math.min(size, HEAD_BYTES)));
	if (!at.mapping) return [];
	const text = wholeLines(await textOf(file, at.offset, Math.min(size - at.offset, MOST_BYTES)));
	const { points } = await read({ text, mapping: at.mapping, timeZone, afterMs: at.lastMs });
	at.offset += text.length; // one byte a sign
	at.lastMs = points.at(-1)?.atMs ?? at.lastMs;
	return points.map(({ atMs, s: _, ...values }) => ({
		...values,
		at: new Date(atMs ?? 0),
		segment: null,
		elapsedS: null,
		status: null,
	}));
}

async function textOf(file: FileHandle, from: number, length: number): Promise<string> {
	const { buffer, bytesRead } = await file.read(Buffer.alloc(length), 0, length, from);
	return buffer.toString("latin1", 0, bytesRead);
}

const wholeLines = (text: string): string => text.slice(0, text.lastIndexOf("\n") + 1);

/** Its columns, where its times are instants. */
function instants(head: string): LogMapping | undefined {
	const preview = previewLog(head);
	const mapping = preview.ok ? preview.value.guess : null;
	return mapping?.time.as === "instant" ? mapping : undefined;
}

interface Lines {
	text: string;
	mapping: LogMapping;
	timeZone: string;
	afterMs: number | undefined;
}

const read = async (lines: Lines): Promise<ReadLog> =>
	lines.text.length > SHORT_BYTES
		? inPool("readLines", lines)
		: readLines(lines.text, lines.mapping, lines.timeZone, lines.afterMs);
