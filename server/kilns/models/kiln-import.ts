import type { KilnImport } from "@contract/kilns";
import type { importsOf } from "@db/queries/readings";

/** A batch of lines takes far less than this, ms: who has written none for so long has ended. */
export const BROKEN_OFF_MS = 60_000;

type Row = Awaited<ReturnType<typeof importsOf>>[number];

/** A log that was brought in, as the kiln's page shows it. */
export function kilnImport({ wroteAt, at, from, to, ...row }: Row, now: Date): KilnImport {
	const idleMs = now.getTime() - (wroteAt ?? at).getTime();
	const state = row.written >= row.lines ? "kept" : idleMs > BROKEN_OFF_MS ? "brokenOff" : "coming";
	return { ...row, at: at.toISOString(), from: from.toISOString(), to: to.toISOString(), state };
}
