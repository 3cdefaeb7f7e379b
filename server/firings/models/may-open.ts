import { OPEN_C } from "@core/firing/build";

export interface OpenNow {
	may: boolean;
	/** One sentence; empty when it may be opened. */
	why: string;
}

/** What is needed of a firing: the simulated opening, corrected by what was measured. */
interface Fired {
	id: string;
	startedAt: Date | null;
	openS: number;
	predictedOpenS?: number | null;
	speedUp: number;
}

/** A live reading, and the firing it was taken in. */
interface Reading {
	firingId: string | null;
	airC: number | null;
	at: Date;
}

/**
 * Opening goes by the temperature measured in this firing and by the time thick glass needs to follow it.
 * @param lineLimitS how old (s) a reading of the kiln's line may be; null for a kiln without a line, which goes by time alone
 */
export function mayOpen(firing: Fired, reading: Reading | undefined, now: Date, lineLimitS: number | null): OpenNow {
	if (!firing.startedAt) return no("It has not been started.");
	const openAt = openInstant(firing);
	if (openAt && now < openAt) return no("The glass inside is still hotter than the kiln’s air shows.");
	if (lineLimitS === null) return { may: true, why: "" };
	const ageS = reading ? (now.getTime() - reading.at.getTime()) / 1000 : Number.POSITIVE_INFINITY;
	if (!reading || ageS > lineLimitS || ageS < 0) return no("There is no fresh reading from this kiln.");
	if (reading.firingId !== firing.id) return no("The kiln’s last reading is not of this firing.");
	if (reading.airC === null) return no("The kiln’s sensor gives nothing: nobody knows how hot it is inside.");
	if (reading.airC > OPEN_C)
		return no(`The kiln still measures ${Math.round(reading.airC)} °C; it opens at ${OPEN_C} °C.`);
	return { may: true, why: "" };
}

const no = (why: string): OpenNow => ({ may: false, why });

/** "Open not before": as simulated, corrected while it runs, on the clock the kiln runs by. */
export const openInstant = ({ startedAt, openS, predictedOpenS, speedUp }: Omit<Fired, "id">): Date | null =>
	startedAt ? new Date(startedAt.getTime() + ((predictedOpenS ?? openS) / speedUp) * 1000) : null;
