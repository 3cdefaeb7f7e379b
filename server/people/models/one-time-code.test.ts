import { Secret } from "otpauth";
import { describe, expect, it } from "vitest";
import { newRecoveryCodes, newSecret, recoveryHash, secretUri, stepOf } from "./one-time-code";

// RFC 6238, appendix B: the shared secret "12345678901234567890", SHA-1, period 30 s. The table has eight digits; six are its last.
const SECRET = Secret.fromUTF8("12345678901234567890").base32;
const TABLE = [
	[59, "94287082"],
	[1_111_111_109, "07081804"],
	[1_111_111_111, "14050471"],
	[1_234_567_890, "89005924"],
	[2_000_000_000, "69279037"],
	[20_000_000_000, "65353130"],
] as const;

describe("a code of a device", () => {
	it.each(TABLE)("at %d s is the standard’s", (s, digits) => {
		const code = digits.slice(2);
		const step = Math.floor(s / 30);
		expect(stepOf(SECRET, code, new Date(s * 1000), 0)).toBe(step);
		expect(stepOf(SECRET, `${code.slice(0, 3)} ${code.slice(3)}`, new Date(s * 1000), 0)).toBe(step);
	});

	it("is taken half a minute early or late, not a whole one, and never twice", () => {
		const [s, digits] = TABLE[3];
		const [code, step] = [digits.slice(2), Math.floor(s / 30)];
		const at = (later: number) => stepOf(SECRET, code, new Date((s + later) * 1000), 0);
		expect([at(30), at(-30)]).toEqual([step, step]);
		expect([at(61), at(-61)]).toEqual([undefined, undefined]);
		expect(stepOf(SECRET, code, new Date(s * 1000), step)).toBeUndefined();
		expect(stepOf(SECRET, "000000", new Date(s * 1000), 0)).toBeUndefined();
	});

	it("comes from 160 random bits, and its address names studio and account", () => {
		expect(Secret.fromBase32(newSecret()).bytes.length).toBe(20);
		expect(newSecret()).not.toBe(newSecret());
		const uri = new URL(secretUri(SECRET, "orla@zephyr.example"));
		expect([uri.protocol, uri.host, uri.searchParams.get("secret")]).toEqual(["otpauth:", "totp", SECRET]);
		expect(decodeURIComponent(uri.pathname)).toContain("orla@zephyr.example");
	});
});

describe("codes for the day that the device is lost", () => {
	it("are eight different ones, the same with and without their dash", () => {
		const codes = newRecoveryCodes();
		expect(new Set(codes).size).toBe(8);
		for (const code of codes) expect(recoveryHash(code.replace("-", " ").toUpperCase())).toBe(recoveryHash(code));
	});
});
