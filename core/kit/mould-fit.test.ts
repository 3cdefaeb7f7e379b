import { describe, expect, it } from "vitest";
import { mould } from "../../tests/support/kit";
import { boxOutline } from "../loading/outlines/fired-outline";
import { overRimMm, shortOfMouldMm } from "./mould-fit";

const square = (mm: number) => ({ widthMm: mm, heightMm: mm, outline: boxOutline(mm, mm) });
const round = (mm: number) => ({
	widthMm: mm,
	heightMm: mm,
	outline: Array.from({ length: 72 }, (_, i) => ({
		x: (mm / 2) * Math.cos((i * Math.PI) / 36),
		y: (mm / 2) * Math.sin((i * Math.PI) / 36),
	})),
});

describe("a blank on its mould", () => {
	const bowl = mould("bowl", { opening: "round", widthMm: 203, heightMm: 203 });
	// Diagonal against diameter, by Pythagoras.
	it.each([
		["a square whose corners stand out over a round rim", bowl, square(200), 200 * Math.SQRT2 - 203],
		["a square that lies in it", bowl, square(140), 0],
		["a round blank of its size", bowl, round(203), 0],
		["a round one that is larger", bowl, round(210), 7],
		["no outline known: its longer side", bowl, { widthMm: 208, heightMm: 90 }, 5],
		[
			"the same mm over in a rectangle, turned or not",
			mould("d", { widthMm: 150, heightMm: 100 }),
			{ widthMm: 100, heightMm: 156 },
			6,
		],
	] as const)("%s", (_, its, blank, over) => expect(overRimMm(its, blank)).toBeCloseTo(over, 6));

	it.each([
		[
			"over a form that is longer: it wobbles",
			mould("f", { kind: "drape", widthMm: 130, heightMm: 280 }),
			{ widthMm: 127, heightMm: 254 },
			26,
		],
		[
			"long enough for its form",
			mould("f", { kind: "drape", widthMm: 130, heightMm: 280 }),
			{ widthMm: 300, heightMm: 140 },
			0,
		],
		["in a dish", mould("d", { widthMm: 150, heightMm: 150 }), { widthMm: 141, heightMm: 150 }, 9],
		[
			"a frame is not fired",
			mould("fr", { kind: "frame", widthMm: 150, heightMm: 150 }),
			{ widthMm: 10, heightMm: 10 },
			0,
		],
	] as const)("%s", (_, its, blank, by) => expect(shortOfMouldMm(its, blank)).toBe(by));
});
