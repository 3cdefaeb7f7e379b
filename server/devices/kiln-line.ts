import type { firing } from "@db/schema";
import { readStandIn } from "@standins/kiln";

export interface KilnReading {
	airC: number;
	setC: number | null;
	elapsedS: number | null;
}

/** The one thing the studio asks of a kiln's controller. It only reads: a kiln is started by somebody standing at it. */
export interface KilnLine {
	read(kilnId: string, now: Date): KilnReading;
}

type LastFiring = Pick<typeof firing.$inferSelect, "schedule" | "startedAt" | "speedUp">;

/** The stand-in, given the firing last started on it. */
export const standInLine = (last: LastFiring | undefined): KilnLine => ({
	read: (kilnId, now) =>
		readStandIn(
			kilnId,
			last?.startedAt
				? { segments: last.schedule.segments, startedAtMs: last.startedAt.getTime(), speedUp: last.speedUp }
				: undefined,
			now.getTime(),
		),
});
