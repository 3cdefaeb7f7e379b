import type { FiringRow } from "@db/queries/firings";
import type { ReadingRow } from "@db/queries/readings";
import type { LineReading } from "./kiln-line";

/** A controller's own clock is believed while it is about right: within this, s, or a tenth. */
const CLOCK_OFF_S = 900;
/** Least time between two rows of a stand-in whose clock runs fast, ms. */
const FAST_TICK_MS = 250;

/**
 * Instants are cut to the tick, so that two copies of the server write one row between them. A controller that is idle has not
 * begun this firing yet, unless it ran it before (`ranIt`): then it is through.
 */
export function readingRow(
	kilnId: string,
	reading: LineReading,
	hot: Pick<FiringRow, "id" | "startedAt" | "speedUp"> | undefined,
	ranIt: boolean,
): ReadingRow {
	const { elapsedS, ...rest } = reading;
	const tickMs = (hot?.speedUp ?? 1) > 1 ? FAST_TICK_MS : 1000;
	const at = new Date(Math.floor(reading.at.getTime() / tickMs) * tickMs);
	const since = hot?.startedAt ? ((at.getTime() - hot.startedAt.getTime()) / 1000) * hot.speedUp : -1;
	if (!hot || since < 0 || (reading.status === "idle" && !ranIt))
		return { ...rest, kilnId, at, firingId: null, elapsedS: null };
	const off = Math.abs((elapsedS ?? since) - since);
	const believed = off <= Math.max(CLOCK_OFF_S, since / 10, 3 * hot.speedUp);
	return { ...rest, kilnId, at, firingId: hot.id, elapsedS: believed ? (elapsedS ?? since) : since };
}
