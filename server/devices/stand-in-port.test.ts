import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { standInPort } from "./stand-in-port";

beforeEach(() => {
	vi.stubEnv("ZEPHYR_STAND_IN_PORT", "4830");
	vi.stubEnv("ZEPHYR_STAND_INS", "2");
});
afterEach(() => {
	vi.unstubAllEnvs();
});

describe("a stand-in kiln", () => {
	it("is dialled where the house began it", () => expect([standInPort(1), standInPort(2)]).toEqual([4831, 4832]));

	it.each([0, 3, 1147, -4, 1.5, Number.NaN])("number %d is nobody's: no other port is dialled", (number) =>
		expect(() => standInPort(number)).toThrow("there is no stand-in kiln"),
	);

	it("is none where the house began none", () => {
		vi.stubEnv("ZEPHYR_STAND_IN_PORT", "");
		expect(() => standInPort(1)).toThrow("no stand-in kilns were started here");
	});
});
