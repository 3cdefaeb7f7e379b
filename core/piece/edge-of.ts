import { LEVEL_AIM } from "../firing/level";
import { spreadOf } from "../stack/outline";
import type { PieceBody } from "./piece-body";

/**
 * How far the edge of a piece moves outwards (negative: inwards) at its level, mm; an estimate, with the whole piece as one body. What
 * lies in a wall is held there.
 */
export const edgeOf = ({ widthMm, heightMm, areaMm2, meanMm, level, held }: PieceBody): number =>
	held ? 0 : spreadOf({ widthMm, heightMm, areaMm2, meanMm, flow: LEVEL_AIM[level] }).edgeMm;
