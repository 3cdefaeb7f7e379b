import type { RecorderForm } from "@core/kiln/log";
import { describe, expect, it } from "vitest";
import { columnsAlike } from "./recorder-alike";

const form = (change: Partial<RecorderForm["mapping"]> = {}): RecorderForm => ({
	delimiter: ",",
	header: null,
	columns: 5,
	mapping: {
		time: { column: 0, as: "instant", startsAt: null },
		air: 2,
		set: null,
		duty: null,
		kwh: null,
		unit: "C",
		dutyIn: "share",
		decimal: ".",
		...change,
	},
});
const alike = (line: string, change = {}) =>
	columnsAlike(`2031-05-04T10:00:00Z,${line}\n`, form(change), "Europe/Zurich").map(({ column }) => column);

describe("columns that say nearly the same", () => {
	it.each([
		["a cold kiln and its hall", "21.4,23.0,,ok", {}, [1]],
		["a hot kiln and its hall", "24.1,821.0,,ok", {}, []],
		["in °F, by degrees that are as far apart as in °C", "70,90,120,ok", { unit: "F" }, [1]],
		["its own set point", "818.0,821.0,,ok", { set: 1 }, []],
		["a second sensor in the same kiln", "24.1,821.0,815.5,ok", {}, [3]],
		["a kiln’s column without a figure", "24.1,,22.0,ok", {}, []],
	])("%s", (_, line, change, columns) => expect(alike(line, change)).toEqual(columns));

	it("says what they say, in °C", () => {
		const [one] = columnsAlike("2031-05-04T10:00:00Z,70,75,,x\n", form({ unit: "F" }), "Europe/Zurich");
		expect(one?.c).toBeCloseTo(21.1, 1);
	});
});
