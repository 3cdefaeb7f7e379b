import { type OptionsGraph, ZxcvbnFactory } from "@zxcvbn-ts/core";
import { adjacencyGraphs, dictionary } from "@zxcvbn-ts/language-common";

/**
 * Fewest guesses that a password has to stand, as a power of ten. Tries at the door are held to under a hundred an hour and
 * account: at that rate this many take centuries.
 */
const LEAST_GUESSES_LOG10 = 8;

/** The estimate takes ever longer with the length; what comes after so many signs makes nothing weaker. */
const JUDGED = 32;

const estimator = new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs as OptionsGraph });

/**
 * Why a password is among the first that somebody would guess, or undefined. Common passwords, keyboard walks, years and
 * repeats count, and words about the person.
 * @param about name, e-mail, studio: they are guessed first
 * Source: NIST SP 800-63B 5.1.1.2 (compare with commonly used, expected values and context words); the estimate is zxcvbn's.
 */
export function weakness(password: string, about: readonly string[]): string | undefined {
	const words = about
		.flatMap((text) => [text.replace(/[^\p{L}\p{N}]+/gu, ""), ...text.split(/[^\p{L}\p{N}]+/u)])
		.filter((word) => word.length > 2);
	const { guessesLog10 } = estimator.check(password.slice(0, JUDGED), words);
	if (guessesLog10 >= LEAST_GUESSES_LOG10) return undefined;
	return "This password is among the first that somebody would try. Take a few words that do not belong together.";
}
