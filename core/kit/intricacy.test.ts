import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { bar, cut, disc, kit, square } from "../../tests/support/kit";
import { type Point, segmentsCross, star } from "../../tests/support/star";
import { crossingsOf, MOST_CROSSINGS } from "./intricacy";

describe("the crossings a kit is estimated by", () => {
	it("are none where nothing lies on anything", () => {
		const tiles = Array.from({ length: 100 }, (_, i) => cut(square(20), 0, (i % 10) * 20, Math.floor(i / 10) * 20));
		expect(crossingsOf(kit(tiles))).toBe(0);
	});

	it("two bars laid across each other: four, and what one of them has in edges", () => {
		expect(crossingsOf(kit([cut(bar(100, 10), 0, 0, 0), cut(bar(10, 100), 1, 0, 0)]))).toBe(4 + 4);
	});

	it("are never fewer than the edges that truly cross", () => {
		const ring = fc.array(fc.record({ x: fc.integer({ min: -90, max: 90 }), y: fc.integer({ min: -90, max: 90 }) }), {
			minLength: 3,
			maxLength: 12,
		});
		fc.assert(
			fc.property(ring, ring, (a, b) => {
				const kitOfBoth = kit([cut({ kind: "outline", points: a }, 0), cut({ kind: "outline", points: b }, 1)]);
				const edges = (points: Point[]) => {
					const xs = points.map(({ x }) => x);
					const ys = points.map(({ y }) => y);
					const middle = (all: number[]) => (Math.min(...all) + Math.max(...all)) / 2;
					const centred = points.map(({ x, y }) => ({ x: x - middle(xs), y: y - middle(ys) }));
					return centred.map((p, i) => [p, centred[(i + 1) % centred.length] as Point] as const);
				};
				const crossed = edges(a).flatMap((one) => edges(b).filter((other) => segmentsCross(one, other))).length;
				expect(crossingsOf(kitOfBoth)).toBeGreaterThanOrEqual(crossed);
			}),
			{ seed: 7, numRuns: 200 },
		);
	});

	it("are counted before anything is traced: what is used 250 times is looked at once", () => {
		const circles = kit(
			Array.from({ length: 249 }, (_, i) => cut(disc(3 + i / 50), 0, (i % 16) * 9, Math.floor(i / 16) * 9)),
		);
		const components = [{ id: "c", name: "hail", firing: 0, parts: circles.parts }];
		const instance = (i: number) =>
			({
				...cut(square(1), 1, i, 0),
				kind: "component",
				componentId: "c",
			}) as unknown as (typeof circles.parts)[number];
		const design = { ...kit([]), parts: Array.from({ length: 250 }, (_, i) => instance(i)), components };
		let traced = 0;
		const counted = new Proxy(circles.parts, {
			get(parts, key, self) {
				if (key === Symbol.iterator || key === "map" || key === "flatMap" || key === "reduce") traced++;
				return Reflect.get(parts, key, self);
			},
		});
		components[0] = { id: "c", name: "hail", firing: 0, parts: counted };
		expect(crossingsOf(design)).toBe(MOST_CROSSINGS + 1);
		expect(traced).toBeLessThan(5);
	});

	it.each([
		[
			"60 overlapping stars of 100 points",
			kit(Array.from({ length: 60 }, (_, i) => cut(star(100, 100, i / 80), i % 40, 0, 0))),
		],
		["40 concentric circles", kit(Array.from({ length: 40 }, (_, i) => cut(disc(200 - 4 * i), i, 0, 0)))],
		[
			"30 stars in a component",
			{
				...kit([]),
				components: [
					{
						id: "c",
						name: "c",
						firing: 0,
						parts: kit(Array.from({ length: 30 }, (_, i) => cut(star(100, 100, i / 80), i, 0, 0))).parts,
					},
				],
			},
		],
	])("are over the limit for %s, and counted no further", (_, design) => {
		expect(crossingsOf(design)).toBe(MOST_CROSSINGS + 1);
	});

	it.each([
		[
			"400 dots on a base",
			kit([
				cut(square(300), 0, 0, 0),
				...Array.from({ length: 400 }, (_, i) => cut(disc(10), 1, (i % 20) * 14 - 133, Math.floor(i / 20) * 14 - 133)),
			]),
		],
		[
			"a lattice of 60 strips",
			kit(
				Array.from({ length: 60 }, (_, i) =>
					i < 30 ? cut(bar(300, 6), 0, 0, i * 10 - 145) : cut(bar(6, 300), 1, (i - 30) * 10 - 145, 0),
				),
			),
		],
		["12 discs on each other", kit(Array.from({ length: 12 }, (_, i) => cut(disc(200 - 10 * i), i, 0, 0)))],
	])("are well within it for %s", (_, design) => {
		expect(crossingsOf(design)).toBeLessThan(MOST_CROSSINGS / 2);
	});
});
