import type { Lain } from "./lay";
import type { Stack } from "./stack";

/** Nearer to the shelf than this a part lies on it, mm. */
const TOUCHES_MM = 0.1;

/** What lies on the shelf itself: laid upside down, the parts that reach highest. What reaches over nothing lies on none. */
export function onShelf({ columns, rests, step }: Pick<Stack, "columns" | "rests" | "step">): Lain[] {
	const restMm = new Map(rests.map(({ part, restMm: mm }) => [part, mm]));
	if (!step.turnedOver) {
		const lowest = new Set(columns.flatMap(({ parts }) => parts.slice(0, 1)));
		return [...lowest].filter((part) => (restMm.get(part) ?? 0) < TOUCHES_MM);
	}
	const highest = new Set(columns.flatMap(({ parts }) => parts.slice(-1)));
	const topOf = (part: Lain) => (restMm.get(part) ?? 0) + part.bulkMm;
	const topMm = Math.max(0, ...[...highest].map(topOf));
	return [...highest].filter((part) => topOf(part) > topMm - TOUCHES_MM);
}
