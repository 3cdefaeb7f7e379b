import { effectiveOf, type WaitingPiece } from "@core/loading/propose";
import { eq, inArray } from "drizzle-orm";
import type { Reader } from "../connect";
import { kitVersion, mould, piece } from "../schema";

/** Pieces as the loading core needs them; those never measured are left out. */
export async function loadWaiting(reader: Reader, ids: readonly string[]): Promise<WaitingPiece[]> {
	if (ids.length === 0) return [];
	const rows = await reader
		.select({ piece, reading: kitVersion.reading })
		.from(piece)
		.leftJoin(kitVersion, eq(kitVersion.id, piece.kitVersionId))
		.where(inArray(piece.id, [...ids]));
	const mouldOf = ({ journey: { route, step } }: (typeof rows)[number]["piece"]) => route[step]?.mouldId ?? "";
	const mouldIds = [...new Set(rows.map((row) => mouldOf(row.piece)).filter(Boolean))];
	const moulds = mouldIds.length > 0 ? await reader.select().from(mould).where(inArray(mould.id, mouldIds)) : [];
	return rows.flatMap(({ piece: row, reading }) => {
		const { asMade, level, hadLevel } = row.journey;
		if (!asMade) return [];
		return [
			{
				...{ id: row.id, code: row.code, familyId: row.familyId, promised: row.promisedDay },
				...{ level, hadLevel, asMade },
				effectiveMm: effectiveOf(asMade, level, hadLevel),
				blackBesideWhite: reading?.blackBesideWhite ?? false,
				trappedSpanMm: reading?.trappedSpanMm ?? 0,
				kitOutline: reading?.outline && reading.outline.length > 2 ? reading.outline : undefined,
				mould: moulds.find(({ id }) => id === mouldOf(row)),
			},
		];
	});
}
