/**
 * A piece's code: four characters that count and one that checks, over an alphabet of 23 that are told apart by eye and
 * aloud (no 0/O, 1/I/L, 5/S, B, Z, no vowels, so that no words arise). 23 is prime, so the weighted sum modulo 23 finds
 * every single wrong character and every swap of two.
 */
export const CODE_ALPHABET = "2346789CDFGHJKMNPRTVWXY";
const SIZE = CODE_ALPHABET.length;
const COUNTING = 4;
const WEIGHTS = [2, 3, 5, 7] as const;
export const CODE_COUNT = SIZE ** COUNTING;
/** Shares no factor with 23⁴: consecutive numbers give codes that do not look alike. */
const STRIDE = 104_729;

/** The code of the n-th piece, n from 0 below {@link CODE_COUNT} (279,841). */
export function codeOf(n: number): string {
	if (!Number.isInteger(n) || n < 0 || n >= CODE_COUNT) throw new RangeError(`No code for piece number ${n}.`);
	let rest = (n * STRIDE + 12_345) % CODE_COUNT;
	let digits = "";
	for (let i = 0; i < COUNTING; i++) {
		digits = CODE_ALPHABET[rest % SIZE] + digits;
		rest = Math.floor(rest / SIZE);
	}
	return digits + checkOf(digits);
}

function checkOf(digits: string): string {
	const sum = [...digits].reduce((total, digit, i) => total + CODE_ALPHABET.indexOf(digit) * (WEIGHTS[i] as number), 0);
	return CODE_ALPHABET[sum % SIZE] as string;
}

/** The code in what somebody typed or a scanner sent (case and spaces do not matter); undefined where it cannot be one. */
export function readCode(text: string): string | undefined {
	const code = text.toUpperCase().replace(/[\s-]/g, "");
	const valid = code.length === COUNTING + 1 && [...code].every((digit) => CODE_ALPHABET.includes(digit));
	return valid && checkOf(code.slice(0, COUNTING)) === code[COUNTING] ? code : undefined;
}
