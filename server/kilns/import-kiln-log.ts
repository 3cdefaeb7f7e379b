import type { ActionOutput } from "@contract/actions";
import { loadKiln } from "@db/queries/kilns";
import { AHEAD_MS, loadImport, storeReadings } from "@db/queries/readings";
import { kilnImport } from "@db/schema";
import { eq } from "drizzle-orm";
import { inPool } from "../heavy/in-pool";
import { afterPreparing } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";

type Answer = ActionOutput["importKilnLog"];

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
 * count once, those dated ahead of now are left out. Read before the transaction: the kiln is heard all the while.
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
	async ({ tx, actor, now }, { importId, kilnId }, { lines, skipped }) => {
		const answer = (added: number): Answer => ({
			added,
			known: lines.length - added,
			skipped,
			from: (lines[0] as Line).at.toISOString(),
			to: (lines.at(-1) as Line).at.toISOString(),
		});
		const again = await loadImport(tx, importId);
		if (again) return answer(again.added);
		inTheBook(await loadKiln(tx, kilnId), "kiln");
		const { from, to } = answer(0);
		const batch = {
			id: importId,
			kilnId,
			at: now,
			actorId: actor.id,
			from: new Date(from),
			to: new Date(to),
			added: 0,
		};
		await tx.insert(kilnImport).values(batch);
		const added = await storeReadings(
			tx,
			lines.map((line) => ({ ...line, kilnId, importId })),
		);
		await tx.update(kilnImport).set({ added }).where(eq(kilnImport.id, importId));
		return answer(added);
	},
);

/** The longest log takes this long on a slow machine, ms. */
const READING_MS = 60_000;
