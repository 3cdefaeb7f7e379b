import type { ClosedKiln } from "@core/loading/plan/book";
import type { KilnRow } from "@db/queries/kilns";
import { dayWords } from "@formats/time";
import { endOfDayMs, wallClockMs } from "@formats/wall-clock";
import { Refusal } from "../../house/refusal";

type Closable = Pick<KilnRow, "id" | "name" | "outOfService">;

/** From when until when nobody fires a kiln, now or later; undefined where it may be fired. Instants ms. */
export function closedSpan({ id, outOfService }: Closable, now: Date, timeZone: string): ClosedKiln | undefined {
	if (!outOfService) return undefined;
	const { fromDay, untilDay, why } = outOfService;
	const to = untilDay === null ? null : endOfDayMs(untilDay, timeZone);
	if (to !== null && to < now.getTime()) return undefined;
	return { kilnId: id, from: wallClockMs(fromDay, "00:00", timeZone), to, why };
}

/** Nothing is fired in a kiln while it is out of service. Instants ms. */
export function refuseClosed(kiln: Closable, now: Date, timeZone: string, fromMs: number, untilMs: number): void {
	const closed = closedSpan(kiln, now, timeZone);
	if (!closed || closed.from >= untilMs || (closed.to !== null && closed.to <= fromMs)) return;
	const { fromDay, untilDay } = kiln.outOfService as NonNullable<KilnRow["outOfService"]>;
	const day = (one: string) => dayWords(one, now, timeZone);
	const until = untilDay === null ? "until somebody brings it back" : `until ${day(untilDay)}`;
	throw new Refusal(
		"conflict",
		`${kiln.name} is out of service from ${day(fromDay)} ${until}${closed.why && `: ${closed.why}`}. Choose another kiln or hour, or bring it back on its page.`,
	);
}
