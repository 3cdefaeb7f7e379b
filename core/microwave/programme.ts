/** Power (W) for a time (s). */
export interface MicrowaveStep {
	watts: number;
	seconds: number;
}

/** What is seen when the lid is tilted, coldest first. */
export const LOOKS = ["dull", "glowing", "edgesSoft", "rounded", "flat"] as const;
export type Look = (typeof LOOKS)[number];

export const LOOK_WORDS: Record<Look, string> = {
	dull: "dull",
	glowing: "glowing",
	edgesSoft: "edges soft",
	rounded: "rounded",
	flat: "flat",
};

/** Steps near the end are this short. Common practice, no source: ten seconds matter. */
export const LAST_STEP_S = 30;
/** Share of the energy that goes in such short steps. */
const LAST_SHARE = 0.3;

/** Energy (W·s) of steps. */
export const energyWs = (steps: readonly MicrowaveStep[]): number =>
	steps.reduce((sum, { watts, seconds }) => sum + watts * seconds, 0);

/**
 * Steps whose energy is as near to `energy` (W·s) as whole short steps allow: the first 70 % as long steps at the given powers, each
 * as long as its share asks, the rest in {@link LAST_STEP_S} steps at the last power.
 */
export function programmeOf(energy: number, powers: readonly { watts: number; share: number }[]): MicrowaveStep[] {
	const last = powers.at(-1)?.watts ?? 500;
	const whole = powers.reduce((sum, { share }) => sum + share, 0) || 1;
	const first = energy * (1 - LAST_SHARE);
	const long = powers.map(({ watts, share }) => ({
		watts,
		seconds: Math.max(LAST_STEP_S, Math.round((first * share) / whole / watts / 10) * 10),
	}));
	const left = energy - energyWs(long);
	const short = Math.max(1, Math.round(left / (last * LAST_STEP_S)));
	return [...long, ...Array.from({ length: short }, () => ({ watts: last, seconds: LAST_STEP_S }))];
}
