import { describe, expect, it } from "vitest";
import { OPEN_C } from "../firing/build";
import { isSettled } from "./line-status";

describe("a firing that is over and cold", () => {
	it.each([
		["complete", 24, true],
		// Some controllers say once that they are through, and are idle then.
		["idle", OPEN_C, true],
		["complete", OPEN_C + 1, false],
		// A hold at 40 °C is no end; a sensor that gives nothing is no cold kiln.
		["running", 40, false],
		["held", 40, false],
		["powerLost", 24, false],
		["complete", null, false],
		[null, 24, false],
	] as const)("%s at %s °C: %s", (status, airC, settled) => {
		expect(isSettled({ status, airC })).toBe(settled);
	});
});
