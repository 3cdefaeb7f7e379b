import { type FuseLevel, LEVEL_AIM, LEVEL_WORDS } from "../firing/level";
import { effectiveThicknessMm } from "../stack/effective-thickness";
import { spreadOf } from "../stack/outline";
import { type Phrase, say } from "../units/phrase";
import type { AsMade } from "./events";
import { meanThicknessMm } from "./mean-thickness";

/** A kit as it was planned: what a piece made from it is held against. Lengths mm, mass g. */
export interface AsPlanned extends Omit<AsMade, "changed"> {
	/** With what stays inside it. */
	effectiveMm: number;
}

/** Less than this is how pieces of one kit differ anyway, mm. */
const SEEN_EFFECTIVE_MM = 2;
const SEEN_EDGE_MM = 1;
/** Soak per mm of the thickness it anneals as. Common practice, no source. */
const SOAK_MIN_PER_MM = 10;

/**
 * Where a piece as it was made behaves otherwise at a level than its kit does: what it anneals as, how far its edge goes. Empty
 * where it behaves as planned, and then the kit's level stands.
 */
export function asMadeDiffers(planned: AsPlanned, made: AsMade, level: FuseLevel): Phrase[] {
	const differences: Phrase[] = [];
	const effectiveMm = effectiveThicknessMm(made.thickestMm, made.thinnestMm, level);
	const kitEffectiveMm = effectiveThicknessMm(planned.thickestMm, planned.thinnestMm, level);
	const moreMm = effectiveMm - Math.max(kitEffectiveMm, planned.effectiveMm);
	if (moreMm >= SEEN_EFFECTIVE_MM) {
		differences.push(
			say`It anneals as ${{ mm: effectiveMm }}, the kit as ${{ mm: effectiveMm - moreMm }}: ${{ min: moreMm * SOAK_MIN_PER_MM }} more of soak.`,
		);
	}
	const [edgeMm, kitEdgeMm] = [edgeOf(made, level), edgeOf({ ...planned, massG: made.massG && planned.massG }, level)];
	if (Math.abs(edgeMm - kitEdgeMm) >= SEEN_EDGE_MM) {
		differences.push(
			say`At ${LEVEL_WORDS[level]} its edge goes ${{ mm: Math.abs(edgeMm) }} ${edgeMm < 0 ? "inwards" : "outwards"}, the kit’s ${{ mm: Math.abs(kitEdgeMm) }} ${kitEdgeMm < 0 ? "inwards" : "outwards"}.`,
		);
	}
	return differences;
}

/** How far its edge goes outwards, mm. The plan is weighed only where the piece was, so that both are reckoned alike. */
function edgeOf(piece: Omit<AsMade, "changed">, level: FuseLevel): number {
	const { widthMm, heightMm } = piece;
	const areaMm2 = widthMm * heightMm;
	return spreadOf({ widthMm, heightMm, areaMm2, meanMm: meanThicknessMm(piece), flow: LEVEL_AIM[level] }).edgeMm;
}
