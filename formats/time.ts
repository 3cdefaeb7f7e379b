/** Days and clock times in the studio's IANA zone, by the platform's own tables. Instants come as Date or ISO strings. */
type Instant = Date | string;

/** "2031-03-08" */
export function dayOf(instant: Instant, zone: string): string {
	const { year, month, day } = figuresOf(instant, zone);
	return `${year.padStart(4, "0")}-${month}-${day}`;
}

/** "07:40" */
export function clock(instant: Instant, zone: string): string {
	const { hour, minute } = figuresOf(instant, zone);
	return `${hour}:${minute}`;
}

/** "Tue 07:40", or "07:40" on the same day as `now`. */
export function clockNear(instant: Instant, now: Instant, zone: string): string {
	const time = clock(instant, zone);
	return dayOf(instant, zone) === dayOf(now, zone) ? time : `${namesOf(instant, zone).weekday.slice(0, 3)} ${time}`;
}

/** "Mon 23 Nov" for a day "2031-11-23", with the year where it is another one. */
export function dayWords(day: string, now: Instant, zone: string): string {
	const { weekday, month, dayOfMonth, year } = namesOf(day, "UTC");
	const words = `${weekday.slice(0, 3)} ${dayOfMonth} ${month.slice(0, 3)}`;
	return year === namesOf(now, zone).year ? words : `${words} ${year}`;
}

/** "Monday 23 November" */
export function longDay(instant: Instant, zone: string): string {
	const { weekday, dayOfMonth, month } = namesOf(instant, zone);
	return `${weekday} ${dayOfMonth} ${month}`;
}

/** "23 Nov 18:40" */
export function dayAndClock(instant: Instant, zone: string): string {
	const { dayOfMonth, month } = namesOf(instant, zone);
	return `${dayOfMonth} ${month.slice(0, 3)} ${clock(instant, zone)}`;
}

/** "8 Mar 2031" */
export function shortDay(instant: Instant, zone: string): string {
	const { dayOfMonth, month, year } = namesOf(instant, zone);
	return `${dayOfMonth} ${month.slice(0, 3)} ${year}`;
}

/** In figures of two digits: "03" the month, "18" the hour. */
function figuresOf(instant: Instant, zone: string) {
	const part = partsOf(instant, formatterOf("figures", zone));
	return { year: part("year"), month: part("month"), day: part("day"), hour: part("hour"), minute: part("minute") };
}

/** In words: "Saturday", "March". */
function namesOf(instant: Instant, zone: string) {
	const part = partsOf(instant, formatterOf("names", zone));
	return { weekday: part("weekday"), month: part("month"), dayOfMonth: part("day"), year: part("year") };
}

function partsOf(instant: Instant, formatter: Intl.DateTimeFormat) {
	const parts = formatter.formatToParts(new Date(instant));
	return (type: Intl.DateTimeFormatPartTypes): string => parts.find((part) => part.type === type)?.value ?? "";
}

const FORMS = {
	figures: { year: "numeric", month: "2-digit", day: "2-digit", hour: "2-digit", minute: "2-digit", hourCycle: "h23" },
	names: { weekday: "long", year: "numeric", month: "long", day: "numeric" },
} as const satisfies Record<string, Intl.DateTimeFormatOptions>;

const made = new Map<string, Intl.DateTimeFormat>();

/** Making one costs a hundred times what using it does: made once for each zone. */
function formatterOf(form: keyof typeof FORMS, timeZone: string): Intl.DateTimeFormat {
	const key = `${form} ${timeZone}`;
	const known = made.get(key) ?? new Intl.DateTimeFormat("en-US", { ...FORMS[form], timeZone });
	made.set(key, known);
	return known;
}
