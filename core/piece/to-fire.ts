import type { PieceToFire } from "../firing/demand";
import { unevenness } from "../stack/effective-thickness";
import type { PieceBody } from "./piece-body";

/** A piece whose thickest glass is more than so many times its thinnest is slumped gently. Common practice, no source. */
export const SEVERAL_HEIGHTS = 2;

/** What a schedule has to know of a piece, the one way it is told from its body. */
export const toFire = (id: string, body: PieceBody): PieceToFire => ({
	id,
	level: body.level,
	thickestMm: body.thickestMm + (body.insertMm ?? 0),
	effectiveMm: body.effectiveMm,
	acrossMm: body.acrossMm,
	fired: body.fired,
	blackBesideWhite: body.blackBesideWhite,
	multiLevel: unevenness(body) > SEVERAL_HEIGHTS,
	trappedSpanMm: body.trappedSpanMm,
});
