/** One line of a kiln's record. Seconds since its first line; °C; duty 0–1; kWh since the start. What was not recorded is null. */
export interface LogPoint {
	s: number;
	/** Null where the sensor gave nothing: a gap, never a guess. */
	airC: number | null;
	setC: number | null;
	duty: number | null;
	kwh: number | null;
}
export type KilnLog = readonly LogPoint[];
