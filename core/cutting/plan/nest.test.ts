import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { layNest, wrongWithNest } from "../../../tests/support/nest-checker";
import { areaMm2 } from "../../geometry/region";
import { type CutShape, regionOfShape } from "../../geometry/shape";
import { blanksOf, GRIND_MM } from "./blanks";
import { type Nest, nestOf } from "./nest";
import { nestProblem } from "./nest-problem";
import { sawnOutlinesOf } from "./sawn-outlines";
import { searchPlans } from "./search";
import { type Blank, USUAL_CUT_RULES } from "./types";

const SHEET = { widthMm: 500, heightMm: 430 };
const SAW = { ...USUAL_CUT_RULES, kerfMm: 1.5 };
const points = (...xy: [number, number][]): CutShape => ({
	kind: "outline",
	points: xy.map(([x, y]) => ({ x, y })),
});
const ELL = points([0, 0], [60, 0], [60, 15], [15, 15], [15, 60], [0, 60]);
const KITE = points([0, 0], [30, 50], [0, 80], [-30, 50]);
const TRIANGLE: CutShape = { kind: "triangle", widthMm: 60, heightMm: 40 };

const nest = (shape: CutShape, most = 14, mayTurn = true, kerfMm = SAW.kerfMm) => {
	const found = nestOf(regionOfShape(shape)[0] ?? [], { kerfMm, grindMm: GRIND_MM, mayTurn }, most, SHEET);
	if (!found) throw new Error("nothing fits");
	return found;
};
const glassOf = ({ widthMm, heightMm, nest: { places } }: ReturnType<typeof nest>) =>
	(widthMm * heightMm) / places.length;
const line = (shape: CutShape, needed: number) => ({
	...{ key: "part", kind: "sheet" as const, glassId: "dusk", shape, perKit: 1, needed, spares: 0 },
	...{ amount: null, stuff: "", stripMm: 20 },
});

describe("outlines laid into each other", () => {
	it.each([
		["an L", ELL, 0.7],
		["a kite", KITE, 0.65],
		["a right triangle", TRIANGLE, 0.62],
	])("%s takes far less glass than its box", (_, shape, share) => {
		expect(glassOf(nest(shape))).toBeLessThan(share * glassOf(nest(shape, 1, false)));
	});
	it("two right triangles come from hardly more than the rectangle they halve: what is ground off, and the blade", () => {
		const { nest: its, widthMm, heightMm } = nest(TRIANGLE, 2, false);
		expect(its.places).toHaveLength(2);
		expect(widthMm * heightMm).toBeGreaterThan(60 * 40);
		expect(widthMm * heightMm).toBeLessThan(60 * 40 * 1.25);
	});
	it("streaks: nothing is turned but by half", () => {
		const { nest: its } = nest(KITE, 6, false);
		expect(its.turnDeg).toBe(0);
	});
	it("no more are laid than are wanted, and none larger than the sheet", () => {
		expect(nest(ELL, 1).nest.places).toHaveLength(1);
		const large = points([0, 0], [700, 0], [700, 20], [0, 20]);
		expect(nestOf(regionOfShape(large)[0] ?? [], { kerfMm: 1, grindMm: 1, mayTurn: true }, 4, SHEET)).toBeUndefined();
	});

	const star = fc.array(fc.double({ min: 0.35, max: 1, noNaN: true }), { minLength: 5, maxLength: 14 }).map((radii) =>
		points(
			...radii.map((r, i): [number, number] => {
				const a = (2 * Math.PI * i) / radii.length;
				return [40 * r * Math.cos(a), 40 * r * Math.sin(a)];
			}),
		),
	);
	it("whatever the outline, a blade passes between all of them and each can be ground (independent checker)", () => {
		fc.assert(
			fc.property(star, fc.boolean(), fc.constantFrom(0.8, 1.5, 3), (shape, mayTurn, kerfMm) => {
				const found = nest(shape, 6, mayTurn, kerfMm);
				expect(wrongWithNest(found, kerfMm + 2 * GRIND_MM, GRIND_MM)).toEqual([]);
				const blank: Blank = {
					...{ key: "part", count: 1, mayTurn, finish: "nest", yields: found.nest.places.length },
					...found,
				};
				expect(nestProblem(blank, shape, kerfMm)).toBeUndefined();
				const box = nest(shape, 1, false, kerfMm);
				expect(glassOf(found)).toBeLessThanOrEqual(glassOf(box) + 1e-6);
			}),
			{ numRuns: 40 },
		);
	});
});

describe("a nest that somebody sends", () => {
	const found = nest(ELL);
	const blank: Blank = { key: "part", count: 2, yields: 2, mayTurn: true, finish: "nest", ...found };
	const changed = (change: Partial<Nest>): Blank => ({ ...blank, nest: { ...found.nest, ...change } });
	it.each<[string, Blank, RegExp]>([
		["another outline", changed({ outline: found.nest.outline.slice(1) }), /not that of its part/],
		["one too few", changed({ places: found.nest.places.slice(1) }), /as many outlines/],
		[
			"two in one place",
			changed({ places: found.nest.places.map(() => found.nest.places[0] as Nest["places"][number]) }),
			/blade/,
		],
		["a smaller blank", { ...blank, widthMm: blank.widthMm - 5 }, /over the edge/],
	])("%s is refused", (_, its, words) => expect(nestProblem(its, ELL, SAW.kerfMm)).toMatch(words));
});

describe("a list for a saw", () => {
	const sawn = (needed: number, known?: readonly Blank[]) =>
		blanksOf([line(ELL, needed)], false, ({ key }) => key, { rules: SAW, sheet: SHEET, known })[0] as Blank;
	it("is scored by its boxes by hand, nested where it is sawn", () => {
		const [hand] = blanksOf([line(ELL, 28)], false, ({ key }) => key, { rules: USUAL_CUT_RULES, sheet: SHEET });
		expect(hand).toMatchObject({ finish: "outline", yields: 1, count: 28, widthMm: 62 });
		expect(sawn(28)).toMatchObject({ finish: "nest", yields: 2, count: 14 });
	});
	it("keeps its nests once it is cut by them, however long the list has become", () => {
		const first = sawn(1);
		expect(first.yields).toBe(1);
		expect(sawn(28, [first])).toEqual({ ...first, count: 28 });
		const [box] = blanksOf([line(ELL, 2)], false, ({ key }) => key);
		expect(sawn(28, box && [box])).toEqual({ ...box, count: 28 });
	});
	it("takes fewer sheets than boxes do", () => {
		const sheets = (by?: typeof SAW) => {
			const blanks = blanksOf([line(ELL, 200)], false, ({ key }) => key, by && { rules: by, sheet: SHEET });
			return [...searchPlans({ blanks, offcuts: [], sheet: SHEET, rules: SAW }, 30)].at(-1)?.best.fewestSheets.figures
				.sheets;
		};
		expect([sheets(SAW), sheets()]).toEqual([3, 5]);
	});
	it.each([0, 1])(
		"on a sheet, turned or not (pass %i), every outline lies in its cell and is never mirrored",
		(pass) => {
			const blanks = [sawn(60)];
			const plan = [...searchPlans({ blanks, offcuts: [], sheet: SHEET, rules: SAW }, pass + 1)].at(-1)?.best
				.fewestSheets.plan;
			let seen = 0;
			for (const sheet of plan?.sheets ?? [])
				for (const as of ["bought", "laid"] as const) {
					const across = as === "laid" && sheet.turned;
					const [w, h] = across
						? [sheet.sheet.heightMm, sheet.sheet.widthMm]
						: [sheet.sheet.widthMm, sheet.sheet.heightMm];
					for (const { outlines } of sawnOutlinesOf(sheet, blanks, SAW.kerfMm, as))
						for (const outline of outlines) {
							seen++;
							expect(outline.every(({ x, y }) => x > 0 && y > 0 && x < w && y < h)).toBe(true);
							// Measured from above, a ring that runs one way on the plan runs the other way round on the sheet.
							expect(areaMm2([outline])).toBeCloseTo(-areaMm2([layNest(blanks[0]?.nest as Nest)[0] ?? []]), 3);
						}
				}
			expect(seen).toBe(120);
		},
	);
});
