import type { FuseLevel } from "../firing/level";
import { groupBy } from "../group-by";

/** Upper ends (mm of effective thickness) of the bands that may share an anneal without wasting hours. Common practice, no source. */
export const THICKNESS_BANDS_MM = [6.5, 9.5, 13.5, 20, 30] as const;

export interface Sortable {
	id: string;
	familyId: string;
	level: FuseLevel;
	effectiveMm: number;
	/** Promised day, "2031-03-08", or null. */
	promised: string | null;
}

/** Waiting pieces that may share a shelf: one family, one level, one band of thickness. */
export interface Tray<P extends Sortable = Sortable> {
	key: string;
	familyId: string;
	level: FuseLevel;
	/** Upper end of the band; Infinity for the last. */
	upToMm: number;
	fromMm: number;
	pieces: P[];
	promised: string | null;
}

export function bandOf(effectiveMm: number): { fromMm: number; upToMm: number } {
	const index = THICKNESS_BANDS_MM.findIndex((upTo) => effectiveMm <= upTo);
	const at = index < 0 ? THICKNESS_BANDS_MM.length : index;
	return { fromMm: THICKNESS_BANDS_MM[at - 1] ?? 0, upToMm: THICKNESS_BANDS_MM[at] ?? Number.POSITIVE_INFINITY };
}

export function trayKey(piece: Sortable): string {
	return `${piece.familyId}/${piece.level}/${bandOf(piece.effectiveMm).upToMm}`;
}

/** Sorts pieces into trays: the one with the earliest promise first, then the fullest. */
export function traysOf<P extends Sortable>(pieces: readonly P[]): Tray<P>[] {
	const trays = [...groupBy(pieces, trayKey).entries()].map(([key, same]) => {
		const first = same[0] as P;
		const promises = same.flatMap(({ promised }) => promised ?? []).sort();
		const sorted = [...same].sort(
			(a, b) => (a.promised ?? "9").localeCompare(b.promised ?? "9") || a.id.localeCompare(b.id),
		);
		return {
			key,
			familyId: first.familyId,
			level: first.level,
			...bandOf(first.effectiveMm),
			pieces: sorted,
			promised: promises[0] ?? null,
		};
	});
	return trays.sort(
		(a, b) =>
			(a.promised ?? "9").localeCompare(b.promised ?? "9") ||
			b.pieces.length - a.pieces.length ||
			a.key.localeCompare(b.key),
	);
}
