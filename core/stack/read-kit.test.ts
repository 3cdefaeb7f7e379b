import { describe, expect, it } from "vitest";
import { book as bookOf, box, cut, fire, kit, square } from "../../tests/support/kit";
import { signedAreaMm2 } from "../geometry/shape";
import type { KitPart } from "../kit/kit";
import { METRIC, phraseText } from "../units/phrase";
import { effectiveThicknessMm } from "./effective-thickness";
import { readKit } from "./read-kit";

const book = bookOf();
const codes = (parts: KitPart[]) =>
	readKit(kit(parts), book).findings.map(({ code, severity }) => `${severity} ${code}`);

describe("reading a kit", () => {
	it("laid upside down it covers the shelf as in a mirror, and flipped afterwards as it was drawn", () => {
		const gable: KitPart[] = [cut({ kind: "triangle", widthMm: 120, heightMm: 70 }), cut(square(30), 1, -30, -10)];
		const route = [
			{ level: "full" as const, handWork: "", turnedOver: true },
			{ level: "firePolish" as const, handWork: "" },
		];
		const [over = [], up = []] = readKit(kit(gable, route), book).outlines ?? [];
		// The right angle of the drawing lies at the lower left; turned over, at the lower right.
		const corner = (ring: typeof over, side: 1 | -1) => ring.some(({ x, y }) => x * side > 59.9 && y < -34.9);
		const top = (ring: typeof over) => Math.sign(ring.reduce((a, b) => (b.y > a.y ? b : a)).x);
		expect([top(over), top(up)]).toEqual([-top(up), top(up)]);
		expect(corner(over, 1) && corner(over, -1)).toBe(true);
		expect(signedAreaMm2(over)).toBeCloseTo(signedAreaMm2(up), 6);
		expect(signedAreaMm2(over)).toBeGreaterThan(0);
	});

	it("two singles of 100 mm: worked by hand", () => {
		const reading = readKit(kit([cut(square(100), 0), cut(square(100), 1)]), book);
		expect(reading).toMatchObject({ thickestMm: 6, thinnestMm: 6, stackCode: "90 | 3·3 | full", effectiveMm: 6 });
		expect(reading.areaMm2).toBeCloseTo(10_000);
		expect(reading.massG).toBeCloseTo(150); // 60 cm³ × 2.5 g/cm³
		expect(reading.trappedSpanMm).toBeCloseTo(100);
		expect(reading.findings.map(({ code }) => code)).toEqual(["trapped-air"]);
	});

	it("a stepped stack: thickest column named from the shelf up, thinnest that 95 % reach, centre of mass by moments", () => {
		const parts = [cut(square(100), 0), cut(box(50, 100), 1, 25, 0), cut(square(20), 2, 25, 0, "thin")];
		const reading = readKit(kit(parts, fire("tack")), book);
		expect(reading.stackCode).toBe("90 | 3·3·2 | tack");
		expect(reading.thickestMm).toBe(8);
		expect(reading.thinnestMm).toBe(3);
		expect(reading.effectiveMm).toBe(8 * (2 + 0.5 * (8 / 3 - 2)));
		const volume = 30_000 + 15_000 + 800;
		expect(reading.massG).toBeCloseTo((volume * 2.5) / 1000);
		expect(reading.centre.x).toBeCloseTo((15_000 * 25 + 800 * 25) / volume);
		expect(reading.centre.y).toBeCloseTo(0);
	});

	it("stops two families and untested glass", () => {
		expect(codes([cut(square(100), 0), cut(square(40), 1, 0, 0, "other")])).toContain("stop family-conflict");
		expect(codes([cut(square(100), 0, 0, 0, "found")])).toContain("stop untested-glass");
		expect(readKit(kit([cut(square(100), 0), cut(square(40), 1, 0, 0, "other")]), book).stackCode).toMatch(/^mixed/);
	});

	it("touching is not joining: side by side is loose, 2 mm of overlap holds", () => {
		expect(codes([cut(square(40), 0), cut(square(40), 0, 40, 0)])).toContain("fix loose");
		expect(codes([cut(square(40), 0), cut(square(40), 1, 38.5, 0)])).toContain("fix loose");
		expect(codes([cut(square(40), 0), cut(square(40), 1, 38, 0)])).not.toContain("fix loose");
		expect(codes([cut(square(40), 0), cut(square(40), 0, 40, 0), cut(square(20), 1, 20, 0)])).not.toContain(
			"fix loose",
		);
	});

	it("two cuts cannot lie in one place of one layer", () => {
		expect(codes([cut(square(40), 0), cut(square(40), 0, 30, 0)])).toContain("fix same-place");
	});

	it("says black beside white, strikers and edges that move, each with a figure", () => {
		const reading = readKit(
			kit([
				cut(square(90), 0),
				cut(square(40), 1, -20, 0, "black"),
				cut(square(40), 1, 20, 0, "white"),
				cut(square(20), 2, 0, 0, "striker"),
			]),
			book,
		);
		expect(reading.blackBesideWhite).toBe(true);
		expect(reading.findings.map(({ code }) => code)).toContain("striker");
		for (const { sentence } of reading.findings) expect(phraseText(sentence, METRIC)).toMatch(/\d/);
		expect(codes([cut(square(100), 0)])).toContain("know draws-in");
		expect(codes([0, 1, 2, 3].map((layer) => cut(square(100), layer)))).toContain("know spreads");
	});

	it("an empty bench reads as nothing", () => {
		expect(readKit(kit([]), book)).toMatchObject({ massG: 0, areaMm2: 0, thickestMm: 0, findings: [] });
	});
});

describe("levels and effective thickness", () => {
	// Common practice, no source.
	it.each([
		[6, 6, "full", undefined, 6],
		[3, 3, "contour", undefined, 3],
		[6, 6, "tack", undefined, 6],
		[6, 5, "tack", undefined, 6],
		[7, 6, "contour", undefined, 7],
		[12, 6, "contour", undefined, 18],
		[12, 6, "tack", undefined, 24],
		[9, 6, "tack", undefined, 9 * 1.375],
		[9, 6, "contour", undefined, 9 * 1.1875],
		[12, 3, "tack", undefined, 30],
		[12, 4, "contour", undefined, 30],
		[12, 3, "full", undefined, 12],
		[12, 6, "slump", "tack", 24],
		[12, 6, "slump", "full", 12],
		[6, 6, "slump", undefined, 6],
	] as const)("%f over %f mm at %s (had %s) anneals as %f", (thickestMm, thinnestMm, level, had, expected) =>
		expect(effectiveThicknessMm({ thickestMm, thinnestMm }, level, had)).toBeCloseTo(expected, 9),
	);

	// A pocket of two singles round 6 mm gets four hours, also with slices on top: common practice, no source.
	it("an insert counts with the glass round it, twice, and not again by the level", () => {
		const pocket = { thickestMm: 6, thinnestMm: 6, insertMm: 6, aroundMm: 6 };
		expect(effectiveThicknessMm(pocket, "full")).toBe(24);
		expect(effectiveThicknessMm({ ...pocket, thickestMm: 10 }, "contour")).toBe(24);
	});

	// Product of plane walls, a quarter of the side's effect: Incropera & DeWitt, by hand.
	it.each([
		[14, 20, 11.5],
		[14, 40, 13.2],
		[6, 100, 6],
	])("%f mm high and %f mm wide it cools from its sides too: %f", (thickestMm, narrowMm, expected) =>
		expect(effectiveThicknessMm({ thickestMm, thinnestMm: thickestMm, narrowMm }, "full")).toBeCloseTo(expected, 1),
	);
});
