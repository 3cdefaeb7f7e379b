import { DATED_FORMS, type DecimalSign, type TimeForm } from "@core/kiln/log";
import { TZDate } from "@date-fns/tz";
import { logNumber } from "./log-number";

export const SAYS_ZONE = /(Z|[+-]\d{2}:?\d{2})\s*$/i;
const PER_S = { seconds: 1, minutes: 60, hours: 3600 } as const;
const CLOCK = /^(\d{1,2}):(\d{2})(?::(\d{2}))?$/;
const DAY_MS = 86_400_000;

/**
 * How a column's times are written, by their look and, where they are counted, by its name. Where day and month could be either, the
 * reading of the last one that is nearest before `nowMs`: a guess, to be shown.
 */
export function timeForm(cells: readonly string[], name: string, nowMs: number): TimeForm {
	const fitting = (form: TimeForm) => cells.filter((cell) => timeMs(cell, form, "UTC") !== undefined).length;
	const agoMs = (form: TimeForm) => {
		const ms = nowMs + DAY_MS - (timeMs(cells.at(-1) ?? "", form, "UTC") ?? 0);
		return ms < 0 ? Number.POSITIVE_INFINITY : ms;
	};
	const forms = [...DATED_FORMS, "clock" as const].map((form) => ({ form, n: fitting(form), agoMs: agoMs(form) }));
	const best = forms.toSorted((a, b) => b.n - a.n || a.agoMs - b.agoMs)[0];
	if (best && best.n > 0 && best.n >= cells.length / 2) return best.form;
	if (/min/i.test(name)) return "minutes";
	return /hour|^h\b|\(h\)/i.test(name) ? "hours" : "seconds";
}

/** A time as ms: since 1970 where it says its day, else since midnight or since the start. Undefined where it is not written so. */
export function timeMs(cell: string, as: TimeForm, timeZone: string, decimal: DecimalSign = "."): number | undefined {
	const text = cell.trim();
	if (as === "clock") {
		const match = CLOCK.exec(text);
		if (!match) return undefined;
		return (Number(match[1]) * 3600 + Number(match[2]) * 60 + Number(match[3] ?? 0)) * 1000;
	}
	if (as === "seconds" || as === "minutes" || as === "hours") {
		const value = logNumber(text, decimal);
		return Number.isNaN(value) ? undefined : value * PER_S[as] * 1000;
	}
	return instantMs(text, as, timeZone);
}

/** Years outside these are a clock that was never set. */
const YEARS = [2000, 2100] as const;

const CLOCK_PART = String.raw`[T ,]\s*(\d{1,2}):(\d{2})(?::(\d{2})(?:[.,]\d+)?)?\s*(am|pm)?\s*(Z|[+-]\d{2}:?\d{2})?$`;
const DATES = {
	instant: new RegExp(String.raw`^(?<y>\d{4})[-/.](?<m>\d{1,2})[-/.](?<d>\d{1,2})${CLOCK_PART}`, "i"),
	dayFirst: new RegExp(String.raw`^(?<d>\d{1,2})[-/.](?<m>\d{1,2})[-/.](?<y>\d{4})${CLOCK_PART}`, "i"),
	monthFirst: new RegExp(String.raw`^(?<m>\d{1,2})[-/.](?<d>\d{1,2})[-/.](?<y>\d{4})${CLOCK_PART}`, "i"),
} as const;

/** An instant written out; one without a zone is a wall clock’s. Undefined where it is none, or no day of the calendar. */
function instantMs(text: string, as: keyof typeof DATES, timeZone: string): number | undefined {
	const match = DATES[as].exec(text);
	if (!match?.groups) return undefined;
	const { y, m, d } = match.groups;
	const [year, month, day] = [Number(y), Number(m), Number(d)];
	const [twelve, minute, second] = [Number(match[4]), Number(match[5]), Number(match[6] ?? 0)];
	const hour = match[7] ? (twelve % 12) + (match[7].toLowerCase() === "pm" ? 12 : 0) : twelve;
	if (year < YEARS[0] || year > YEARS[1] || hour > 23 || minute > 59 || second > 60) return undefined;
	const wall = Date.UTC(year, month - 1, day, hour, minute, second);
	if (month < 1 || month > 12 || new Date(Date.UTC(year, month - 1, day)).getUTCDate() !== day) return undefined;
	const zone = match[8];
	if (zone) return wall - zoneMs(zone);
	return wall - offsetMs(year, month, day, hour, minute, timeZone);
}

/** "Z", "+05:30" and "-0700" as ms ahead of UTC. */
function zoneMs(zone: string): number {
	const match = /^([+-])(\d{2}):?(\d{2})$/.exec(zone);
	if (!match) return 0;
	return (match[1] === "-" ? -1 : 1) * (Number(match[2]) * 60 + Number(match[3])) * 60_000;
}

const QUARTER_MIN = 15;
const QUARTERS = 4000;
const offsets = new Map<string, number>();

/** How far (ms) a zone is ahead of UTC at a wall clock’s time; looked up once a quarter of an hour, for a log has thousands of lines. */
function offsetMs(year: number, month: number, day: number, hour: number, minute: number, timeZone: string): number {
	const quarter = Math.floor(minute / QUARTER_MIN) * QUARTER_MIN;
	const key = `${timeZone} ${year}-${month}-${day} ${hour}:${quarter}`;
	const known = offsets.get(key);
	if (known !== undefined) return known;
	const wall = Date.UTC(year, month - 1, day, hour, quarter);
	const found = wall - new TZDate(year, month - 1, day, hour, quarter, 0, timeZone).getTime();
	if (offsets.size > QUARTERS) offsets.clear();
	offsets.set(key, found);
	return found;
}

/** How far clocks are put back in autumn, ms. Source: IANA time zone database; half an hour on Lord Howe Island, else one. */
const PUT_BACK_MS = [3_600_000, 1_800_000];

/** The later of the two instants at which a wall clock shows the same in the night it is put back; undefined on other days. */
export function secondTime(ms: number, timeZone: string): number | undefined {
	const wall = (at: number) => at + new TZDate(at, timeZone).getTimezoneOffset() * -60_000;
	const back = PUT_BACK_MS.find((by) => wall(ms + by) === wall(ms));
	return back === undefined ? undefined : ms + back;
}
