/** What is needed of a firing: the simulated opening, corrected by what was measured. */
interface Fired {
	startedAt: Date | null;
	openS: number;
	predictedOpenS?: number | null;
	speedUp: number;
}

/** "Open not before": as simulated, corrected while it runs, on the clock the kiln runs by. */
export const openInstant = ({ startedAt, openS, predictedOpenS, speedUp }: Fired): Date | null =>
	startedAt ? new Date(startedAt.getTime() + ((predictedOpenS ?? openS) / speedUp) * 1000) : null;
