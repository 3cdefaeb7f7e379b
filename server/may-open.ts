import { OPEN_C } from "@core/firing/build";

export interface OpenNow {
	may: boolean;
	/** One sentence; empty when it may be opened. */
	why: string;
}

/** Readings older than this (s of kiln time at speed 1) say nothing about now. */
const STALE_S = 15 * 60;

/** Opening goes by the measured temperature and by the time thick glass needs to follow it. */
export function mayOpen(
	firing: { startedAt: Date | null; openS: number; speedUp: number },
	reading: { airC: number; at: Date } | undefined,
	now: Date,
): OpenNow {
	if (!firing.startedAt) return { may: false, why: "It has not been started." };
	const openAt = openInstant(firing);
	if (openAt && now < openAt) return { may: false, why: "The glass inside is still hotter than the kiln’s air shows." };
	if (!reading || (now.getTime() - reading.at.getTime()) / 1000 > STALE_S)
		return { may: false, why: "There is no fresh reading from this kiln." };
	if (reading.airC > OPEN_C)
		return { may: false, why: `The kiln still measures ${Math.round(reading.airC)} °C; it opens at ${OPEN_C} °C.` };
	return { may: true, why: "" };
}

/** "Open not before": the simulated time, on the clock the kiln runs by. */
export const openInstant = (firing: { startedAt: Date | null; openS: number; speedUp: number }): Date | null =>
	firing.startedAt ? new Date(firing.startedAt.getTime() + (firing.openS / firing.speedUp) * 1000) : null;
