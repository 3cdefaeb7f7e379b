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

/** What has to stay free of neighbours: the piece as it will be after firing, the walls round it, or the mould it lies on. */
export const footprintOf = ({ body, mould }: Lying): Ring =>
	mould ? mouldFootprint(mould, body) : (body.wall?.outline ?? firedOutline(body.outline, body, edgeOf(body)));

/** How high it stands on the shelf, mm. */
export const heightOf = ({ body, mould }: Lying): number =>
	mould?.kind === "ring"
		? Math.max(mouldHeightMm(mould), mouldHeightMm({ depthMm: 0 }) + body.highMm)
		: Math.max((mould ? mouldHeightMm(mould) : 0) + body.highMm, body.wall?.highMm ?? 0);
