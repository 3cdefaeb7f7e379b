import type { Ring } from "../geometry/region";
import { edgeOf } from "../piece/edge-of";
import type { PieceBody } from "../piece/piece-body";
import { type MouldFoot, mouldFootprint, mouldHeightMm } from "./mould-foot";
import { firedOutline } from "./outlines/fired-outline";

/** A piece as it is laid on a shelf, on its mould where it has one. */
export interface Lying {
	body: PieceBody;
	mould?: MouldFoot | undefined;
}

/** What has to stay free of neighbours: the piece as it will be after firing, or the mould it lies on. */
export const footprintOf = ({ body, mould }: Lying): Ring =>
	mould ? mouldFootprint(mould, body) : firedOutline(body.outline, body, edgeOf(body));

/** How high it stands on the shelf, mm. */
export const heightOf = ({ body, mould }: Lying): number => (mould ? mouldHeightMm(mould) : 0) + body.highMm;
