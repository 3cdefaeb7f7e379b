import { quantile } from "../quantile";
import { type Phrase, say } from "../units/phrase";
import { energyWs, type Look, type MicrowaveStep, programmeOf } from "./programme";

/** One firing of a block, as it was. */
export interface MicrowaveRecord {
	id: string;
	blockId: string;
	ovenId: string;
	/** As it was really given, step by step. */
	steps: MicrowaveStep[];
	/** Seconds of heating at each look and what was seen. */
	looks: { s: number; seen: Look }[];
	outcome: Look;
	/** The glass had been fired before. */
	fired: boolean;
	/** From the last heat until it could be touched, min; null where nobody noted it. */
	coolingMin: number | null;
}

export interface MicrowaveWish {
	blockId: string;
	ovenId: string;
	/** Powers this oven can be set to, W. */
	watts: readonly number[];
	outcome: Look;
	fired: boolean;
}

export interface MicrowaveSuggestion {
	steps: MicrowaveStep[];
	energyWs: number;
	/** Lowest and highest energy among the records it rests on, W·s. */
	range: { from: number; to: number };
	/** Records it rests on, nearest first. */
	fromIds: string[];
	because: Phrase;
}

/** With no record at all: 350 W 4 min, 500 W 4 min, then short steps. Common practice, no source. */
const BEGINNER_FRESH = 350 * 240 + 500 * 240 + 500 * 60;
const MOST_RECORDS = 5;
/** An hour where nobody noted how long it took. Common practice, no source. */
export const USUAL_COOLING_MIN = 60;

/**
 * A programme by energy, from the nearest records: same block in the same oven first, then the same block, then the same oven.
 * A record that stopped short of the wish, or went past it, still tells: looks along the way are records of their own.
 */
export function suggestProgramme(records: readonly MicrowaveRecord[], wish: MicrowaveWish): MicrowaveSuggestion {
	const nearness = (one: MicrowaveRecord) =>
		(one.blockId === wish.blockId ? 0 : 2) +
		(one.ovenId === wish.ovenId ? 0 : 1) +
		(one.fired === wish.fired ? 0 : 0.5);
	const told = records
		.filter(({ blockId, ovenId }) => blockId === wish.blockId || ovenId === wish.ovenId)
		.flatMap((one) => {
			const energy = energyAtLook(one, wish.outcome);
			return energy === undefined ? [] : [{ id: one.id, energy, nearness: nearness(one) }];
		})
		.sort((a, b) => a.nearness - b.nearness);
	const best = told[0]?.nearness;
	const nearest = told.filter((one) => one.nearness === best).slice(0, MOST_RECORDS);
	const energies = nearest.map(({ energy }) => energy).sort((a, b) => a - b);
	const energy = energies.length > 0 ? quantile(energies, 0.5) : BEGINNER_FRESH;
	const steps = programmeOf(energy, powersFor(wish));
	const same = best !== undefined && best < 1;
	return {
		steps,
		energyWs: energyWs(steps),
		range: { from: energies[0] ?? energy, to: energies.at(-1) ?? energy },
		fromIds: nearest.map(({ id }) => id),
		because:
			nearest.length === 0
				? say`No record of this block or oven yet: a beginning as it is usually made. Look in at every step.`
				: say`From ${{ n: nearest.length }} ${nearest.length === 1 ? "record" : "records"} of ${same ? "this block in this oven" : best !== undefined && best < 2 ? "this block in another oven" : "this oven with another block"}.`,
	};
}

/** Energy (W·s) given when this was first seen, or at the end where that was the outcome. */
function energyAtLook({ steps, looks, outcome }: MicrowaveRecord, wanted: Look): number | undefined {
	const seen = looks.find(({ seen: what }) => what === wanted);
	if (seen) return energyUntil(steps, seen.s);
	return outcome === wanted ? energyWs(steps) : undefined;
}

function energyUntil(steps: readonly MicrowaveStep[], s: number): number {
	let [left, energy] = [s, 0];
	for (const { watts, seconds } of steps) {
		const part = Math.min(left, seconds);
		energy += watts * part;
		left -= part;
		if (left <= 0) break;
	}
	return energy;
}

/**
 * How the heat is begun: fresh glass at a middle power and then at a higher one; glass fired before at half power for a while, then
 * full. Powers are the oven's own nearest ones. Common practice, no source.
 */
function powersFor({ watts, fired }: MicrowaveWish): { watts: number; share: number }[] {
	const near = (wanted: number) =>
		watts.reduce((best, one) => (Math.abs(one - wanted) < Math.abs(best - wanted) ? one : best), watts[0] ?? wanted);
	const most = Math.max(...watts, 0) || 700;
	return fired
		? [
				{ watts: near(most / 2), share: 0.6 },
				{ watts: most, share: 0.4 },
			]
		: [
				{ watts: near(350), share: 0.4 },
				{ watts: near(500), share: 0.6 },
			];
}

/** How long the block has to stand closed (min), from its records: the longest of the usual ones, so that the lesson is long enough. */
export function coolingMin(records: readonly MicrowaveRecord[], blockId: string): { min: number; from: number } {
	const noted = records
		.filter((one) => one.blockId === blockId)
		.flatMap(({ coolingMin: min }) => min ?? [])
		.sort((a, b) => a - b);
	return noted.length === 0
		? { min: USUAL_COOLING_MIN, from: 0 }
		: { min: Math.ceil(quantile(noted, 0.9) / 5) * 5, from: noted.length };
}
