import { Readable } from "node:stream";
import type { Connection } from "@db/connect";
import { type ExportedTable, withExport } from "@db/queries/export";
import { downloadZip, type InputWithMeta, type InputWithoutMeta } from "client-zip";
import Papa from "papaparse";
import { noteAudit } from "../house/audit";
import type { Asking } from "../house/context";
import { refuseUnlessMay } from "../house/may";
import { Refusal } from "../house/refusal";

export const EXPORT_FILES = { "everything.json": "application/json", "everything.zip": "application/zip" } as const;
export type ExportFile = keyof typeof EXPORT_FILES;

let isUnderWay = false;
/** Whoever takes nothing of it for so long is cut off: others wait for it, ms. */
const STALLED_MS = 30_000;

/** The whole book as one JSON, or as a folder of CSV files and photos: made while it is read, never whole in memory. */
export async function exportEverything(
	{ db, sql }: Pick<Connection, "db" | "sql">,
	file: ExportFile,
	asking: Asking,
	stalledMs = STALLED_MS,
): Promise<ReadableStream<Uint8Array>> {
	await refuseUnlessMay(db, file, "instructor", asking);
	if (isUnderWay)
		throw new Refusal(
			"tooOften",
			"Everything is being written out for somebody just now. Try again when they have it.",
		);
	isUnderWay = true;
	await noteAudit(db, "exported", file, asking).catch((error: unknown) => {
		isUnderWay = false;
		throw error;
	});
	let stalled: NodeJS.Timeout | undefined;
	const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>({
		start(out) {
			stalled = setTimeout(() => out.error(new Error("nobody takes it")), stalledMs);
		},
		transform(chunk, out) {
			stalled?.refresh();
			out.enqueue(chunk);
		},
	});
	const done = withExport(sql, async (all, pictures) => {
		const source = file === "everything.json" ? textStream(jsonParts(all, asking.now)) : zipStream(all, pictures);
		await source.pipeTo(writable, { preventClose: true });
	});
	const freed = done.finally(() => {
		clearTimeout(stalled);
		isUnderWay = false;
	});
	// Free before its end is told: whoever has read it whole may ask again at once. What fails, the stream itself tells.
	void freed
		.then(
			() => writable.close(),
			(error: unknown) => writable.abort(error),
		)
		.catch(() => {});
	return readable;
}

const textStream = (parts: AsyncIterable<string>) =>
	Readable.toWeb(Readable.from(parts, { objectMode: false })) as ReadableStream<Uint8Array>;

async function* jsonParts(all: readonly ExportedTable[], now: Date): AsyncIterable<string> {
	yield `{"format":"zephyr-flats-everything","version":1,"writtenAt":${JSON.stringify(now)},"tables":{`;
	for (const [i, { name, batches }] of all.entries()) {
		yield `${i > 0 ? "," : ""}\n${JSON.stringify(name)}:[`;
		let isFirst = true;
		for await (const rows of batches()) {
			yield rows.map((row, at) => `${isFirst && at === 0 ? "" : ","}\n${JSON.stringify(row)}`).join("");
			isFirst = false;
		}
		yield "]";
	}
	yield "}}\n";
}

/** A table as CSV by RFC 4180; what a spreadsheet would take for a formula is not one. */
async function* csvParts({ columns, batches }: ExportedTable): AsyncIterable<string> {
	const line = (cells: unknown[][]) => `${Papa.unparse(cells as string[][], { escapeFormulae: true })}\r\n`;
	yield line([columns]);
	for await (const rows of batches()) yield line(rows.map((row) => columns.map((column) => cellOf(row[column]))));
}

function cellOf(value: unknown): unknown {
	return typeof value === "object" && value !== null ? JSON.stringify(value) : value;
}

function zipStream(
	all: readonly ExportedTable[],
	pictures: () => AsyncIterable<{ id: string; image: Uint8Array }[]>,
): ReadableStream<Uint8Array> {
	async function* files(): AsyncIterable<InputWithoutMeta | InputWithMeta> {
		for (const table of all) yield { name: `${table.name}.csv`, input: textStream(csvParts(table)) };
		for await (const some of pictures())
			for (const { id, image } of some) yield { name: `photos/${id}.webp`, input: new Response(new Uint8Array(image)) };
	}
	return downloadZip(files()).body as ReadableStream<Uint8Array>;
}
