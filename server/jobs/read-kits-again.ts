import type { Database } from "@db/connect";
import { tellChange } from "@db/queries/changes";
import { loadGlassBook } from "@db/queries/glass";
import { type ReadTable, readRows, writeReading } from "@db/queries/kits";
import { kitDesign, kitVersion } from "@db/schema";
import { logError } from "../house/log";
import { isCurrent, makeReading } from "../kits/models/kit-reading";

const BATCH = 50;

/**
 * Reads kits again, drafts and what was issued of them, whose stored figures come from another version of the core or from
 * books that were changed since. Nobody waits for it: it holds no lock while it reads, and leaves what somebody works on.
 * @returns how many were read
 */
export async function readKitsAgain(db: Database): Promise<number> {
	const read = (await readTable(db, kitDesign)) + (await readTable(db, kitVersion));
	if (read > 0) await tellChange(db, { topics: ["kits"] });
	return read;
}

async function readTable(db: Database, table: ReadTable): Promise<number> {
	const book = await loadGlassBook(db);
	let read = 0;
	let after: string | undefined;
	do {
		const rows = await readRows(db, table, after, BATCH);
		for (const row of rows) {
			try {
				if (isCurrent(row, book)) continue;
				if (await writeReading(db, table, row, await makeReading(row.document, book))) read++;
			} catch (error) {
				// It keeps its old figures, and holds up none of the others.
				logError("a kit was not read again", error, { kit: row.id });
			}
		}
		after = rows.length === BATCH ? rows.at(-1)?.id : undefined;
	} while (after !== undefined);
	return read;
}
