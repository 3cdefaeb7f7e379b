import { appendFile, mkdir, readFile, rm } from "node:fs/promises";
import { dirname, join, resolve } from "node:path";
import type { ReadingRow } from "@db/queries/readings";

const place = (kilnId: string) =>
	join(resolve(process.env.ZEPHYR_UNKEPT ?? "data/unkept"), `${kilnId.replace(/[^0-9a-f-]/gi, "")}.jsonl`);

/**
 * Readings of one kiln that the book does not have yet: in a small file of their own, one line a reading, until it takes them. They
 * outlast the database's absence and this process.
 */
export class Unkept {
	private rows: ReadingRow[] | undefined;

	constructor(private readonly kilnId: string) {}

	/** All that waits, oldest first. */
	async waiting(): Promise<readonly ReadingRow[]> {
		this.rows ??= await this.stored();
		return this.rows;
	}

	/** Keeps more; on the disk where that can be written, else as long as this process lives. */
	async add(rows: readonly ReadingRow[]): Promise<void> {
		if (rows.length === 0) return;
		this.rows = [...(await this.waiting()), ...rows];
		await mkdir(dirname(place(this.kilnId)), { recursive: true });
		await appendFile(place(this.kilnId), rows.map((row) => `${JSON.stringify(row)}\n`).join(""));
	}

	/** The book has them. */
	async clear(): Promise<void> {
		if (this.rows?.length === 0) return;
		this.rows = [];
		await rm(place(this.kilnId), { force: true });
	}

	private async stored(): Promise<ReadingRow[]> {
		const text = await readFile(place(this.kilnId), "utf8").catch(() => "");
		// A line that was cut off as the process ended is none.
		return text
			.split("\n")
			.slice(0, -1)
			.flatMap((line) => {
				try {
					const row = JSON.parse(line) as ReadingRow;
					return [{ ...row, at: new Date(row.at) }];
				} catch {
					return [];
				}
			});
	}
}
