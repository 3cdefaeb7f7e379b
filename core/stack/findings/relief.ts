import { keepsSurface, LEVEL_WORDS } from "../../firing/level";
import { say } from "../../units/phrase";
import type { Finding } from "../finding";
import { reliefOf } from "../relief";
import type { Stack } from "../stack";

/** Less relief than this is the pattern of the glass, mm. */
const SEEN_MM = 2;
/** Less of it than this is felt rather than seen, mm. */
const FLAT_MM = 0.5;

/** What the level leaves of the heights a piece is laid up with. */
export function reliefFindings(stack: Stack): Finding[] {
	const { level, thickestMm, thinnestMm, hadLevel, insertMm } = stack;
	if (hadLevel !== undefined || insertMm > 0 || keepsSurface(level) || thickestMm - thinnestMm < SEEN_MM) return [];
	const { beforeMm, leftMm } = reliefOf(stack);
	if (beforeMm < SEEN_MM) return [];
	return [
		{
			code: "relief",
			severity: "know",
			sentence:
				leftMm < FLAT_MM
					? say`Its ${{ mm: beforeMm }} of relief runs level at ${LEVEL_WORDS[level]}.`
					: say`Of its ${{ mm: beforeMm }} of relief about ${{ mm: leftMm }} is left at ${LEVEL_WORDS[level]}.`,
			remedy: say`Fire lower to keep more of it, higher to keep less.`,
			partIds: [],
		},
	];
}
