import type { FuseLevel } from "../firing/level";
import { edgeOf } from "../piece/edge-of";
import type { PieceBody } from "../piece/piece-body";
import { effectiveThicknessMm } from "../stack/effective-thickness";
import { type Phrase, say } from "../units/phrase";

/** Levels that join glass lying flat, the gentlest first: a piece may go one up or down with the instructor's consent. */
const LADDER = ["sinter", "tack", "contour", "full"] as const satisfies readonly FuseLevel[];
type OnLadder = (typeof LADDER)[number];

/** What a piece looks like out of the kiln. Common practice, no source. */
const LOOKS: Record<OnLadder, string> = {
	sinter: "its grains and parts only stick, every edge stays as it was cut",
	tack: "its parts stick and keep their height, edges just softened",
	contour: "its parts are rounded but stay raised",
	full: "it ends level and smooth, fine texture and raised parts are gone",
};

/** Another level for a piece that waits, and what that does to it. */
export interface OtherTray {
	level: FuseLevel;
	way: "up" | "down";
	/** What it does to the piece, the figures in the last two. */
	does: Phrase[];
}

/**
 * The trays next to a piece's own, hotter and cooler. None for a slump, a fire polish or a deep firing, and none cooler than what it had
 * already: that would change nothing.
 */
export function otherTrays(piece: PieceBody): OtherTray[] {
	const at = LADDER.indexOf(piece.level as OnLadder);
	if (at < 0 || piece.hadLevel === "deep") return [];
	const had = LADDER.indexOf(piece.hadLevel as OnLadder);
	return [at - 1, at + 1].flatMap((to) => {
		const level = LADDER[to];
		return level && to > had
			? [{ level, way: to > at ? ("up" as const) : ("down" as const), does: done(piece, level) }]
			: [];
	});
}

function done(piece: PieceBody, level: OnLadder): Phrase[] {
	const [now, then] = [edgeOf(piece), edgeOf({ ...piece, level })];
	const anneals = (its: FuseLevel) => effectiveThicknessMm(piece, its, piece.hadLevel);
	return [
		say`At ${level} ${LOOKS[level]}.`,
		say`Its edge goes ${{ mm: Math.abs(then) }} ${way(then)}, not ${{ mm: Math.abs(now) }} ${way(now)}.`,
		say`It cools as ${{ mm: anneals(level) }}, not as ${{ mm: anneals(piece.level) }}.`,
	];
}

const way = (mm: number): string => (mm < 0 ? "inwards" : "outwards");
