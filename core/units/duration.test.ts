import { expect, it } from "vitest";
import { formatMinutes, parseMinutes } from "./duration";

it.each([
	[-5, "0 min"],
	[0.4, "0 min"],
	[45, "45 min"],
	[60, "1 h"],
	[1040, "17 h 20"],
	[605, "10 h 05"],
	[2880, "2 d"],
	[3100, "2 d 3 h"],
])("%f minutes reads %s", (minutes, text) => expect(formatMinutes(minutes)).toBe(text));

it.each([
	["30", 30],
	["1:30", 90],
	["1 h 30", 90],
	["90 min", 90],
	["1,5 h", 90],
	["2h", 120],
])("reads %s", (text, minutes) => expect(parseMinutes(text)).toEqual({ ok: true, value: minutes }));
it.each(["", "soon", "1:75", "-3"])("does not read %j", (text) => expect(parseMinutes(text).ok).toBe(false));
