import { registerMap } from "@contract/documents/kiln";
import { GENERIC_MAP, type Register } from "@core/kiln/register-map";
import { REGISTERS } from "@standins/kiln-registers";
import { describe, expect, it } from "vitest";
import { registerValue } from "./modbus-line";

const register = (rest: Partial<Register>): Register => ({
	table: "holding",
	address: 0,
	type: "u16",
	scale: 1,
	none: null,
	...rest,
});

// Modbus Application Protocol Specification V1.1b3, 4.2: registers are 16 bits, sent with the high byte first; numbers longer
// than one register are no part of it: high word first is what most controllers do (common practice, no source).
describe("a register’s value", () => {
	it.each([
		[{ type: "u16" as const, scale: 0.1 }, [8041], 804.1],
		[{ type: "s16" as const, scale: 0.1 }, [0xff9c], -10],
		[{ type: "s16" as const, none: 32_767 }, [32_767], null],
		[{ type: "u32" as const }, [1, 0], 65_536],
		[{ type: "u32" as const, scale: 0.001 }, [0, 12_600], 12.6],
		[{ type: "u16" as const, none: 0 }, [0], null],
	])("%j of %j is %s", (rest, words, value) => {
		const read = registerValue(register(rest), words[0] ?? 0, words[1]);
		if (value === null) expect(read).toBeNull();
		else expect(read).toBeCloseTo(value, 9);
	});

	it("the map that ships reads where the stand-in writes", () => {
		expect(GENERIC_MAP.airC.address).toBe(REGISTERS.airC);
		expect(GENERIC_MAP.setC?.address).toBe(REGISTERS.setC);
		expect(GENERIC_MAP.elapsedS?.address).toBe(REGISTERS.elapsedS);
		expect(GENERIC_MAP.kwh?.address).toBe(REGISTERS.wattHours);
		expect(Object.values(GENERIC_MAP.commands).every(({ address }) => address === REGISTERS.command)).toBe(true);
		expect(registerMap.safeParse(GENERIC_MAP).success).toBe(true);
	});
});
