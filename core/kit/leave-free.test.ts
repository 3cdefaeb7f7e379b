import { kitDesign } from "@contract/documents/kit-design";
import { describe, expect, it } from "vitest";
import { bar, book, cut, disc, kit, lay, square } from "../../tests/support/kit";
import { areaMm2, intersect } from "../geometry/region";
import { type CutShape, regionOfShape, shapeAreaMm2 } from "../geometry/shape";
import { readKit } from "../stack/read-kit";
import { stackOf } from "../stack/stack";
import { arranged } from "./arrange";
import type { KitDesign, KitPart } from "./kit";
import { leaveFree } from "./leave-free";

const { glasses } = book();
let count = 0;
const newId = () => `new ${++count}`;
const strewn = (shape: CutShape): KitPart => lay({ kind: "grains", shape, glassId: "powder", gPerCm2: 0.1 }, 2);
const free = (parts: KitPart[], chosen = parts): KitDesign | undefined =>
	leaveFree(
		kit([cut(square(100)), cut(square(100), 1), ...parts]),
		chosen.map(({ id }) => id),
		glasses,
		newId,
	);
const powderOf = (design: KitDesign | undefined) => design?.parts.filter(({ kind }) => kind === "grains") ?? [];

describe("powder strewn round something", () => {
	it("has a hole where a disc lies, and weighs that much less", () => {
		const [powder, dot] = [strewn(square(90)), cut(disc(30), 2, 10, 5)];
		const design = free([powder, dot]) as KitDesign;
		const [left, ...others] = powderOf(design);
		expect(others).toEqual([]);
		expect(left && "shape" in left && left.shape.kind === "outline" && left.shape.holes).toHaveLength(1);
		// 90² − π·15² = 7393 mm²
		expect(left && "shape" in left ? shapeAreaMm2(left.shape) : 0).toBeCloseTo(7393, -1);
		const stack = stackOf(design, book());
		const regions = stack.glass.filter(({ layer }) => layer === 2).map(({ region }) => region);
		expect(areaMm2(intersect(regions[0] ?? [], regions[1] ?? []))).toBeLessThan(5);
		expect(readKit(design, book()).findings.map(({ code }) => code)).not.toContain("same-place");
	});

	it("falls into two where a bar lies across it, and has several holes where there are several", () => {
		expect(powderOf(free([strewn(square(60)), cut(bar(90, 10), 2)]))).toHaveLength(2);
		const holes = powderOf(free([strewn(square(90)), cut(disc(12), 2, -25), cut(disc(12), 2, 25), cut(disc(12), 2)]));
		expect(holes.map((part) => "shape" in part && part.shape.kind === "outline" && part.shape.holes?.length)).toEqual([
			3,
		]);
	});

	it("nothing is done where nothing strewn is chosen, alone, or where nothing would be left", () => {
		const powder = strewn(square(30));
		expect(free([powder], [powder])).toBeUndefined();
		expect(free([cut(square(30), 2), cut(square(10), 2)])).toBeUndefined();
		expect(free([powder, cut(square(60), 2)])).toBeUndefined();
	});

	it("is kept, mirrored with its holes, and refused where they leave nothing", () => {
		const design = free([strewn(square(90)), cut(disc(30), 2, 20)]) as KitDesign;
		expect(kitDesign.safeParse(design).success).toBe(true);
		const [powder] = powderOf(design) as [KitPart];
		const made = arranged([powder], { kind: "mirror", axis: "upright", atMm: 0 }, newId);
		const mirrored = made.find(({ id }) => id !== powder.id) ?? made[0];
		const middle = (part: KitPart | undefined) => {
			const hole = part && "shape" in part ? regionOfShape(part.shape)[1] : undefined;
			return (hole ?? []).reduce((sum, { x }) => sum + x, 0) / (hole?.length ?? 1);
		};
		expect(middle(mirrored)).toBeCloseTo(-middle(powder), 1);
		const hole = [-5, 5, 5, -5].map((x, i) => ({ x, y: i < 2 ? -5 : 5 }));
		const none = { kind: "outline" as const, points: hole, holes: [hole] };
		const bad = { ...design, parts: [{ ...powder, shape: none }] };
		expect(kitDesign.safeParse(bad).success).toBe(false);
	});
});
