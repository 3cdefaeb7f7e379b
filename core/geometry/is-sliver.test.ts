import { describe, expect, it } from "vitest";
import { isSliver } from "./is-sliver";
import { unite } from "./region";
import { placeRing, regionOfShape } from "./shape";

const box = (widthMm: number, heightMm: number, x = 0) =>
	regionOfShape({ kind: "rectangle", widthMm, heightMm }).map((ring) => placeRing(ring, { x, y: 0 }, 0));

describe("a sliver is nowhere as wide", () => {
	it.each([
		["a hundredth of a millimetre along a foot", box(0.01, 304.8), true],
		["just under", box(0.19, 100), true],
		["just over", box(0.21, 100), false],
		["a thread", box(0.5, 80), false],
		["a small square", box(0.3, 0.3), false],
		["a long sliver with a real lap at its end", unite([box(0.01, 900), box(6, 6, 3)]), false],
		["nothing", [], false],
	])("%s", (_, region, is) => expect(isSliver(region, 0.2)).toBe(is));
});
