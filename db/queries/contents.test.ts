import { describe, expect, it } from "vitest";
import { differences } from "./contents";

const held = { "public.piece": { rows: 12, sum: "81" }, "public.photo": { rows: 0, sum: "0" } };

describe("what differs between two books", () => {
	it.each([
		["nothing", held, []],
		["a row", { ...held, "public.piece": { rows: 11, sum: "80" } }, ["public.piece has 11 rows instead of 12"]],
		["a value", { ...held, "public.piece": { rows: 12, sum: "82" } }, ["public.piece has other values"]],
		["a table that is gone", { "public.piece": held["public.piece"] }, ["public.photo is missing"]],
		["a table too many", { ...held, "public.x": { rows: 1, sum: "3" } }, ["public.x is not of it"]],
	])("%s", (_, found, words) => {
		expect(differences(held, found)).toEqual(words);
	});
});
