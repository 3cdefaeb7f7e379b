import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { bar, book, cut, disc, kit, square } from "../../tests/support/kit";
import { LEVEL_AIM } from "../firing/level";
import { boundsOf } from "../geometry/bounds";
import { areaMm2 } from "../geometry/region";
import type { KitPart } from "../kit/kit";
import { afterOf } from "./after";
import { layUp } from "./lay";
import { PUDDLE_MM } from "./outline";

const melted = (parts: KitPart[], flow = 5) => afterOf(layUp(kit(parts), book(), 0), flow);
const width = (parts: KitPart[], flow = 5) => boundsOf(melted(parts, flow).region).widthMm;
const stacked = (side: number, layers: number) => Array.from({ length: layers }, (_, i) => cut(square(side), i));

// Common practice, no source: what a full fuse (Φ about 5) does to well-known stacks.
describe("the outline after a full fuse", () => {
	it("two singles keep their outline within 0.5 mm a side", () => {
		expect(Math.abs(width(stacked(100, 2)) - 100)).toBeLessThan(1);
	});
	it("a 10 mm square of single becomes a dot 8 to 9.5 mm wide, nearly round", () => {
		const dot = melted(stacked(10, 1));
		const { widthMm } = boundsOf(dot.region);
		expect(widthMm).toBeGreaterThan(8);
		expect(widthMm).toBeLessThan(9.5);
		expect(dot.areaMm2 / (Math.PI * (widthMm / 2) ** 2)).toBeLessThan(1.1);
	});
	it("three singles of 100 mm grow 10 to 16 mm in width", () => {
		expect(width(stacked(100, 3))).toBeGreaterThan(110);
		expect(width(stacked(100, 3))).toBeLessThan(116);
	});
	it("a single of 100 mm shrinks 2 to 6 mm", () => {
		expect(width(stacked(100, 1))).toBeGreaterThan(94);
		expect(width(stacked(100, 1))).toBeLessThan(98);
	});
	it("a 30 mm square with a 7 mm bar keeps its bar", () => {
		const lollipop = [cut(square(30)), cut(bar(40, 7), 1, 30)];
		const { region } = melted(lollipop);
		expect(boundsOf(region).maxX).toBeGreaterThan(44);
		expect(region.filter((ring) => areaMm2([ring]) > 1)).toHaveLength(1);
	});
});

describe("one body, many thicknesses", () => {
	it("spreads where it is thick and draws in where it is thin", () => {
		const wedge = [cut(bar(120, 60)), ...[1, 2, 3].map((layer) => cut(square(60), layer, 30))];
		const { region, leastMm, mostMm } = melted(wedge);
		const box = boundsOf(region);
		expect(leastMm).toBeLessThan(-0.5);
		expect(mostMm).toBeGreaterThan(2);
		expect(box.minX).toBeGreaterThan(-60);
		expect(box.maxX).toBeGreaterThan(61);
	});
	it("a wall holds it in", () => {
		const lain = layUp(kit(stacked(50, 4)), book(), 0);
		const wall = [disc(56)].flatMap((shape) => layUp(kit([cut(shape)]), book(), 0)[0]?.region ?? []);
		expect(afterOf(lain, 10, { within: [wall], beside: [] }).areaMm2).toBeLessThanOrEqual(areaMm2(wall) + 0.01);
		expect(afterOf(lain, 10).areaMm2).toBeGreaterThan(areaMm2(wall));
	});
});

describe("properties", () => {
	const stack = fc.record({
		side: fc.double({ min: 15, max: 200, noNaN: true }),
		layers: fc.integer({ min: 1, max: 4 }),
		flow: fc.double({ min: 0.02, max: 15, noNaN: true }),
	});
	it("glass is conserved: mean thickness × area is what was laid", () => {
		fc.assert(
			fc.property(stack, ({ side, layers, flow }) => {
				const body = melted(stacked(side, layers), flow);
				expect((body.meanMm * body.areaMm2) / (side * side * 3 * layers)).toBeCloseTo(1, 6);
			}),
			{ numRuns: 60 },
		);
	});
	it("a longer or hotter firing never ends nearer to the start, and a thin piece never ends thicker than a puddle wants", () => {
		fc.assert(
			fc.property(stack, ({ side, layers, flow }) => {
				const [less, more] = [melted(stacked(side, layers), flow), melted(stacked(side, layers), flow * 1.6)];
				expect(Math.abs(more.mostMm) + 1e-6).toBeGreaterThanOrEqual(Math.abs(less.mostMm) - 0.05);
				if (layers === 1) expect(more.meanMm).toBeLessThan(PUDDLE_MM * 1.25);
			}),
			{ numRuns: 40 },
		);
	});
	it("nothing happens to nothing, and slumping moves no edge worth a name", () => {
		expect(melted([])).toEqual({ region: [], areaMm2: 0, meanMm: 0, leastMm: 0, mostMm: 0, edge: [] });
		expect(Math.abs(width(stacked(80, 1), LEVEL_AIM.slump) - 80)).toBeLessThan(0.2);
	});
});
