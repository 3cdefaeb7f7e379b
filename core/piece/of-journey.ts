import { type FuseLevel, keepsSurface } from "../firing/level";
import type { Ring } from "../geometry/region";
import type { Journey } from "../journey/journey";
import { type KitBody, type PieceBody, pieceBody } from "./piece-body";

/** What a piece's kit says of it: its bodies and outlines, one for each firing of the piece's route. */
export interface KitShape {
	bodies: readonly KitBody[];
	outlines: readonly (Ring | null)[];
}

type Known = Pick<Journey, "asMade" | "madeAt" | "step" | "again" | "level" | "hadLevel" | "route">;

const START = { step: 0, again: false };

/** A piece in the firing that comes next, or that it is in. Undefined where neither its kit nor its measures are known. */
export const bodyOfJourney = (kit: KitShape, journey: Known): PieceBody | undefined =>
	bodyAhead(kit, journey, 0, journey.level, journey.hadLevel);

/** The same of each firing it still has before it, the next one first: later ones as what it will have become. */
export function bodiesAhead(kit: KitShape, journey: Known): (PieceBody | undefined)[] {
	let hadLevel = journey.hadLevel;
	return journey.route.slice(journey.step).map((step, i) => {
		const level = i === 0 ? journey.level : step.level;
		const body = bodyAhead(kit, journey, i, level, hadLevel);
		hadLevel = keepsSurface(level) ? (hadLevel ?? level) : level;
		return body;
	});
}

function bodyAhead(
	{ bodies, outlines }: KitShape,
	{ asMade, madeAt = START, step, again = false }: Known,
	ahead: number,
	level: FuseLevel,
	hadLevel: FuseLevel | undefined,
): PieceBody | undefined {
	const at = { step: step + ahead, again: ahead === 0 && again };
	const outline = outlines[Math.min(at.step, outlines.length - 1)] ?? undefined;
	return pieceBody({ kit: bodies, outline, made: asMade, madeAt }, at, level, hadLevel);
}
