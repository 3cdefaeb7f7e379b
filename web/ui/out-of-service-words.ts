import type { OutOfService } from "@core/kiln/record";
import { dayOf, dayWords } from "@formats/time";

/** "out of service from Tue 3 Mar until Thu 5 Mar": what of it is still to come. */
export function outOfServiceWords({ fromDay, untilDay }: OutOfService, nowMs: number, timeZone: string): string {
	const now = new Date(nowMs);
	const from = fromDay > dayOf(now, timeZone) ? ` from ${dayWords(fromDay, now, timeZone)}` : "";
	return `out of service${from}${untilDay === null ? "" : ` until ${dayWords(untilDay, now, timeZone)}`}`;
}
