import { expect, it } from "vitest";
import { sameNames } from "./same-names";

it.each<[string[], string[]]>([
	[[], []],
	[["Hopper", "Silo"], []],
	[["Hopper", "hopper ", "Silo"], ["hopper"]],
	[
		["A", "B", "a", "b", "A"],
		["A", "b"],
	],
])("%j: %j more than once", (names, twice) => expect(sameNames(names.map((name) => ({ name })))).toEqual(twice));
