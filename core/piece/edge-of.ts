import { LEVEL_AIM } from "../firing/level";
import { spreadOf } from "../stack/outline";
import type { PieceBody } from "./piece-body";

/** How far the edge of a piece moves outwards (negative: inwards) at its level, mm; an estimate, with the whole piece as one body. */
export const edgeOf = ({ widthMm, heightMm, areaMm2, meanMm, level }: PieceBody): number =>
	spreadOf({ widthMm, heightMm, areaMm2, meanMm, flow: LEVEL_AIM[level] }).edgeMm;
