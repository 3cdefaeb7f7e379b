import { OPEN_C } from "@core/firing/build";

export interface OpenNow {
	may: boolean;
	/** One sentence; empty when it may be opened. */
	why: string;
}

/** Readings older than this (s of kiln time at speed 1) say nothing about now. */
const STALE_S = 15 * 60;

/** What is needed of a firing: the simulated opening, corrected by what was measured. */
interface Fired {
	startedAt: Date | null;
	openS: number;
	predictedOpenS?: number | null;
	speedUp: number;
}

/** Opening goes by the measured temperature and by the time thick glass needs to follow it. */
export function mayOpen(
	firing: Fired,
	reading: { airC: number | null; at: Date } | undefined,
	now: Date,
	hasLine = true,
): OpenNow {
	if (!firing.startedAt) return { may: false, why: "It has not been started." };
	const openAt = openInstant(firing);
	if (openAt && now < openAt) return { may: false, why: "The glass inside is still hotter than the kiln’s air shows." };
	if (!hasLine) return { may: true, why: "" };
	if (!reading || (now.getTime() - reading.at.getTime()) / 1000 > STALE_S)
		return { may: false, why: "There is no fresh reading from this kiln." };
	if (reading.airC === null)
		return { may: false, why: "The kiln’s sensor gives nothing: nobody knows how hot it is inside." };
	if (reading.airC > OPEN_C)
		return { may: false, why: `The kiln still measures ${Math.round(reading.airC)} °C; it opens at ${OPEN_C} °C.` };
	return { may: true, why: "" };
}

/** "Open not before": as simulated, corrected while it runs, on the clock the kiln runs by. */
export const openInstant = ({ startedAt, openS, predictedOpenS, speedUp }: Fired): Date | null =>
	startedAt ? new Date(startedAt.getTime() + ((predictedOpenS ?? openS) / speedUp) * 1000) : null;
