import type { CalendarFiring } from "@contract/loads";
import type { Span } from "@core/loading/plan/book";
import { SLACK_MIN } from "@core/loading/plan/decode";
import { nextIn } from "@core/loading/plan/spans";
import type { Held } from "./use-drag-firing";

/** What moving an announced firing would do. */
export interface HeldEffect {
	coolMs: number;
	/** When somebody would open it; null where nobody ever is. */
	openMs: number | null;
	/** The announced firing it would run into. */
	clash: CalendarFiring | undefined;
	/** Codes of pieces whose promise it would break, and of those it would save. */
	breaks: string[];
	saves: string[];
	/** Nobody is there to start it then. */
	isUnstaffed: boolean;
}

const MINUTE = 60_000;

export function heldEffect(
	held: Held,
	firing: CalendarFiring,
	all: readonly CalendarFiring[],
	kilnId: string,
	{ there, mayStart, tailMs }: { there: readonly Span[]; mayStart: readonly Span[]; tailMs: number },
): HeldEffect {
	const lasts = firing.coolMs - firing.from;
	const coolMs = held.startMs + lasts;
	const openedAt = (cool: number) => nextIn(there, cool + SLACK_MIN * MINUTE);
	const [now, then] = [openedAt(firing.coolMs), openedAt(coolMs)];
	const isLate = (opened: number, promisedMs: number) => opened + tailMs > promisedMs;
	const late = (opened: number) =>
		new Set(firing.dues.filter(({ promisedMs }) => isLate(opened, promisedMs)).map(({ code }) => code));
	const [before, after] = [late(now), late(then)];
	return {
		coolMs,
		openMs: Number.isFinite(then) ? then : null,
		clash: all.find(
			(other) =>
				other.id !== firing.id && other.kilnId === kilnId && held.startMs < other.coolMs && coolMs > other.from,
		),
		breaks: [...after].filter((code) => !before.has(code)),
		saves: [...before].filter((code) => !after.has(code)),
		isUnstaffed: nextIn(mayStart, held.startMs) !== held.startMs,
	};
}
