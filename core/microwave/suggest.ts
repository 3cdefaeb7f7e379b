import { quantile } from "../quantile";
import { type Phrase, say } from "../units/phrase";
import {
	energyWs,
	LOOK_EVERY_WS,
	LOOK_WORDS,
	type Look,
	looksBetween,
	type MicrowaveStep,
	programmeLike,
	secondsFor,
} from "./programme";

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
	/** From the last heat until it could be touched, min; null where nobody noted it, or it was opened too early. */
	coolingMin: number | null;
}

export interface MicrowaveWish {
	blockId: string;
	ovenId: string;
	/** Powers this oven can be set to, W. */
	watts: readonly number[];
	outcome: Look;
	/** Fired before it starts as gently and at the same powers as it did fresh: that changes what is near, not how it is heated. */
	fired: boolean;
}

export interface MicrowaveSuggestion {
	steps: MicrowaveStep[];
	energyWs: number;
	/** Lowest and highest energy among the records it rests on, or that such blocks take, W·s. */
	range: { from: number; to: number };
	/** Records it rests on, nearest first. */
	fromIds: string[];
	because: Phrase;
}

/** A first programme is looked in after about this, W·s; a palm-sized block takes from about 110 to 280 kJ. Common practice, no source. */
const FIRST_LOOK_WS = 60_000;
export const BLOCK_TAKES_WS = { from: 110_000, to: 280_000 };
/** What a first programme plans until edges are round, W·s: the least that such blocks take. More is added after a look. */
const FIRST_ROUNDED_WS = BLOCK_TAKES_WS.from;
const MOST_RECORDS = 5;
/** An hour where nobody noted how long it took, and never less than this, min: it holds more heat than it shows. Common practice, no source. */
export const USUAL_COOLING_MIN = 60;
export const LEAST_COOLING_MIN = 45;

/**
 * A programme for a wish. What came out as wanted in this block and this oven is offered again, unchanged, the newest first; else a
 * programme by energy from the nearest records: same block first, then same oven. Records are given newest first.
 */
export function suggestProgramme(records: readonly MicrowaveRecord[], wish: MicrowaveWish): MicrowaveSuggestion {
	const recipe = recipeFor(records, wish);
	if (recipe) return recipe;
	const nearness = (one: MicrowaveRecord) =>
		(one.blockId === wish.blockId ? 0 : 2) +
		(one.ovenId === wish.ovenId ? 0 : 1) +
		(one.fired === wish.fired ? 0 : 0.5) +
		Math.abs(looksBetween(nearestLook(one, wish.outcome), wish.outcome)) * 0.1;
	const told = records
		.filter(({ blockId, ovenId }) => blockId === wish.blockId || ovenId === wish.ovenId)
		.map((record) => ({ record, energy: energyFor(record, wish.outcome), nearness: nearness(record) }))
		.sort((a, b) => a.nearness - b.nearness);
	const best = told[0];
	if (!best) return firstProgramme(wish);
	const nearest = told.filter((one) => one.nearness === best.nearness).slice(0, MOST_RECORDS);
	const energies = nearest.map(({ energy }) => energy).sort((a, b) => a - b);
	const steps = inOven(programmeLike(best.record.steps, quantile(energies, 0.5)), wish.watts);
	const whose =
		best.record.blockId !== wish.blockId
			? "this oven with another block"
			: best.record.ovenId === wish.ovenId
				? "this block in this oven"
				: "this block in another oven";
	return {
		steps,
		energyWs: energyWs(steps),
		range: { from: energies[0] ?? 0, to: energies.at(-1) ?? 0 },
		fromIds: nearest.map(({ record }) => record.id),
		because: say`From ${{ n: nearest.length }} ${nearest.length === 1 ? "record" : "records"} of ${whose}. Look in at every step.`,
	};
}

/** What came out so in this block and this oven before, step by step as it was given; undefined without one. */
function recipeFor(records: readonly MicrowaveRecord[], wish: MicrowaveWish): MicrowaveSuggestion | undefined {
	const worked = records.filter(
		({ blockId, ovenId, outcome, steps }) =>
			blockId === wish.blockId &&
			ovenId === wish.ovenId &&
			outcome === wish.outcome &&
			steps.length > 0 &&
			steps.every(({ watts }) => wish.watts.includes(watts)),
	);
	const recipe = worked.find(({ fired }) => fired === wish.fired) ?? worked[0];
	if (!recipe) return undefined;
	const energies = worked.map(({ steps }) => energyWs(steps));
	return {
		steps: recipe.steps,
		energyWs: energyWs(recipe.steps),
		range: { from: Math.min(...energies), to: Math.max(...energies) },
		fromIds: [recipe.id],
		because: say`As it was given when this block in this oven came out ${LOOK_WORDS[wish.outcome]}: the same again.`,
	};
}

/** Without any record: half power, a first look after about 60 kJ, then one every 15 kJ. */
function firstProgramme({ watts, outcome }: MicrowaveWish): MicrowaveSuggestion {
	const half = nearestPower(watts, Math.max(...watts, 0) / 2);
	const energy = FIRST_ROUNDED_WS + looksBetween("rounded", outcome) * LOOK_EVERY_WS;
	const looks = Math.max(0, Math.round((energy - FIRST_LOOK_WS) / LOOK_EVERY_WS));
	const steps = [
		{ watts: half, seconds: secondsFor(Math.min(FIRST_LOOK_WS, energy), half) },
		...Array.from({ length: looks }, () => ({ watts: half, seconds: secondsFor(LOOK_EVERY_WS, half) })),
	];
	return {
		steps,
		energyWs: energyWs(steps),
		range: BLOCK_TAKES_WS,
		fromIds: [],
		because: say`No record of this block or oven yet: half power, a look after about ${{ n: FIRST_LOOK_WS / 1000 }} kJ, then one every ${{ n: LOOK_EVERY_WS / 1000 }} kJ. Palm-sized blocks take about ${{ n: BLOCK_TAKES_WS.from / 1000 }} to ${{ n: BLOCK_TAKES_WS.to / 1000 }} kJ: go on until it is seen.`,
	};
}

const nearestPower = (watts: readonly number[], wanted: number): number =>
	watts.reduce(
		(best, one) => (Math.abs(one - wanted) < Math.abs(best - wanted) ? one : best),
		watts[0] ?? Math.max(50, wanted),
	);

/** The same energy step by step at powers that this oven has. */
const inOven = (steps: readonly MicrowaveStep[], powers: readonly number[]): MicrowaveStep[] =>
	steps.map(({ watts, seconds }) => {
		const near = nearestPower(powers, watts);
		return { watts: near, seconds: near === watts ? seconds : secondsFor(watts * seconds, near) };
	});

/** Of what was seen in a run, the word nearest to another. */
const nearestLook = ({ looks, outcome }: MicrowaveRecord, wanted: Look): Look =>
	[outcome, ...looks.map(({ seen }) => seen)].reduce((best, one) =>
		Math.abs(looksBetween(one, wanted)) < Math.abs(looksBetween(best, wanted)) ? one : best,
	);

/** Energy (W·s) until something is to be seen, by a run: as it was given then, or from the nearest that was seen, 15 kJ a word. */
function energyFor(record: MicrowaveRecord, wanted: Look): number {
	const { steps, looks, outcome } = record;
	const near = nearestLook(record, wanted);
	const seen = looks.find(({ seen: what }) => what === near);
	const energy = near === outcome && !seen ? energyWs(steps) : energyUntil(steps, seen?.s ?? 0);
	return Math.max(LOOK_EVERY_WS, energy + looksBetween(near, wanted) * LOOK_EVERY_WS);
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
 * How long the block has to stand closed (min), from its records: the longest of the usual ones, so that the lesson is long enough, and
 * never less than {@link LEAST_COOLING_MIN}. An opening before that teaches nothing.
 */
export function coolingMin(records: readonly MicrowaveRecord[], blockId: string): { min: number; from: number } {
	const noted = records
		.filter((one) => one.blockId === blockId)
		.flatMap(({ coolingMin: min }) => (min !== null && min >= LEAST_COOLING_MIN ? [min] : []))
		.sort((a, b) => a - b);
	return noted.length === 0
		? { min: USUAL_COOLING_MIN, from: 0 }
		: { min: Math.ceil(quantile(noted, 0.9) / 5) * 5, from: noted.length };
}
