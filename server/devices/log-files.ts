import { type FileHandle, open, readdir, stat } from "node:fs/promises";
import { join, resolve } from "node:path";

/** Where kiln logs are put for the studio to find: one folder a kiln. */
export const logFolder = (folder: string): string => join(resolve(process.env.ZEPHYR_LOGS ?? "data/logs"), folder);

/** The CSV files of a folder by name, and which was written last. @throws where there is no such folder */
export async function logFiles(folder: string): Promise<{ names: string[]; newest: string | undefined }> {
	const place = logFolder(folder);
	const names = (await readdir(place)).filter((name) => name.toLowerCase().endsWith(".csv")).sort();
	const written = await Promise.all(
		names.map(async (name) => ({ name, ms: (await stat(join(place, name)).catch(() => undefined))?.mtimeMs ?? 0 })),
	);
	return { names, newest: written.toSorted((a, b) => b.ms - a.ms || (a.name < b.name ? 1 : -1))[0]?.name };
}

/** Bytes of a file up to the last whole line: the last one may still be being written, and 81 is no 812. */
export async function wholeLines(file: FileHandle, from: number, length: number): Promise<Buffer> {
	const { buffer, bytesRead } = await file.read(Buffer.alloc(length), 0, length, from);
	return buffer.subarray(0, buffer.subarray(0, bytesRead).lastIndexOf(0x0a) + 1);
}

/** Text as recorders write it: UTF-8, or one byte a sign. */
export function logText(bytes: Buffer): string {
	try {
		return new TextDecoder("utf-8", { fatal: true, ignoreBOM: true }).decode(bytes);
	} catch {
		return bytes.toString("latin1");
	}
}

const HEAD_BYTES = 65_536;
const TAIL_BYTES = 16_384;

/** The newest file of a folder: its beginning, where names stand, and its last lines. Undefined without a file. */
export async function newestLog(folder: string): Promise<{ name: string; head: string; tail: string } | undefined> {
	const { newest } = await logFiles(folder).catch(() => ({ newest: undefined }));
	if (!newest) return undefined;
	const file = await open(join(logFolder(folder), newest));
	try {
		const { size } = await file.stat();
		const head = logText(await wholeLines(file, 0, Math.min(size, HEAD_BYTES)));
		const from = Math.max(0, size - TAIL_BYTES);
		const tail = logText(await wholeLines(file, from, size - from));
		return { name: newest, head, tail: from === 0 ? tail : tail.slice(tail.indexOf("\n") + 1) };
	} finally {
		await file.close();
	}
}
