import { demandOf } from "../firing/demand";
import { type FuseLevel, LEVEL_WORDS } from "../firing/level";
import { USUAL_PACE } from "../firing/schools";
import { edgeOf } from "../piece/edge-of";
import { type KitBody, type PieceBody, pieceBody } from "../piece/piece-body";
import { toFire } from "../piece/to-fire";
import { type Phrase, say } from "../units/phrase";
import type { AsMade } from "./events";

/** Less than this is how pieces of one kit differ anyway, mm. */
const SEEN_EFFECTIVE_MM = 2;
const SEEN_EDGE_MM = 1;

const HERE = { step: 0, again: false };

/** A piece as it was made, at a level, by the kit’s body of the firing it goes to; without a kit by its measures alone. */
export const asMadeAt = (kit: KitBody | null, made: AsMade, level: FuseLevel): PieceBody =>
	pieceBody({ kit: kit ? [kit] : [], made, madeAt: HERE }, HERE, level, kit?.hadLevel) as PieceBody;

/**
 * Where a piece as it was made behaves otherwise at a level than its kit does: what it anneals as, how far its edge goes. Empty
 * where it behaves as planned, and then the kit's level stands.
 */
export function asMadeDiffers(kit: KitBody, made: AsMade, level: FuseLevel): Phrase[] {
	const its = asMadeAt(kit, made, level);
	const planned = pieceBody({ kit: [kit], made: undefined, madeAt: HERE }, HERE, level, kit.hadLevel) as PieceBody;
	const differences: Phrase[] = [];
	if (its.effectiveMm - planned.effectiveMm >= SEEN_EFFECTIVE_MM) {
		const more = soakOf(its) - soakOf(planned);
		differences.push(
			say`It anneals as ${{ mm: its.effectiveMm }}, the kit as ${{ mm: planned.effectiveMm }}: ${{ min: more }} more of soak.`,
		);
	}
	const [edgeMm, kitEdgeMm] = [edgeOf(its), edgeOf(planned)];
	if (Math.abs(edgeMm - kitEdgeMm) >= SEEN_EDGE_MM) {
		differences.push(
			say`At ${LEVEL_WORDS[level]} its edge goes ${{ mm: Math.abs(edgeMm) }} ${edgeMm < 0 ? "inwards" : "outwards"}, the kit’s ${{ mm: Math.abs(kitEdgeMm) }} ${kitEdgeMm < 0 ? "inwards" : "outwards"}.`,
		);
	}
	return differences;
}

const soakOf = (body: PieceBody): number => demandOf(toFire("", body), USUAL_PACE).soakMin;
