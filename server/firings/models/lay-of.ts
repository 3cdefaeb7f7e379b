import { type LoadHeat, loadHeat } from "@core/loading/load-heat";
import { shelvesUsed } from "@core/loading/tiers";
import type { PieceBody } from "@core/piece/piece-body";
import type { kiln } from "@db/schema";

interface LyingPiece {
	body: PieceBody;
	shelf: number;
	/** What it goes on in this firing. */
	mouldId: string | undefined;
}

/**
 * What lies in a firing that is planned or hot, as far as its curve is concerned: by what is known of its pieces now.
 * @param bareMm thickest glass of a bare firing, null where pieces say it
 * @param frames moulds that are not fired
 */
export const layOf = (
	pieces: readonly LyingPiece[],
	{ shelfWidthMm: widthMm, shelfHeightMm: heightMm }: typeof kiln.$inferSelect,
	bareMm: number | null,
	frames: ReadonlySet<string>,
): LoadHeat => ({
	...loadHeat(pieces, { widthMm, heightMm }, { bareMm: bareMm ?? 0, shelves: shelvesUsed(pieces) }),
	onMould: pieces.some(({ mouldId }) => mouldId !== undefined && !frames.has(mouldId)),
});
