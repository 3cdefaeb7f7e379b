import { readdir, readFile, stat } from "node:fs/promises";
import { join, resolve } from "node:path";
import { LARGEST_LOG_CHARACTERS } from "@contract/kiln";
import { previewLog, readLog } from "@formats/kiln-log";
import type { KilnLine, LineReading } from "./kiln-line";

/** Where kiln logs are put for the studio to find: one folder a kiln. */
export const logFolder = (folder: string): string => join(resolve(process.env.ZEPHYR_LOGS ?? "data/logs"), folder);

/**
 * A controller or recorder that writes CSV files into a folder: every file that changed is read again, and lines later than
 * what is known are readings. Their times have to be instants.
 */
export function folderLine(folder: string, timeZone: string): KilnLine {
	const seen = new Map<string, number>();
	return {
		async read(since) {
			const place = logFolder(folder);
			const names = (await readdir(place)).filter((name) => name.toLowerCase().endsWith(".csv")).sort();
			const readings: LineReading[] = [];
			for (const name of names) {
				const { mtimeMs, size } = await stat(join(place, name));
				if (seen.get(name) === mtimeMs || size > LARGEST_LOG_CHARACTERS) continue;
				const lines = linesOf(await readFile(join(place, name), "utf8"), timeZone);
				const fresh = lines.filter(({ at }) => !since || at > since);
				// Left alone only once all of it is known: what could not be kept is read again.
				if (fresh.length === 0) seen.set(name, mtimeMs);
				readings.push(...fresh);
			}
			return readings.sort((a, b) => a.at.getTime() - b.at.getTime());
		},
		close() {},
	};
}

function linesOf(text: string, timeZone: string): LineReading[] {
	const preview = previewLog(text);
	const mapping = preview.ok ? preview.value.guess : null;
	if (mapping?.time.as !== "instant") return [];
	const log = readLog(text, mapping, timeZone);
	if (!log.ok) return [];
	return log.value.points.map(({ atMs, airC, setC, duty, kwh }) => ({
		at: new Date(atMs ?? 0),
		airC,
		setC,
		duty,
		kwh,
		segment: null,
		elapsedS: null,
		status: null,
	}));
}
