import { say } from "../units/phrase";
import type { Alarm } from "./watch";

/** A reading of a kiln whatever runs in it. */
export interface HeardHeat {
	/** Wall time, ms. */
	atMs: number;
	airC: number | null;
	/** Nothing should heat it: nothing was started, the programme is over, or it is to fall. */
	idle: boolean;
}

/** A controller swings a few K around its target: so much above the kiln's own limit is above it, K. Common practice, no source. */
export const LIMIT_SWING_K = 5;
/**
 * So much warmer (K) after so long (min), and at least so much of it in the later half: a lid that was shut gives the reading back what
 * it took within a minute or two and then falls; a relay that is stuck goes on. Common practice, no source.
 */
export const RISE_K = 20;
export const RISE_MIN = 10;
const LATER_K = 6;
/**
 * So much hotter (K) than it ever was before, with nothing started: told at once, however it got there. A recorder that was away while
 * a relay stuck comes back like that; a lid that was shut does not, for what is below it was hotter before. No source, our own.
 */
export const LEAP_K = 150;

/** Why nothing should heat it, as it stands in the sentence. */
const WORDS = {
	nothing: "though nothing was started",
	over: "though its programme is over",
	falls: "while it should fall",
} as const;
export type IdleBecause = keyof typeof WORDS;

/**
 * What is wrong with a kiln at any time, with a firing or without, with a set point or without: above its own limit, or heating by itself.
 * @param readings oldest first, of the last half hour at least and, after silence, the last one before it @param maxC the kiln's own limit, °C @param perS seconds of kiln time in one of the wall's
 */
export function alarmsAlways(readings: readonly HeardHeat[], maxC: number, because: IdleBecause, perS = 1): Alarm[] {
	const last = readings.at(-1);
	if (!last || last.airC === null) return [];
	const alarms: Alarm[] = [];
	if (last.airC > maxC + LIMIT_SWING_K)
		alarms.push({
			kind: "aboveLimit",
			sentence: say`${{ c: last.airC }}, above the ${{ c: maxC }} this kiln may have. Switch it off at the wall.`,
		});
	const risen = risenAlone(readings, perS) ?? (because === "nothing" ? leapt(readings) : undefined);
	if (risen)
		alarms.push({
			kind: "heatsAlone",
			sentence: say`Rose by ${{ stepC: risen.k }} in ${{ min: risen.min }} ${WORDS[because]}: ${{ c: last.airC }}. A relay may be stuck: switch it off at the wall.`,
		});
	return alarms;
}

/** How much hotter it is than it ever was before, and since when; undefined where it is not. */
function leapt(readings: readonly HeardHeat[]): { k: number; min: number } | undefined {
	const heard = readings.filter((one): one is HeardHeat & { airC: number } => one.airC !== null);
	const last = heard.at(-1);
	const before = heard.filter(({ airC }) => last && airC < last.airC - LEAP_K);
	const since = before.at(-1);
	if (!last || !since) return undefined;
	const highestC = Math.max(...heard.slice(0, heard.indexOf(since) + 1).map(({ airC }) => airC));
	const k = last.airC - highestC;
	return k >= LEAP_K ? { k, min: (last.atMs - since.atMs) / 60_000 } : undefined;
}

/** How much it rose by itself, over how long; undefined where it did not, or nothing can be said. */
function risenAlone(readings: readonly HeardHeat[], perS: number): { k: number; min: number } | undefined {
	const since = readings.findLastIndex(({ idle }) => !idle);
	const idle = readings.slice(since + 1).filter((one): one is HeardHeat & { airC: number } => one.airC !== null);
	const last = idle.at(-1);
	if (!last) return undefined;
	const agoMin = ({ atMs }: HeardHeat) => ((last.atMs - atMs) / 60_000) * perS;
	const first = idle.findLast((one) => agoMin(one) >= RISE_MIN);
	if (!first) return undefined;
	const middle = idle.findLast((one) => agoMin(one) >= agoMin(first) / 2) ?? first;
	const [k, laterK] = [last.airC - first.airC, last.airC - middle.airC];
	return k >= RISE_K && laterK >= LATER_K ? { k, min: agoMin(first) } : undefined;
}
