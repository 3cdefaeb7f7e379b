import { describe, expect, it } from "vitest";
import { BROKEN_OFF_MS, kilnImport } from "./kiln-import";

const AT = new Date("2026-05-04T10:00:00Z");
const row = { id: "a", at: AT, from: AT, to: AT, added: 5000, lines: 12_000, written: 5000, wroteAt: AT, by: null };
const after = (ms: number) => new Date(AT.getTime() + ms);

describe("a log that is brought in", () => {
	it.each([
		["every line gone through", { written: 12_000 }, 10 * BROKEN_OFF_MS, "kept"],
		["lines still to come", {}, 1000, "coming"],
		["nothing written yet", { written: 0, wroteAt: null }, 1000, "coming"],
		["no line written for long", {}, BROKEN_OFF_MS + 1, "brokenOff"],
		["a clock that steps back", {}, -3_600_000, "coming"],
	])("%s", (_, changed, ms, state) => {
		expect(kilnImport({ ...row, ...changed }, after(ms)).state).toBe(state);
	});
});
