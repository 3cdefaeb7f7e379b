import { createHash, randomBytes } from "node:crypto";
import { Secret, TOTP } from "otpauth";

/** Half a minute a code, s; one code earlier or later is taken, for clocks that are a little off. Source: RFC 6238 4.1, 5.2. */
const PERIOD_S = 30;
const WINDOW = 1;
const DIGITS = 6;
/** 160 bits. Source: RFC 4226 4, R6. */
const SECRET_BYTES = 20;

const RECOVERY_CODES = 8;
/** Letters and digits that are not taken for one another. Source: Crockford's base 32. */
const ALPHABET = "0123456789abcdefghjkmnpqrstvwxyz";
/** Ten signs, 50 bits: nobody guesses one at the door. */
const RECOVERY_LENGTH = 10;

/** A new secret, in base 32 as devices take it. */
export const newSecret = (): string => new Secret({ size: SECRET_BYTES }).base32;

const generator = (secret: string, label = ""): TOTP =>
	new TOTP({
		issuer: "Zephyr Flats",
		label,
		algorithm: "SHA1",
		digits: DIGITS,
		period: PERIOD_S,
		secret: Secret.fromBase32(secret),
	});

/** The address that a device reads from a picture: otpauth://totp/… */
export const secretUri = (secret: string, email: string): string => generator(secret, email).toString();

/**
 * The number of the half minute that a code belongs to, where it is right for about now and later than `lastStep`: a code that
 * was taken once is not taken again. Source: RFC 6238 5.2.
 */
export function stepOf(secret: string, code: string, now: Date, lastStep: number): number | undefined {
	const delta = generator(secret).validate({ token: plain(code), timestamp: now.getTime(), window: WINDOW });
	if (delta === null) return undefined;
	const step = Math.floor(now.getTime() / 1000 / PERIOD_S) + delta;
	return step > lastStep ? step : undefined;
}

/** Codes for the day that the device is lost. They are shown once; their hashes are kept. */
export function newRecoveryCodes(): string[] {
	return Array.from({ length: RECOVERY_CODES }, () => {
		const signs = [...randomBytes(RECOVERY_LENGTH)].map((byte) => ALPHABET[byte % ALPHABET.length]).join("");
		return `${signs.slice(0, RECOVERY_LENGTH / 2)}-${signs.slice(RECOVERY_LENGTH / 2)}`;
	});
}

/** Without the blanks and dashes that people type. */
const plain = (code: string): string => code.toLowerCase().replace(/[\s-]/g, "");

/** A random code of 50 bits needs no slow hash. */
export const recoveryHash = (code: string): string => createHash("sha256").update(plain(code)).digest("base64url");
