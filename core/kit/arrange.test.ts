import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { bar, book, box, cut, kit, square } from "../../tests/support/kit";
import { firstSaid } from "../../tests/support/said";
import { boundsOf } from "../geometry/bounds";
import { nearestOf } from "../geometry/nearest";
import { areaMm2, intersect, unite } from "../geometry/region";
import { contactsOf, groupsOf } from "../stack/contacts";
import { layUp } from "../stack/lay";
import { arranged, ringRadiusMm } from "./arrange";
import { cutAndSpread } from "./cut-and-spread";
import type { KitPart, PartOf } from "./kit";
import { placedRegion } from "./plan";
import { snapTo } from "./snap";

let made = 0;
const newId = () => `new-${++made}`;
const at = (parts: readonly KitPart[]) => parts.map(({ xMm, yMm }) => [xMm, yMm]);
const regionOf = (part: KitPart) => placedRegion(part, { components: [] });

describe("arrays", () => {
	const tile = cut(square(10), 0, 5, 5);
	it("a row keeps the first and steps on", () => {
		const row = arranged([tile], { kind: "row", count: 4, stepMm: { x: 12, y: 0 } }, newId);
		expect(at(row)).toEqual([
			[5, 5],
			[17, 5],
			[29, 5],
			[41, 5],
		]);
		expect(row[0]?.id).toBe(tile.id);
		expect(new Set(row.map(({ id }) => id)).size).toBe(4);
	});
	it("a grid of 3 × 2 of two parts makes twelve", () => {
		const grid = arranged(
			[tile, cut(square(4), 1)],
			{ kind: "grid", columns: 3, rows: 2, stepMm: { x: 20, y: -15 } },
			newId,
		);
		expect(grid).toHaveLength(12);
		expect(boundsOf(grid.flatMap((part) => regionOf(part)))).toMatchObject({ minX: -2, maxX: 50, minY: -17, maxY: 10 });
	});
	it("a ring of shingles touching: every one keeps its distance, neighbours overlap by what was asked", () => {
		const ring = { kind: "ring" as const, count: 12, middle: { x: 3, y: -4 }, layersUp: 1 };
		const radiusMm = ringRadiusMm(12, 20, 3) + 15;
		const parts = arranged([cut(box(20, 30))], { ...ring, radiusMm, fromDeg: 90 }, newId);
		for (const part of parts) expect(Math.hypot(part.xMm - 3, part.yMm + 4)).toBeCloseTo(radiusMm, 2);
		expect(parts.map(({ layer }) => layer)).toEqual([0, 1, 0, 1, 0, 1, 0, 1, 0, 1, 0, 1]);
		const lain = layUp(kit(parts), book(), 0);
		expect(groupsOf(lain, contactsOf(lain))).toHaveLength(1);
	});
	it("a second ring half a step on bridges a first that only touches", () => {
		const ring = {
			kind: "ring" as const,
			count: 12,
			middle: { x: 0, y: 0 },
			layersUp: 0,
			radiusMm: ringRadiusMm(12, 22, 0) + 17,
		};
		const lower = arranged([cut(box(22, 34))], { ...ring, fromDeg: 90 }, newId);
		const upper = arranged([cut(box(22, 34), 1)], { ...ring, fromDeg: 105 }, newId);
		const bodies = (parts: KitPart[]) => {
			const lain = layUp(kit(parts), book(), 0);
			return groupsOf(lain, contactsOf(lain)).length;
		};
		expect(bodies(lower)).toBe(12);
		expect(bodies([...lower, ...upper])).toBe(1);
	});
	it("a mirror image of any turned cut is its reflection, point for point", () => {
		const shape = fc.constantFrom(box(30, 12), { kind: "triangle" as const, widthMm: 30, heightMm: 18 }, bar(40, 6), {
			kind: "outline" as const,
			points: [
				{ x: 0, y: 0 },
				{ x: 20, y: 0 },
				{ x: 4, y: 9 },
			],
		});
		const place = fc.double({ min: -50, max: 50, noNaN: true });
		fc.assert(
			fc.property(
				shape,
				place,
				place,
				fc.integer({ min: 0, max: 359 }),
				fc.constantFrom("upright" as const, "level" as const),
				(one, x, y, turnDeg, axis) => {
					const part = cut(one, 0, x, y, "clear", { turnDeg });
					const [, image] = arranged([part], { kind: "mirror", axis, atMm: 7 }, newId);
					const reflected = regionOf(part).map((ring) =>
						ring.map((p) => (axis === "upright" ? { x: 14 - p.x, y: p.y } : { x: p.x, y: 14 - p.y })).reverse(),
					);
					const mirrored = regionOf(image as KitPart);
					expect(areaMm2(intersect(reflected, mirrored)) / areaMm2(mirrored)).toBeGreaterThan(0.995);
				},
			),
		);
	});
});

describe("one sheet cut and spread", () => {
	const sheet = cut(box(90, 60), 1, 10, 0, "clear", { name: "Field" }) as PartOf<"sheet">;
	const upright = (x: number) => ({ from: { x, y: -40 }, to: { x, y: 40 } });
	const level = (y: number) => ({ from: { x: -60, y }, to: { x: 80, y } });
	const spread = (scores: Parameters<typeof cutAndSpread>[1], gap = 3) => {
		const result = cutAndSpread(sheet, scores, gap, newId);
		if (!result.ok) throw new Error(firstSaid(result.problems));
		return result.value;
	};

	it("two scores across make four pieces in reading order, a base 3 mm larger, and no glass is lost", () => {
		const { pieces, baseMm } = spread([upright(0), level(10)]);
		expect(pieces.map(({ name }) => name)).toEqual(["Field 1", "Field 2", "Field 3", "Field 4"]);
		expect(baseMm).toEqual({ width: 93, height: 63 });
		expect(pieces.reduce((sum, part) => sum + areaMm2(regionOf(part)), 0)).toBeCloseTo(5400, 0);
		const [first, second, third] = pieces.map(({ xMm, yMm }) => [xMm, yMm]);
		expect(first?.[1]).toBeGreaterThan(third?.[1] ?? 0);
		expect(first?.[0]).toBeLessThan(second?.[0] ?? 0);
	});
	// Scores that cross at a narrow angle leave tips that meet at the crossing: here they are parallel, and square to each other.
	it("random scores: pieces never overlap, lie at least the gap apart, and keep the area", () => {
		const offset = fc.double({ min: -22, max: 22, noNaN: true });
		const tilt = fc.double({ min: -0.3, max: 0.3, noNaN: true });
		const some = fc.array(offset, { minLength: 1, maxLength: 3 });
		fc.assert(
			fc.property(some, some, tilt, (across, along, lean) => {
				const { pieces } = spread(
					[
						...across.map((at) => ({ from: { x: 10 + at, y: 0 }, to: { x: 10 + at + lean, y: 1 } })),
						...along.map((at) => ({ from: { x: 10, y: at }, to: { x: 11, y: at - lean } })),
					],
					2,
				);
				const regions = pieces.map(regionOf);
				const sum = regions.reduce((all, region) => all + areaMm2(region), 0);
				expect(sum).toBeGreaterThan(5400 - 4 * 16);
				expect(areaMm2(unite(regions))).toBeCloseTo(sum, 0);
				for (const [i, one] of regions.entries())
					for (const other of regions.slice(i + 1)) expect(nearestOf(one, other).mm).toBeGreaterThan(1.99);
			}),
			{ numRuns: 60 },
		);
	});
	it("three uprights at 3 mm make it 9 mm wider, the middle stays where it was", () => {
		const { pieces, baseMm } = spread([upright(-10), upright(10), upright(30)]);
		expect(baseMm).toEqual({ width: 99, height: 60 });
		const box = boundsOf(pieces.flatMap(regionOf));
		expect((box.minX + box.maxX) / 2).toBeCloseTo(10, 2);
	});
	it("a score beside the sheet is refused with a sentence", () => {
		expect(cutAndSpread(sheet, [upright(200)], 3, newId)).toMatchObject({
			ok: false,
			problems: [{ sentence: [expect.stringMatching(/edge to edge/)] }],
		});
		expect(cutAndSpread(sheet, [], 3, newId).ok).toBe(false);
	});
});

describe("snapping", () => {
	const other = boundsOf(regionOf(cut(square(40))));
	it("pulls edges and middles within reach, the nearest in each direction", () => {
		expect(snapTo(boundsOf(regionOf(cut(square(10), 0, 24, 0.4))), [other], 2)).toEqual({
			dx: 1,
			dy: expect.closeTo(-0.4),
			x: 20,
			y: 0,
		});
		expect(snapTo(boundsOf(regionOf(cut(square(10), 0, 60, 60))), [other], 2)).toEqual({ dx: 0, dy: 0 });
	});
});
