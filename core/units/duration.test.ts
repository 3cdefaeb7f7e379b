import { expect, it } from "vitest";
import { formatMinutes } from "./duration";

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
