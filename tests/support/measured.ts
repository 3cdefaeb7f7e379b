import type { FuseLevel } from "@core/firing/level";
import type { AsMade } from "@core/journey/events";
import { type PieceBody, pieceBody } from "@core/piece/piece-body";

const HERE = { step: 0, again: false };

/** A piece that no kit is known of, as somebody measured it. */
export const measured = (
	made: Omit<AsMade, "massG" | "changed"> & Partial<AsMade>,
	level: FuseLevel = "full",
	{ hadLevel, ...change }: Partial<PieceBody> = {},
): PieceBody => ({
	...(pieceBody(
		{ kit: [], made: { massG: null, changed: "", ...made }, madeAt: HERE },
		HERE,
		level,
		hadLevel,
	) as PieceBody),
	...change,
});
