import type { Database } from "@db/connect";
import { tellChange } from "@db/queries/changes";
import { loadKiln } from "@db/queries/kilns";
import { AHEAD_MS, loadImport, storeLines } from "@db/queries/readings";
import { kilnImport } from "@db/schema";
import { inPool } from "../heavy/in-pool";
import { afterPreparing } from "../house/context";
import { inTransaction } from "../house/in-transaction";
import { logError } from "../house/log";
import { inTheBook, Refusal } from "../house/refusal";

/** Lines that are written at a time. */
const BATCH_LINES = 5000;

/** A line of a log with its instant. */
interface Line {
	at: Date;
	airC: number | null;
	setC: number | null;
	duty: number | null;
	kwh: number | null;
}

/**
 * A recorded log joins the kiln's past, as a batch that can be taken back; nothing of it is live. Lines that are already there
 * count once, those dated ahead of now are left out. Read before the transaction and written in batches: the kiln is heard all
 * the while.
 */
export const importKilnLog = afterPreparing<"importKilnLog", { lines: Line[]; skipped: number }>(
	async ({ studio, now }, { text, mapping }) => {
		const read = await inPool("readLog", { text, mapping, timeZone: studio.timeZone }, READING_MS);
		if (!read.ok) throw new Refusal("invalid", read.problems);
		const { points, skipped } = read.value;
		if (points.some(({ atMs }) => atMs === null))
			throw new Refusal("invalid", [
				{ path: ["mapping", "time", "startsAt"], sentence: "Say when this log begins: its times are only counted." },
			]);
		const lines = points
			.map(({ atMs, s: _, ...values }) => ({ at: new Date(atMs ?? 0), ...values }))
			.filter(({ at }) => at.getTime() <= now.getTime() + AHEAD_MS);
		if (lines.length === 0)
			throw new Refusal("invalid", [
				{ path: ["mapping", "time"], sentence: "This log is dated in the future: the clock that wrote it was wrong." },
			]);
		return { lines, skipped: skipped + points.length - lines.length };
	},
	async (context, { importId, kilnId }, { lines, skipped }) => {
		const { tx, actor, now } = context;
		const [first, last] = [(lines[0] as Line).at, (lines.at(-1) as Line).at];
		if (!(await loadImport(tx, importId))) {
			inTheBook(await loadKiln(tx, kilnId), "kiln");
			await tx.insert(kilnImport).values({
				id: importId,
				kilnId,
				at: now,
				actorId: actor.id,
				from: first,
				to: last,
				lines: lines.length,
				added: 0,
			});
			await storeLines(tx, importId, 0, lines.slice(0, BATCH_LINES), now);
		}
		const { added, written } = inTheBook(await loadImport(tx, importId), "log");
		// Also where it is sent again: whoever wrote the rest may have ended.
		if (written < lines.length) context.afterwards.push(async (db) => void writeOn(db, importId, lines, written));
		const toCome = lines.length - written;
		return { added, known: written - added, toCome, skipped, from: first.toISOString(), to: last.toISOString() };
	},
);

/** The longest log takes this long on a slow machine, ms. */
const READING_MS = 60_000;

/** The rest of a log, a batch after another, each kept by itself; not waited for, and over when it is taken back meanwhile. */
async function writeOn(db: Database, importId: string, lines: readonly Line[], written: number): Promise<void> {
	for (let from = written; from < lines.length; from += BATCH_LINES) {
		const goesOn = await inTransaction(db, async (tx) => {
			const may = await storeLines(tx, importId, from, lines.slice(from, from + BATCH_LINES), new Date());
			await tellChange(tx, { topics: ["readings"] });
			return may;
		}).catch((error: unknown) => {
			logError("a log was not written to its end", error, { import: importId });
			return false; // told on the kiln’s page: broken off
		});
		if (!goesOn) return;
	}
}
