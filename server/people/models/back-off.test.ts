import { describe, expect, it } from "vitest";
import { waitS } from "./back-off";

// OWASP ASVS 5.0, 6.3.1: controls against guessing, by account and not by address alone; NIST SP 800-63B 5.2.2: at most 100
// wrong tries in a row on one account before more is asked.
describe("how long one has to wait after wrong tries", () => {
	it.each([
		["account", 0, 0],
		["account", 4, 0],
		["account", 5, 1],
		["account", 6, 2],
		["account", 9, 16],
		["account", 14, 300],
		["account", 1_000_000, 300],
		["address", 19, 0],
		["address", 20, 1],
		["address", 30, 900],
	] as const)("%s, %d tries: %d s", (kind, tries, seconds) => {
		expect(waitS(kind, tries)).toBe(seconds);
	});

	it("somebody who guesses without rest gets fewer than a hundred tries at one account in an hour", () => {
		let [spent, tries] = [0, 0];
		while (spent < 3600) spent += waitS("account", tries++);
		expect(tries).toBeLessThan(100);
	});
});
