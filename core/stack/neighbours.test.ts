import { describe, expect, it } from "vitest";
import type { CutShape } from "../geometry/shape";
import type { Glass } from "../glass/glass";
import type { KitPart } from "./kit";
import { bodiesOf, collisionsOf, contactsOf, touchesDarkAndWhite, trappedSpanMm } from "./neighbours";
import { columnsOf } from "./thickness";

const part = (id: string, shape: CutShape, layer: number, xMm = 0, yMm = 0, turnDeg = 0): KitPart => ({
	id,
	name: id,
	shape,
	glassId: id,
	layer,
	xMm,
	yMm,
	turnDeg,
});
const square = (side: number): CutShape => ({ kind: "square", sideMm: side });
const bar = (lengthMm: number, widthMm: number): CutShape => ({ kind: "strip", lengthMm, widthMm });

describe("contact between cuts", () => {
	// Known answers, drawn by hand.
	it.each([
		["far apart", part("b", square(20), 0, 60), []],
		["edge to edge", part("b", square(20), 0, 20), ["touching"]],
		["within half a millimetre", part("b", square(20), 0, 20.4), ["touching"]],
		["a millimetre apart", part("b", square(20), 0, 21.2), []],
		["1.5 mm over the edge, above", part("b", square(20), 1, 18.5), ["touching"]],
		["2 mm over the edge, above", part("b", square(20), 1, 18), ["joined"]],
		["wholly on top", part("b", square(5), 1), ["joined"]],
		["only at a corner, above", part("b", square(20), 1, 19.5, 19.5), ["touching"]],
		["two layers up with nothing between", part("b", square(20), 2), ["joined"]],
	])("%s", (_, b, expected) => {
		expect(contactsOf([part("a", square(20), 0), b]).map(({ contact }) => contact)).toEqual(expected);
	});

	it("a turned bar lies across what its box only seems to cover", () => {
		const across = part("b", bar(80, 10), 1, 0, 0, 45);
		expect(contactsOf([part("a", square(20), 0, 25, -25), across]).map(({ contact }) => contact)).toEqual([]);
		expect(contactsOf([part("a", square(20), 0, 25, 25), across]).map(({ contact }) => contact)).toEqual(["joined"]);
	});

	it("a bridge makes one body of two", () => {
		const two = [part("a", square(20), 0, -10), part("b", square(20), 0, 10)];
		expect(bodiesOf(two).map((body) => body.length)).toEqual([1, 1]);
		expect(bodiesOf([...two, part("bridge", bar(12, 6), 1)]).map((body) => body.length)).toEqual([3]);
	});

	it("an openwork ladder of bars holds only through its rungs", () => {
		const rails = [part("l", bar(80, 8), 0, 0, -20), part("r", bar(80, 8), 0, 0, 20)];
		const rungs = [-30, 0, 30].map((x) => part(`rung${x}`, bar(48, 8), 1, x, 0, 90));
		expect(bodiesOf([...rails, ...rungs])).toHaveLength(1);
		expect(bodiesOf(rails)).toHaveLength(2);
	});
});

describe("what neighbours do to each other", () => {
	const glass = (id: string, tone: Glass["tone"]): [string, Glass] => [
		id,
		{
			id,
			name: id,
			familyId: "90",
			form: "sheet",
			thicknessMm: 3,
			opacity: "opalescent",
			tone,
			boughtColour: "#000000",
			firedColour: "#000000",
		},
	];
	const book = new Map([glass("coal", "dark"), glass("lime", "white"), glass("sky", "other")]);

	it("dark beside white counts when they touch, not when glass lies between", () => {
		expect(touchesDarkAndWhite([part("coal", square(20), 0), part("lime", square(20), 0, 20)], book)).toBe(true);
		expect(
			touchesDarkAndWhite(
				[part("coal", square(20), 0), part("sky", square(20), 0, 20), part("lime", square(20), 0, 40)],
				book,
			),
		).toBe(false);
	});

	it("air is trapped under sheets of 75 mm and more in both directions", () => {
		expect(trappedSpanMm([part("a", square(100), 0), part("b", square(100), 1)])).toBeCloseTo(100);
		expect(trappedSpanMm([part("a", square(100), 0), part("b", bar(100, 40), 1)])).toBe(0);
		expect(trappedSpanMm([part("a", square(74), 0), part("b", square(74), 1)])).toBe(0);
	});

	it("two cuts of one layer in one place are found with their area", () => {
		expect(collisionsOf([part("a", square(20), 0), part("b", square(20), 0, 15)])[0]?.areaMm2).toBeCloseTo(100);
		expect(collisionsOf([part("a", square(20), 0), part("b", square(20), 1, 15)])).toEqual([]);
	});

	it("columns split the plan without losing or doubling an area", () => {
		const columns = columnsOf([
			part("a", square(100), 0),
			part("b", square(50), 1, 40, 40),
			part("c", { kind: "circle", diameterMm: 60 }, 2, 20, 0),
		]);
		const area = (id: string) =>
			columns.filter(({ parts }) => parts.some((one) => one.id === id)).reduce((sum, { areaMm2 }) => sum + areaMm2, 0);
		expect(area("a")).toBeCloseTo(10_000, 0);
		expect(area("b")).toBeCloseTo(2500, 0);
		expect(Math.abs(area("c") / (Math.PI * 900) - 1)).toBeLessThan(0.002);
	});
});
