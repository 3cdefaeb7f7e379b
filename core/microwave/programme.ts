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

/** How many words one look is from another, counted from colder to hotter. */
export const looksBetween = (from: Look, to: Look): number => LOOKS.indexOf(to) - LOOKS.indexOf(from);

/** Steps near the end are this short. Common practice, no source: ten seconds matter. */
export const LAST_STEP_S = 30;
/** Share of the energy that goes in such short steps. */
const LAST_SHARE = 0.3;
/** From one word to the next it takes about so much, W·s; it is looked in after each. Common practice, no source. */
export const LOOK_EVERY_WS = 15_000;
/** Never more than this for one word, W·s: what is given cannot be taken back. */
const LOOK_MOST_WS = 30_000;

/** Energy (W·s) of steps. */
export const energyWs = (steps: readonly MicrowaveStep[]): number =>
	steps.reduce((sum, { watts, seconds }) => sum + watts * seconds, 0);

/** Seconds for an energy (W·s) at a power, to five seconds; at least five. */
export const secondsFor = (energy: number, watts: number): number => Math.max(5, Math.round(energy / watts / 5) * 5);

/** The beginning of steps, up to an energy (W·s). */
export function stepsUntil(steps: readonly MicrowaveStep[], energy: number): MicrowaveStep[] {
	const kept: MicrowaveStep[] = [];
	let left = energy;
	for (const { watts, seconds } of steps) {
		if (left <= 0) break;
		kept.push({ watts, seconds: watts * seconds <= left ? seconds : secondsFor(left, watts) });
		left -= watts * seconds;
	}
	return kept;
}

/**
 * Steps of about an energy (W·s) that go as others went: their beginning as it was up to 70 % of it, the rest in
 * {@link LAST_STEP_S} steps at the power they ended with.
 */
export function programmeLike(steps: readonly MicrowaveStep[], energy: number): MicrowaveStep[] {
	const long = stepsUntil(steps, Math.min(energyWs(steps), energy * (1 - LAST_SHARE)));
	const last = long.at(-1)?.watts ?? steps[0]?.watts ?? 500;
	const short = Math.max(1, Math.round((energy - energyWs(long)) / (last * LAST_STEP_S)));
	return [...long, ...Array.from({ length: short }, () => ({ watts: last, seconds: LAST_STEP_S }))];
}

/**
 * What is still to be given after a look: nothing where it is as wanted, else between 15 and 30 kJ for every word that is missing, in
 * steps of 15 kJ at the power it had. What was planned stays where it is between them.
 */
export function afterLook(left: readonly MicrowaveStep[], seen: Look, wanted: Look, watts: number): MicrowaveStep[] {
	const words = looksBetween(seen, wanted);
	if (words <= 0) return [];
	const planned = energyWs(left);
	const energy = Math.min(words * LOOK_MOST_WS, Math.max(words * LOOK_EVERY_WS, planned));
	if (energy === planned) return [...left];
	const power = left[0]?.watts ?? watts;
	const count = Math.max(1, Math.round(energy / LOOK_EVERY_WS));
	return Array.from({ length: count }, () => ({ watts: power, seconds: secondsFor(energy / count, power) }));
}
