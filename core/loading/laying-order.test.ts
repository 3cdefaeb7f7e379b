import { expect, it } from "vitest";
import { layingOrder } from "./laying-order";

const at = (id: string, xMm: number, yMm: number, shelf = 0) => ({ id, xMm, yMm, shelf });

it.each([
	["nothing", [], []],
	[
		"the far row first, each from the left",
		[at("a", 50, 50), at("b", 150, 50), at("c", 50, 150), at("d", 150, 150)],
		["c", "d", "a", "b"],
	],
	[
		"the lower shelf before the one above it",
		[at("a", 50, 150, 1), at("b", 50, 50), at("c", 50, 150)],
		["c", "b", "a"],
	],
	["a little higher is still the same row", [at("a", 150, 150), at("b", 50, 130), at("c", 100, 60)], ["b", "a", "c"]],
] as const)("%s", (_, places, order) => expect(layingOrder(places)).toEqual(order));
