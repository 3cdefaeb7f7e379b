import { ZxcvbnFactory } from "@zxcvbn-ts/core";
import { describe, expect, it, vi } from "vitest";
import { weakness } from "./weak";

const ABOUT = ["Orla Tamsett", "orla@zephyr.example", "Zephyr Flats"];

// The first six are of the kinds that NIST SP 800-63B 5.1.1.2 names: seen in breaches, dictionary words, repetitive or
// sequential characters, context-specific words.
describe("a password that is guessed first", () => {
	it.each([
		["1234567890", true],
		["password123", true],
		["qwertyuiop", true],
		["aaaaaaaaaaaa", true],
		["abcdefghijk", true],
		["orlatamsett", true],
		["Zephyrflats1", true],
		["1q2w3e4r5t", true],
		["ladder tarpaulin vinegar", false],
		["k8#fL2pq!x", false],
		["9f1c22ab-77d0e4c1", false],
	])("%s: %s", (password, weak) => {
		expect(weakness(password, ABOUT) !== undefined).toBe(weak);
	});

	it("does no more work over the longest that is taken than over its first 32 signs", () => {
		const check = vi.spyOn(ZxcvbnFactory.prototype, "check");
		expect(weakness("ab".repeat(64), ABOUT)).toBeDefined();
		expect(check.mock.calls.map(([judged]) => judged)).toEqual(["ab".repeat(16)]);
		check.mockRestore();
	});
});
