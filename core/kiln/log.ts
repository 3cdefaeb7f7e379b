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

/**
 * How a time is written: with its date (the year first, the day first or the month first), a clock alone, or counted from a start.
 */
export const TIME_FORMS = ["instant", "dayFirst", "monthFirst", "clock", "seconds", "minutes", "hours"] as const;
export type TimeForm = (typeof TIME_FORMS)[number];

/** Forms that say the day by themselves: a line that is read as it is written has to. */
export const DATED_FORMS = ["instant", "dayFirst", "monthFirst"] as const satisfies TimeForm[];
export const isDated = (form: TimeForm): boolean => (DATED_FORMS as readonly TimeForm[]).includes(form);

export type DecimalSign = "." | ",";

/** How the columns of a log file are to be read; columns counted from 0. */
export interface LogMapping {
	time: {
		column: number;
		/** A clock time or a count of seconds, minutes or hours needs a start to become instants. */
		as: TimeForm;
		/** ISO instant the log starts at. */
		startsAt: string | null;
	};
	air: number;
	set: number | null;
	duty: number | null;
	kwh: number | null;
	unit: "C" | "F";
	dutyIn: "share" | "percent";
	decimal: DecimalSign;
}

/** What may stand between columns. */
export const DELIMITERS = [",", ";", "\t", "|"] as const;
export type Delimiter = (typeof DELIMITERS)[number];

/** How the files of a recorder that writes all the while are written: what a person confirmed, and what no later file may differ from. */
export interface RecorderForm {
	delimiter: Delimiter;
	/** The line of names, word for word; null where the files have none. */
	header: string[] | null;
	/** How many columns a line has. */
	columns: number;
	mapping: LogMapping;
}

/** Why a recorder's line is no reading: other names or columns than were confirmed, another form of time, number or unit. */
export type Unfit = "header" | "columns" | "time" | "number" | "unit";
