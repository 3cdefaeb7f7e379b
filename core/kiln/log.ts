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

/** How the columns of a log file are to be read; columns counted from 0. */
export interface LogMapping {
	time: {
		column: number;
		/** A clock time or a count of seconds, minutes or hours needs a start to become instants. */
		as: "instant" | "clock" | "seconds" | "minutes" | "hours";
		/** ISO instant the log starts at. */
		startsAt: string | null;
	};
	air: number;
	set: number | null;
	duty: number | null;
	kwh: number | null;
	unit: "C" | "F";
	dutyIn: "share" | "percent";
}
