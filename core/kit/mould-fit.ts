import { boundsOf } from "../geometry/bounds";
import type { Ring } from "../geometry/region";
import type { Mould } from "./mould";

/** A blank as it lies on a mould. Lengths mm. */
export interface Blank {
	widthMm: number;
	heightMm: number;
	/** Round the middle of its box; a box where it is not known. */
	outline?: Ring | undefined;
}

/** A blank is measured with a ruler: so much larger than an opening is none, mm. Common practice, no source. */
export const RULER_MM = 2;
/** A blank may be this much short of its mould before it stands crooked in it, mm. Common practice, no source. */
export const SHORT_MM = 6;

const long = ({ widthMm, heightMm }: Blank) => Math.max(widthMm, heightMm);
const short = ({ widthMm, heightMm }: Blank) => Math.min(widthMm, heightMm);

/** The farthest that a blank reaches from one side of its middle to the other, corner to corner where its outline is known. */
function reachMm(blank: Blank): number {
	const { outline } = blank;
	if (!outline || outline.length === 0) return long(blank);
	const box = boundsOf([outline]);
	const [sx, sy] = [blank.widthMm / (box.widthMm || 1), blank.heightMm / (box.heightMm || 1)];
	const [cx, cy] = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
	return 2 * Math.max(...outline.map(({ x, y }) => Math.hypot((x - cx) * sx, (y - cy) * sy)));
}

type Opening = Pick<Mould, "kind" | "opening" | "widthMm" | "heightMm">;

/**
 * How far a blank hangs over the opening of a dish or ring, however it is turned, mm; 0 where it does not. Over a round rim a corner
 * reaches as far as the diagonal.
 */
export function overRimMm(mould: Opening, blank: Blank): number {
	if (mould.kind !== "dish" && mould.kind !== "ring") return 0;
	const opening = { widthMm: mould.widthMm, heightMm: mould.heightMm };
	return mould.opening === "round"
		? Math.max(0, reachMm(blank) - long(opening))
		: Math.max(0, long(blank) - long(opening), short(blank) - short(opening));
}

/**
 * How much a blank is short of the opening of a dish, or of a form that it is draped over, however it is turned; of a stand, the way over
 * both its curves. mm
 */
export function shortOfMouldMm(mould: Opening, blank: Blank): number {
	if (mould.kind === "stand") return Math.max(0, mould.widthMm - long(blank));
	if (mould.kind !== "dish" && mould.kind !== "drape") return 0;
	const form = { widthMm: mould.widthMm, heightMm: mould.heightMm };
	return Math.max(0, long(form) - long(blank), short(form) - short(blank));
}
