import { describe, expect, it } from "vitest";
import { book, box, cut, disc, fire, kit, lay, mould, square } from "../../tests/support/kit";
import { boundsOf } from "../geometry/bounds";
import { areaMm2, type Point } from "../geometry/region";
import type { CutShape } from "../geometry/shape";
import { applyChanges } from "../kit/change";
import { depthForGrams, gramsForDepth, gramsForWater } from "../kit/fill";
import type { KitDesign, KitPart, PartOf } from "../kit/kit";
import { footprintOf, heightOf } from "../loading/footprint";
import { edgeOf } from "../piece/edge-of";
import { kitBody } from "../piece/kit-body";
import { bodyOfJourney } from "../piece/of-journey";
import { METRIC, phraseText } from "../units/phrase";
import { routeStacks } from "./firing-stacks";
import { readKit } from "./read-kit";
import { sectionAlong } from "./section";
import { stackOf } from "./stack";

const casting = mould("press-form", { kind: "ring", widthMm: 80, heightMm: 50, depthMm: 18, release: "papered" });
const studio = book([casting, mould("dish", { widthMm: 150, heightMm: 150 })]);

/** A wall of steel, lined, with loose frit in it that melts to a depth. */
const wall = (shape: CutShape, more: Partial<PartOf<"dam">> = {}) =>
	lay({ kind: "dam", shape, heightMm: 30, of: "steel", liningMm: 3, ...more } as PartOf<"dam">);
const frit = (shape: CutShape, depthMm: number): KitPart =>
	lay({ kind: "grains", shape, glassId: "coarse", gPerCm2: depthMm * 0.25 });
const of = (parts: KitPart[], route = fire("deep"), more: Partial<KitDesign> = {}) => kit(parts, route, more);
const findings = (design: KitDesign) => readKit(design, studio).findings;

/** Three lobes of 20 mm round a middle, as a cutter has them. */
const lobes: CutShape = {
	kind: "outline",
	points: Array.from({ length: 72 }, (_, i): Point => {
		const [angle, r] = [(i * Math.PI) / 36, 32 + 8 * Math.cos((i * Math.PI) / 12)];
		return { x: r * Math.cos(angle), y: r * Math.sin(angle) };
	}),
};
const shrunk = (shape: CutShape & { kind: "outline" }, share: number): CutShape => ({
	kind: "outline",
	points: shape.points.map(({ x, y }) => ({ x: x * share, y: y * share })),
});

const WALLS: [string, KitPart, CutShape, openingMm: number][] = [
	["a ring", wall({ kind: "ring", diameterMm: 56, holeMm: 51 }, { liningMm: 4 }), disc(42.8), 43],
	["a ring of another size", wall({ kind: "ring", diameterMm: 110, holeMm: 104 }), disc(97), 98],
	["a square cutter", wall(square(70), { wallMm: 1 }), square(63), 64],
	["a free outline", wall(lobes, { wallMm: 2, liningMm: 1 }), shrunk(lobes as never, 0.93), 66],
];

describe.each(WALLS)("glass cast in %s", (_, dam, fill, openingMm) => {
	const design = of([dam, frit(fill, 10)]);
	const stack = stackOf(design, studio);
	const body = kitBody(stack);

	it("is held at its edge: its opening is what the lining leaves, and nothing goes beyond it", () => {
		const [opening] = stack.walls.map((one) => one.opening);
		expect(boundsOf(opening ?? []).widthMm).toBeCloseTo(openingMm, -0.5);
		expect(body.held).toBe(true);
		const after = stack.bodies.map((one) => one.after);
		for (const { region, mostMm } of after) {
			expect(areaMm2(region)).toBeLessThanOrEqual(areaMm2(opening ?? []) + 0.5);
			expect(mostMm).toBeLessThan(2.5);
		}
		expect(findings(design).map(({ code }) => code)).not.toContain("spreads");
	});

	it("takes the room of its wall, and its height", () => {
		const its = boundsOf([footprintOf({ body: { ...body, effectiveMm: 10, from: "kit" } })]);
		const walls = boundsOf(stack.walls.flatMap((one) => one.dam?.region ?? []));
		expect(its.widthMm).toBeGreaterThanOrEqual(walls.widthMm - 0.1);
		expect(its.widthMm).toBeLessThan(walls.widthMm + 1);
		expect(heightOf({ body: { ...body, effectiveMm: 10, from: "kit" } })).toBe(30);
	});

	it("measured loose it is reckoned molten", () => {
		const reading = readKit(design, studio);
		const shape = { bodies: reading.bodies ?? [], outlines: reading.outlines ?? [] };
		const journey = { step: 0, again: false, level: "deep" as const, hadLevel: undefined, route: design.route };
		const asMade = { widthMm: body.widthMm, heightMm: body.heightMm, thickestMm: 18.5, thinnestMm: 18.5, massG: null };
		const known = (change: object) =>
			bodyOfJourney(shape, { ...journey, asMade: { ...asMade, changed: "", ...change } } as never);
		const planned = bodyOfJourney(shape, { ...journey, asMade: undefined } as never);
		expect(planned?.effectiveMm).toBeLessThanOrEqual(10.01);
		const loose = known({});
		expect(loose?.effectiveMm).toBeCloseTo(planned?.effectiveMm ?? 0, 1);
		expect(edgeOf(loose as never)).toBe(0);
		// Pressed down by the caliper, or typed as it will be: it anneals for no less.
		for (const mm of [10, 14])
			expect(known({ thickestMm: mm, thinnestMm: mm })?.thickestMm).toBeCloseTo(planned?.thickestMm ?? 0, 1);
		// A fifth more of frit, seen by the caliper or by the scales.
		expect(known({ thickestMm: 22.2, thinnestMm: 22.2 })?.thickestMm).toBeCloseTo(12, 1);
		expect(known({ massG: body.massG * 1.2 })?.thickestMm).toBeCloseTo(12, 1);
	});
});

describe("sheet and frit in a wall", () => {
	it("what stands higher may be another sheet: it counts whole", () => {
		const sheets = [0, 1].map((layer) => cut(disc(53), layer));
		const over = lay({ kind: "grains", shape: disc(53), glassId: "coarse", gPerCm2: 0.75 }, 2);
		const design = of([wall({ kind: "ring", diameterMm: 66, holeMm: 60 }), ...sheets, over]);
		const reading = readKit(design, studio);
		const [body] = reading.bodies ?? [];
		const highMm = (body?.laidThickestMm ?? 0) + 3;
		const asMade = { widthMm: 53, heightMm: 53, thickestMm: highMm, thinnestMm: highMm, massG: null, changed: "" };
		const journey = { step: 0, again: false, level: "deep", hadLevel: undefined, route: design.route, asMade };
		const shape = { bodies: reading.bodies ?? [], outlines: reading.outlines ?? [] };
		expect(bodyOfJourney(shape, journey as never)?.thickestMm).toBeCloseTo((body?.thickestMm ?? 0) + 3, 5);
	});
});

describe("a shelf of castings", () => {
	it("four walls of 110 mm lie at least their width apart", () => {
		const design = of([wall({ kind: "ring", diameterMm: 110, holeMm: 66 }), frit(disc(59.5), 10)]);
		const body = { ...kitBody(stackOf(design, studio)), effectiveMm: 10, from: "kit" as const };
		const { widthMm, heightMm } = boundsOf([footprintOf({ body })]);
		for (const mm of [widthMm, heightMm]) expect(mm).toBeCloseTo(110.5, 0);
	});
});

describe("walls that do not hold", () => {
	it("a row of brick beside a slab stops it there and nowhere else", () => {
		const slab = [0, 1, 2, 3].map((layer) => cut(square(80), layer));
		const free = stackOf(of(slab), studio).bodies[0]?.after;
		const brick = lay({ kind: "dam", shape: box(20, 140), heightMm: 30, of: "brick" }, 0, 50.5);
		const beside = stackOf(of([...slab, brick]), studio).bodies[0]?.after;
		expect(boundsOf(beside?.region ?? []).maxX).toBeLessThanOrEqual(40.55);
		expect(boundsOf(free?.region ?? []).maxX).toBeGreaterThan(44);
		expect(boundsOf(beside?.region ?? []).minX).toBeCloseTo(boundsOf(free?.region ?? []).minX, 1);
		expect(kitBody(stackOf(of([...slab, brick]), studio)).held).toBeUndefined();
	});
});

describe("steel", () => {
	const bare = of([wall({ kind: "ring", diameterMm: 66, holeMm: 60 }, { liningMm: 0 }), frit(disc(59.5), 8)]);
	it("without a lining is cautioned; the press lines it and keeps the grams", () => {
		const told = findings(bare).find(({ code }) => code === "wall-bare");
		const lined = applyChanges(bare, told?.fix?.changes ?? []);
		expect(findings(lined).filter(({ severity }) => severity !== "know")).toEqual([]);
		expect(readKit(lined, studio).massG).toBeCloseTo(readKit(bare, studio).massG, 0);
		expect(boundsOf(stackOf(lined, studio).glass[0]?.region ?? []).widthMm).toBeCloseTo(53.6, 0);
	});
	it.each(["brick", "board"] as const)("%s asks for none", (stuff) => {
		const [dam, fill] = bare.parts as [PartOf<"dam"> & KitPart, KitPart];
		expect(findings(of([{ ...dam, of: stuff }, fill])).map(({ code }) => code)).not.toContain("wall-bare");
	});
});

describe("a mould to cast in", () => {
	const route = [{ level: "deep" as const, handWork: "", mouldId: "press-form" }];
	// 80 × 50 × 12 mm hold 48 cm³: 120 g.
	const design = of([frit(box(78, 48), (12 * 80 * 50) / (78 * 48))], route);
	it("is filled, not cut for", () => {
		const codes = findings(design).map(({ code }) => code);
		expect(codes).toContain("casting");
		expect(codes).not.toContain("short-of-rim");
		const told = findings(design).find(({ code }) => code === "casting");
		expect(phraseText(told?.sentence ?? [], METRIC)).toMatch(
			/^120 g of glass fills the 80 mm of press-form 12 mm deep/,
		);
		expect(kitBody(stackOf(design, studio)).held).toBe(true);
	});
	it("heaped over its depth is told, and run over as well", () => {
		const deep = (mm: number) =>
			findings(of([frit(box(78, 48), mm)], route)).find(({ code }) => code === "dam-low")?.sentence ?? [];
		expect(phraseText(deep(9), METRIC)).toBe("");
		expect(phraseText(deep(14), METRIC)).toContain("Loose frit stands");
		expect(phraseText(deep(24), METRIC)).toContain("runs over");
	});
	it("does not take what is laid larger than it", () => {
		const wide = of([cut(box(90, 60)), frit(box(70, 40), 4)], route);
		expect(findings(wide).find(({ code }) => code === "over-rim")?.sentence).toBeDefined();
	});
});

describe("cast, then slumped", () => {
	const design = of(
		[wall({ kind: "ring", diameterMm: 116, holeMm: 110 }), frit(disc(103.5), 8)],
		[...fire("deep"), { level: "slump", handWork: "", mouldId: "dish" }],
	);
	it("the wall is taken off: it takes no room beside the mould, and the piece is as wide as it was cast", () => {
		const [cast, slump] = routeStacks(stackOf(design, studio)).map(kitBody);
		expect(cast?.wall?.highMm).toBe(30);
		expect(slump?.wall).toBeUndefined();
		expect(slump?.thickestMm).toBeLessThanOrEqual(cast?.laidThickestMm ?? 0);
		expect(findings(design).map(({ code }) => code)).toContain("short-of-rim");
	});
});

describe("grams", () => {
	// A cubic centimetre of water weighs a gram; of soda-lime glass 2.5 g (textbook).
	it("follow from size and depth, and from water", () => {
		expect(gramsForDepth(10_000, 6)).toBeCloseTo(150, 6);
		expect(depthForGrams(10_000, 150)).toBeCloseTo(6, 6);
		expect(gramsForWater(48)).toBeCloseTo(120, 6);
		expect(depthForGrams(0, 10)).toBe(0);
	});
});

describe("its section", () => {
	it("fills the opening level from wall to wall, and its walls stand; free it becomes a lens", () => {
		const design = of([wall({ kind: "ring", diameterMm: 66, holeMm: 60 }), frit(disc(53.5), 10)]);
		const { lain, bodies } = stackOf(design, studio);
		const regions = bodies.map(({ after }) => after.region);
		const cut = { from: { x: -33, y: 0 }, to: { x: 33, y: 0 } };
		const glassOf = (after: readonly number[]) => after.filter((mm) => mm > 0);
		const held = sectionAlong(lain, regions, cut, 25, 240, undefined, { held: regions, stand: true });
		const [least, most] = [Math.min(...glassOf(held.after)), Math.max(...glassOf(held.after))];
		expect(most - least).toBeLessThan(0.1);
		expect(most).toBeCloseTo(10, 0);
		expect(Math.max(...held.walls)).toBe(30);
		const free = sectionAlong(lain, regions, cut, 25);
		expect(Math.min(...glassOf(free.after))).toBeLessThan(5);
		expect(Math.max(...free.walls)).toBe(0);
	});
});
