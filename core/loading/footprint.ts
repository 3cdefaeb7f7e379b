import type { FuseLevel } from "../firing/level";
import { LEVEL_AIM } from "../firing/level";
import type { Ring } from "../geometry/region";
import type { AsMade } from "../journey/events";
import { meanThicknessMm } from "../journey/mean-thickness";
import { spreadOf } from "../stack/outline";
import { type MouldFoot, mouldFootprint, mouldHeightMm } from "./mould-foot";
import { firedOutline } from "./outlines/fired-outline";

/** What the room of a piece on a shelf depends on. */
interface Lying {
	asMade: AsMade;
	level: FuseLevel;
	kitOutline?: Ring | undefined;
	mould?: MouldFoot | undefined;
}

/** How far the edge of a piece moves outwards (negative: inwards) at its level, mm. */
export function edgeOf({ asMade, level }: Pick<Lying, "asMade" | "level">): number {
	const { widthMm, heightMm } = asMade;
	return spreadOf({
		widthMm,
		heightMm,
		areaMm2: widthMm * heightMm,
		meanMm: meanThicknessMm(asMade),
		flow: LEVEL_AIM[level],
	}).edgeMm;
}

/** What has to stay free of neighbours: the piece as it will be after firing, or the mould it lies on. */
export const footprintOf = (piece: Lying): Ring =>
	piece.mould ? mouldFootprint(piece.mould, piece.asMade) : firedOutline(piece.kitOutline, piece.asMade, edgeOf(piece));

/** How high it stands on the shelf, mm. */
export const heightOf = ({ mould, asMade }: Pick<Lying, "mould" | "asMade">): number =>
	mould ? mouldHeightMm(mould) + asMade.thickestMm : asMade.thickestMm;
