import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { bar, cut, disc, glass, kit, square } from "../../tests/support/kit";
import { byId } from "../by-id";
import { perimeterMm } from "../geometry/region";
import type { CutShape } from "../geometry/shape";
import type { KitPart } from "../kit/kit";
import { columnsOf } from "./columns";
import { collisionsOf, contactsOf, groupsOf, touchesDarkAndWhite, trappedSpanMm } from "./contacts";
import { layUp } from "./lay";

const known = ["coal", "lime", "sky"].map((id) =>
	glass(id, { tone: id === "coal" ? "dark" : id === "lime" ? "white" : "other" }),
);
const part = (id: string, shape: CutShape, layer: number, xMm = 0, yMm = 0, turnDeg = 0): KitPart =>
	cut(shape, layer, xMm, yMm, known.some((one) => one.id === id) ? id : "sky", { id, name: id, turnDeg });
const laid = (parts: KitPart[]) => layUp(kit(parts), { glasses: byId(known), families: new Map() }, 0);
const contacts = (parts: KitPart[]) => contactsOf(laid(parts));
const bodies = (parts: KitPart[]) => groupsOf(laid(parts), contacts(parts)).map((group) => group.parts);

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
		expect(contacts([part("a", square(20), 0), b]).map(({ kind }) => kind)).toEqual(expected);
	});

	it("a turned bar lies across what its box only seems to cover", () => {
		const across = part("b", bar(80, 10), 1, 0, 0, 45);
		expect(contacts([part("a", square(20), 0, 25, -25), across]).map(({ kind }) => kind)).toEqual([]);
		expect(contacts([part("a", square(20), 0, 25, 25), across]).map(({ kind }) => kind)).toEqual(["joined"]);
	});

	it("a bridge makes one body of two", () => {
		const two = [part("a", square(20), 0, -10), part("b", square(20), 0, 10)];
		expect(bodies(two).map((body) => body.length)).toEqual([1, 1]);
		expect(bodies([...two, part("bridge", bar(12, 6), 1)]).map((body) => body.length)).toEqual([3]);
	});

	it("an openwork ladder of bars holds only through its rungs", () => {
		const rails = [part("l", bar(80, 8), 0, 0, -20), part("r", bar(80, 8), 0, 0, 20)];
		const rungs = [-30, 0, 30].map((x) => part(`rung${x}`, bar(48, 8), 1, x, 0, 90));
		expect(bodies([...rails, ...rungs])).toHaveLength(1);
		expect(bodies(rails)).toHaveLength(2);
	});
});

describe("what neighbours do to each other", () => {
	it("dark beside white counts when they touch, not when glass lies between", () => {
		const beside = (...parts: KitPart[]) => touchesDarkAndWhite(contacts(parts));
		expect(beside(part("coal", square(40), 0), part("lime", square(40), 0, 40))).toBe(true);
		// 20 mm of edge, 3 mm high: too little to matter (common practice, no source).
		expect(beside(part("coal", square(20), 0), part("lime", square(20), 0, 20))).toBe(false);
		expect(beside(part("coal", square(20), 0), part("lime", square(20), 1))).toBe(true);
		expect(beside(part("coal", square(20), 0), part("sky", square(20), 0, 20), part("lime", square(20), 0, 40))).toBe(
			false,
		);
	});

	it("air is trapped under sheets of 75 mm and more in both directions", () => {
		const span = (...parts: KitPart[]) => trappedSpanMm(laid(parts));
		expect(span(part("a", square(100), 0), part("b", square(100), 1))).toBeCloseTo(100);
		expect(span(part("a", square(100), 0), part("b", bar(100, 40), 1))).toBe(0);
		expect(span(part("a", square(74), 0), part("b", square(74), 1))).toBe(0);
		const rim = { ...part("f", square(90), 1), kind: "fibre", use: "insert", heightMm: 6 } as unknown as KitPart;
		expect(span(part("a", square(120), 0), rim, part("b", square(120), 2))).toBe(0);
	});

	it("two cuts of one layer in one place are found with their area", () => {
		const shared = (layer: number) =>
			collisionsOf(contacts([part("a", square(20), 0), part("b", square(20), layer, 15)])).map(({ areaMm2 }) =>
				Math.round(areaMm2),
			);
		expect(shared(0)).toEqual([100]);
		expect(shared(1)).toEqual([]);
	});

	it("a thread is carried by the sheet it lies on, though it is narrower than any overlap asks", () => {
		const thread: KitPart = {
			...part("t", square(1), 1),
			kind: "thread",
			glassId: "sky",
			points: [
				{ x: -20, y: 0 },
				{ x: 20, y: 0 },
			],
		} as KitPart;
		expect(bodies([part("a", square(60), 0), thread])).toHaveLength(1);
	});

	it("fibre between two sheets keeps them apart where it lies: a pocket holds by its rim", () => {
		const pocket = (insert: number) => [
			part("a", square(60), 0),
			{ ...part("f", square(insert), 1), kind: "fibre", use: "insert", heightMm: 6 } as unknown as KitPart,
			part("b", square(60), 2),
		];
		expect(bodies(pocket(50))).toHaveLength(1);
		expect(bodies(pocket(59))).toHaveLength(2);
	});
});

describe("columns", () => {
	it("split the plan without losing or doubling an area", () => {
		const columns = columnsOf(
			laid([part("a", square(100), 0), part("b", square(50), 1, 40, 40), part("c", disc(60), 2, 20, 0)]),
		);
		const area = (id: string) =>
			columns.filter(({ parts }) => parts.some((one) => one.id === id)).reduce((sum, { areaMm2 }) => sum + areaMm2, 0);
		expect(area("a")).toBeCloseTo(10_000, 0);
		expect(area("b")).toBeCloseTo(2500, 0);
		expect(Math.abs(area("c") / (Math.PI * 900) - 1)).toBeLessThan(0.002);
	});

	it("a base under a hundred tiles stays one patch between them", () => {
		const tiles = Array.from({ length: 100 }, (_, i) =>
			part(`t${i}`, square(8), 1, (i % 10) * 10 - 45, Math.floor(i / 10) * 10 - 45),
		);
		const columns = columnsOf(laid([part("base", square(100), 0), ...tiles]));
		expect(columns).toHaveLength(101);
		expect(columns.find(({ parts }) => parts.length === 1)?.areaMm2).toBeCloseTo(10_000 - 6400, 1);
	});

	// Inclusion and exclusion: every part's area is the sum of the columns that hold it, whatever lies where.
	// What laps over by less than 0.2 mm stays with one of the two.
	it.each([
		["to the millimetre, turned by quarters", fc.integer, 90, 0],
		["anywhere, at any angle", (range: { min: number; max: number }) => fc.double({ ...range, noNaN: true }), 1, 0.2],
	])("hold every part whole, on random kits laid %s", (_, number, stepDeg, lapMm) => {
		const place = number({ min: -40, max: 40 });
		const size = number({ min: 4, max: 60 });
		const one = fc.record({
			x: place,
			y: place,
			w: size,
			h: size,
			turn: fc.integer({ min: 0, max: 90 / stepDeg }).map((steps) => steps * stepDeg),
			layer: fc.integer({ min: 0, max: 5 }),
		});
		fc.assert(
			fc.property(fc.array(one, { minLength: 1, maxLength: 9 }), (rows) => {
				const parts = laid(
					rows.map(({ x, y, w, h, turn, layer }, i) =>
						part(`r${i}`, { kind: "rectangle", widthMm: w, heightMm: h }, layer, x, y, turn),
					),
				);
				const columns = columnsOf(parts);
				for (const { id, areaMm2, region } of parts) {
					const sum = columns
						.filter((column) => column.parts.some((lain) => lain.id === id))
						.reduce((all, column) => all + column.areaMm2, 0);
					expect(Math.abs(sum - areaMm2)).toBeLessThan(0.5 + lapMm * perimeterMm(region));
				}
			}),
			{ numRuns: 60 },
		);
	});
});
