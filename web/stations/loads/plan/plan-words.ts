import type { LeftWhy } from "@core/loading/plan/would-help";

/** Why a piece has no place, and what would help. */
export const WHY_WORDS: Record<LeftWhy, string> = {
	noKiln: "there is no kiln in use: write one down, or bring one back",
	tooHigh: "too high for every kiln",
	tooLarge: "too large for every shelf",
	tooHot: "needs more heat than any kiln gives",
	nobody: "nobody is ever there to load and open: see the hours in the settings",
	noMould: "others are on its mould for these two weeks: one more of it would help",
	noDay: "no kiln is free for it in these two weeks: another kiln, or longer hours, would help",
};

const DAY_MS = 86_400_000;

/** "5 h", "2 days". */
export function spareWords(ms: number): string {
	const hours = Math.round(Math.abs(ms) / 3_600_000);
	return hours < 48 ? `${hours} h` : `${Math.round(Math.abs(ms) / DAY_MS)} days`;
}
