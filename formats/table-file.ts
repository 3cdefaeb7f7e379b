import { ok, problem, type Result } from "@core/result";
import Papa from "papaparse";
import type { BrokenLine } from "./columns";

/** A table as it came: what stands in its first line, and the others with the line of the file they begin in. */
export interface TableFile {
	columns: string[];
	rows: { line: number; cells: string[] }[];
	/** "UTF-8", "UTF-16" or "Windows-1252": guessed. */
	encoding: string;
	separator: string;
	/** Lines that could not be read, and why. */
	broken: BrokenLine[];
}

/** A list longer than this is not read: nobody looks through it, bytes. */
export const LARGEST_TABLE_BYTES = 1024 * 1024;

const SEPARATORS = [",", ";", "\t", "|"];

/** Reads a table of CSV whatever its encoding and separator; lines that do not fit are named, the others stay. */
export function readTable(bytes: Uint8Array): Result<TableFile> {
	if (bytes.byteLength > LARGEST_TABLE_BYTES)
		return problem([], `A list has at most ${LARGEST_TABLE_BYTES / 1024} KB; this one was not read.`);
	const { text, encoding } = decoded(bytes);
	if (text.includes("\0")) return problem([], "This is not a table of text. Save it as CSV and choose it again.");
	if (text.trim() === "") return problem([], "There is nothing in this file.");
	const separator = separatorOf(text);
	const { data, errors } = Papa.parse<string[]>(text, { delimiter: separator, skipEmptyLines: false });
	const broken: TableFile["broken"] = [];
	const unclosed = errors.find(({ code }) => code === "MissingQuotes");
	const rows: TableFile["rows"] = [];
	let line = 1;
	for (const [i, cells] of data.entries()) {
		const at = line;
		line += 1 + cells.reduce((sum, cell) => sum + (cell.match(/\r\n|\n|\r/g)?.length ?? 0), 0);
		if (cells.every((cell) => cell.trim() === "")) continue;
		if (unclosed?.row === i) {
			broken.push({ line: at, sentence: "A quotation mark is opened here and never closed." });
			continue;
		}
		rows.push({ line: at, cells: cells.map((cell) => cell.trim()) });
	}
	const [head, ...rest] = rows;
	if (!head) return problem([], "There is nothing in this file that can be read.");
	const fits = rest.filter(({ cells }) => cells.length <= head.cells.length);
	for (const { line: at, cells } of rest)
		if (cells.length > head.cells.length)
			broken.push({ line: at, sentence: `It has ${cells.length} columns, the first line has ${head.cells.length}.` });
	broken.sort((a, b) => a.line - b.line);
	return ok({ columns: head.cells, rows: fits, encoding, separator, broken });
}

/** UTF-8 where it is, UTF-16 where it says so, else the usual one of western spreadsheets. */
function decoded(bytes: Uint8Array): { text: string; encoding: string } {
	const [a, b] = bytes;
	if (a === 0xff && b === 0xfe) return { text: new TextDecoder("utf-16le").decode(bytes), encoding: "UTF-16" };
	if (a === 0xfe && b === 0xff) return { text: new TextDecoder("utf-16be").decode(bytes), encoding: "UTF-16" };
	try {
		return { text: new TextDecoder("utf-8", { fatal: true }).decode(bytes), encoding: "UTF-8" };
	} catch {
		return { text: new TextDecoder("windows-1252").decode(bytes), encoding: "Windows-1252" };
	}
}

/** The separator that stands most often in the first line, outside of quotation marks. */
function separatorOf(text: string): string {
	const [first = ""] = text.split(/\r\n|\n|\r/);
	const bare = first.replaceAll(/"(?:[^"]|"")*"/g, "");
	const counted = SEPARATORS.map((sign) => ({ sign, n: bare.split(sign).length - 1 }));
	return counted.sort((x, y) => y.n - x.n)[0]?.sign ?? ",";
}
