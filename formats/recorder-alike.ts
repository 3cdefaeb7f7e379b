import type { RecorderForm } from "@core/kiln/log";
import { readRecorded } from "./recorder-line";

/** Nearer than this, K, a display with a digit less or a sensor a little off does not tell two columns apart. */
const ALIKE_K = 15;

export interface AlikeColumn {
	column: number;
	/** What it says in the last line, °C. */
	c: number;
}

/**
 * Other columns of a recorder that say nearly the same temperature as the kiln’s in its last line: by its figure alone nobody can
 * tell which of them is the kiln’s. The set point is meant to be near it and is not among them. Source of the limit: none, our own.
 */
export function columnsAlike(text: string, form: RecorderForm, timeZone: string): AlikeColumn[] {
	const { air, set, time } = form.mapping;
	const lastOf = (column: number) =>
		readRecorded(text, { ...form, mapping: { ...form.mapping, air: column, set: null } }, timeZone, {
			foreign: false,
		}).readings.at(-1)?.airC ?? null;
	const c = lastOf(air);
	if (c === null) return [];
	return Array.from({ length: form.columns }, (_, column) => column).flatMap((column) => {
		if (column === air || column === set || column === time.column) return [];
		const other = lastOf(column);
		return other !== null && Math.abs(other - c) < ALIKE_K ? [{ column, c: other }] : [];
	});
}
