import { effectiveOf, type WaitingPiece } from "@core/loading/propose";
import { and, eq, inArray } from "drizzle-orm";
import type { Reader } from "../connect";
import { kitVersion, piece } from "../schema";

/** Pieces as the loading core needs them; those never measured are left out. */
export async function loadWaiting(reader: Reader, ids: readonly string[]): Promise<WaitingPiece[]> {
	if (ids.length === 0) return [];
	const rows = await reader
		.select({ piece, reading: kitVersion.reading })
		.from(piece)
		.leftJoin(kitVersion, eq(kitVersion.id, piece.kitVersionId))
		.where(and(inArray(piece.id, [...ids])));
	return rows.flatMap(({ piece: { id, code, familyId, journey, promisedDay }, reading }) => {
		const { asMade, level, hadLevel } = journey;
		if (!asMade) return [];
		return [
			{
				id,
				code,
				familyId,
				level,
				hadLevel,
				effectiveMm: effectiveOf(asMade, level, hadLevel),
				promised: promisedDay,
				asMade,
				blackBesideWhite: reading?.blackBesideWhite ?? false,
				trappedSpanMm: reading?.trappedSpanMm ?? 0,
			},
		];
	});
}
