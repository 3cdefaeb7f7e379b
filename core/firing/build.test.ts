import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { FAMILY_90, FAMILY_96 } from "../glass/family";
import { viscosityOf } from "../glass/viscosity";
import { DEFAULT_KILN } from "../kiln/kiln";
import { buildSchedule, LONGEST_HOLD_MIN, solveHoldMin } from "./build";
import { airHoldMin, demandOf, type PieceToFire } from "./demand";
import { flowIndex } from "./flow-index";
import { FUSE_LEVELS, LEVEL_AIM, LEVEL_BANDS } from "./level";
import { mergeDemands } from "./merge";
import { COOLING_LAG_K, rateForLag, slabLagK, stressShare } from "./rates";
import { curveOf, peakOf, type Schedule, scheduleHours } from "./schedule";
import { USUAL_PACE } from "./schools";

const tile: PieceToFire = {
	id: "tile",
	level: "full",
	thickestMm: 6,
	effectiveMm: 6,
	acrossMm: 100,
	fired: false,
	blackBesideWhite: false,
	multiLevel: false,
	trappedSpanMm: 100,
};
const thick: PieceToFire = { ...tile, id: "thick", thickestMm: 12, effectiveMm: 12 };

const pieces = fc.record({
	id: fc.uuid(),
	level: fc.constant("full" as const),
	thickestMm: fc.double({ min: 2, max: 25, noNaN: true }),
	effectiveMm: fc.double({ min: 2, max: 50, noNaN: true }),
	acrossMm: fc.double({ min: 5, max: 400, noNaN: true }),
	fired: fc.boolean(),
	blackBesideWhite: fc.boolean(),
	multiLevel: fc.boolean(),
	trappedSpanMm: fc.double({ min: 0, max: 400, noNaN: true }),
});

describe("cooling by thickness", () => {
	// Agrees with the annealing tables in common use for 6, 12, 19 and 25 mm (common practice, no source).
	it.each([
		[6, 60, 83],
		[12, 120, 56],
		[19, 190, 22],
		[25, 250, 13],
	])("%i mm: soak %i min, first stage %i °C/h", (d, soak, rate) => {
		const demand = demandOf({ ...tile, effectiveMm: d }, USUAL_PACE);
		expect(Math.abs(demand.soakMin - soak)).toBeLessThanOrEqual(2);
		expect(Math.round(demand.coolCPerH)).toBe(rate);
		expect(demandOf({ ...tile, effectiveMm: d }, { ...USUAL_PACE, cooling: "cautious" }).coolCPerH).toBeCloseTo(
			demand.coolCPerH / 2,
		);
	});

	// Carslaw & Jaeger, Conduction of Heat in Solids: steady lag of a slab heated from one face.
	it("a 12 mm slab at 55 °C/h lags 2.444 K", () => expect(slabLagK(55, 12)).toBeCloseTo(2.444, 3));

	it("uses most of the allowed tension at the last stage for 25 mm", () => {
		const stress = stressShare(slabLagK(6 * rateForLag(COOLING_LAG_K, 25), 25), 90) * 10;
		expect(stress).toBeGreaterThan(7.5);
		expect(stress).toBeLessThan(8.5);
	});
});

describe("first ramp and air", () => {
	it("holds to let air out from 75 mm, more for wider sheets, 90 min at most", () => {
		expect([60, 75, 100, 175, 300, 2000].map(airHoldMin)).toEqual([0, 30, 30, 40, 50, 90]);
	});

	it("is capped, slower for glass fused before, slowest for black beside white", () => {
		const rate = (change: Partial<PieceToFire>) => demandOf({ ...tile, ...change }, USUAL_PACE).firstRampCPerH;
		expect(rate({})).toBe(222);
		expect(rate({ fired: true })).toBeCloseTo(166.5);
		expect(rate({ blackBesideWhite: true })).toBe(85);
		expect(rate({ level: "slump", multiLevel: true, fired: true })).toBe(85);
		expect(rate({ acrossMm: 10, thickestMm: 3 })).toBe("full");
		expect(rate({ thickestMm: 19, effectiveMm: 19 })).toBeLessThan(90);
	});

	// Tables in common use give about 165, 165, 85 and 55 °C/h for even glass that was fused before. Common practice, no source.
	it.each([
		[6, 166],
		[12, 166],
		[19, 67],
		[25, 39],
	])(
		"%i mm of even, fused glass goes up at %i °C/h in the usual school, and slower in the cautious one",
		(mm, cPerH) => {
			const fused = { ...tile, fired: true, thickestMm: mm, effectiveMm: mm };
			expect(Math.abs(Number(demandOf(fused, USUAL_PACE).firstRampCPerH) - cPerH)).toBeLessThan(1);
			const cautious = Number(demandOf(fused, { ...USUAL_PACE, warmUp: "cautious" }).firstRampCPerH);
			expect(cautious).toBeLessThanOrEqual(cPerH + 1);
			if (mm > 12) expect(cautious / cPerH).toBeCloseTo(0.5, 1);
		},
	);

	it("uneven glass fused before is heated as at most half as thick again: a pocket of two singles round 6 mm at 75 °C/h", () => {
		// 12 × 1.5 = 18 mm: 2κ·10 K/d² is 100 °C/h, three quarters of it for glass fused before.
		const pocket = { ...tile, fired: true, level: "slump" as const, thickestMm: 12, effectiveMm: 24 };
		expect(Number(demandOf(pocket, USUAL_PACE).firstRampCPerH)).toBeCloseTo(75, 0);
		expect(Number(demandOf({ ...pocket, effectiveMm: 30 }, USUAL_PACE).firstRampCPerH)).toBeCloseTo(75, 0);
	});
});

describe("a built schedule", () => {
	it("for two 100 mm singles at full fuse is the one in common use", () => {
		const schedule = buildSchedule(demandOf(tile, USUAL_PACE), { family: FAMILY_90 });
		expect(schedule.segments.map(({ rateCPerH, targetC, holdMin }) => [rateCPerH, targetC, holdMin])).toEqual([
			[222, 663, 30],
			[333, expect.toSatisfy((c: number) => c >= 796 && c <= 816), 10],
			["full", 482, 60],
			[83, 427, 0],
			[149, 372, 0],
			[330, 50, 0],
		]);
	});

	it("reaches every level's flow in both families, on a known kiln and on none", () => {
		for (const family of [FAMILY_90, FAMILY_96])
			for (const kiln of [undefined, DEFAULT_KILN])
				for (const level of FUSE_LEVELS) {
					const demand = demandOf({ ...tile, level, trappedSpanMm: 0 }, USUAL_PACE);
					const schedule = buildSchedule(demand, { family, kiln });
					const flow = flowIndex(viscosityOf(family), curveOf(schedule, kiln));
					expect(Math.abs(Math.log(flow / LEVEL_AIM[level]))).toBeLessThan(0.06);
					expect(flow).toBeGreaterThanOrEqual(LEVEL_BANDS[level].from);
					expect(flow).toBeLessThan(LEVEL_BANDS[level].to);
				}
	});

	it("a kiln that falls slowly needs a lower peak for the same flow", () => {
		const demand = demandOf(tile, USUAL_PACE);
		const slow = { ...DEFAULT_KILN, capacityJPerK: 120_000, powerW: 20_000 };
		expect(peakOf(buildSchedule(demand, { family: FAMILY_90, kiln: slow }))).toBeLessThan(
			peakOf(buildSchedule(demand, { family: FAMILY_90 })),
		);
	});

	it("soaks at the annealing point for the school that wants it", () => {
		const schedule = buildSchedule(demandOf(tile, USUAL_PACE), { family: FAMILY_96, soakSchool: "atAnnealingPoint" });
		expect(schedule.segments.find(({ name }) => name === "drop")?.targetC).toBe(510);
	});

	it("finds the cooler and longer firing that does the same as a hotter and shorter one", () => {
		const firing = (peakC: number, holdMin: number): Schedule => ({
			segments: [
				{ name: "up", rateCPerH: 222, targetC: 663, holdMin: 30 },
				{ name: "peak", rateCPerH: 333, targetC: peakC, holdMin },
				{ name: "drop", rateCPerH: 300, targetC: 482, holdMin: 60 },
			],
		});
		const flow = (peakC: number, holdMin: number) =>
			flowIndex(viscosityOf(FAMILY_90), curveOf(firing(peakC, holdMin), undefined));
		const hold = solveHoldMin((holdMin) => flow(790, holdMin), flow(804, 10));
		expect(hold).toBeGreaterThan(18); // common practice: a quarter of an hour more for 14 °C less
		expect(hold).toBeLessThan(26);
		expect(Math.abs(flow(790, hold ?? 0) / flow(804, 10) - 1)).toBeLessThan(0.03);
	});

	it("finds family 96's own peak for a tack: cooler than family 90's", () => {
		const tack = demandOf({ ...tile, level: "tack", trappedSpanMm: 0 }, USUAL_PACE);
		const peak90 = peakOf(buildSchedule(tack, { family: FAMILY_90, aim: 0.45 }));
		const peak96 = peakOf(buildSchedule(tack, { family: FAMILY_96, aim: 0.45 }));
		expect(peak90 - peak96).toBeGreaterThan(8);
		expect(peak90).toBeGreaterThanOrEqual(725); // common practice, no source: 725–750 °C
		expect(peak90).toBeLessThanOrEqual(750);
	});

	it("never solves a hold beyond 45 min", () => {
		const flowAt = (peakC: number) => (holdMin: number) => {
			const schedule: Schedule = { segments: [{ name: "up", rateCPerH: 200, targetC: peakC, holdMin }] };
			return flowIndex(viscosityOf(FAMILY_90), curveOf(schedule, undefined));
		};
		expect(solveHoldMin(flowAt(790), 4.5)).toBeGreaterThan(10);
		expect(solveHoldMin(flowAt(790), 4.5)).toBeLessThanOrEqual(LONGEST_HOLD_MIN);
		expect(solveHoldMin(flowAt(740), 4.5)).toBeUndefined();
	});
});

describe("merging", () => {
	it("takes the slowest of each and names who set it", () => {
		const merged = mergeDemands(
			[tile, thick, { ...tile, id: "tall", thickestMm: 15 }, { ...tile, id: "wide", trappedSpanMm: 250 }],
			USUAL_PACE,
		);
		expect(merged).toMatchObject({
			airMin: 40,
			soakMin: 120,
			setBy: { firstRamp: ["tall"], air: ["wide"], soak: ["thick"], cool: ["thick"] },
		});
	});

	it("refuses levels with no flow in common, and nothing at all", () => {
		expect(mergeDemands([tile, { ...tile, id: "b", level: "tack" }], USUAL_PACE)).toBeUndefined();
		expect(mergeDemands([], USUAL_PACE)).toBeUndefined();
	});

	it("is never gentler to a piece than that piece asks, and never shorter than its longest member", () => {
		fc.assert(
			fc.property(fc.array(pieces, { minLength: 1, maxLength: 8 }), (all) => {
				const merged = mergeDemands(all, USUAL_PACE);
				if (!merged) throw new Error("same level must merge");
				const speed = (rate: number | "full") => (rate === "full" ? Number.POSITIVE_INFINITY : rate);
				for (const demand of all.map((piece) => demandOf(piece, USUAL_PACE))) {
					expect(speed(merged.firstRampCPerH)).toBeLessThanOrEqual(speed(demand.firstRampCPerH));
					expect(merged.airMin).toBeGreaterThanOrEqual(demand.airMin);
					expect(merged.soakMin).toBeGreaterThanOrEqual(demand.soakMin);
					expect(merged.coolCPerH).toBeLessThanOrEqual(demand.coolCPerH);
				}
				for (const ids of [merged.setBy.firstRamp, merged.setBy.soak, merged.setBy.cool])
					expect(ids.length).toBeGreaterThan(0);
			}),
		);
	});

	it("a piece's cost in hours is what the load would save without it", () => {
		const hours = (all: PieceToFire[]) => {
			const merged = mergeDemands(all, USUAL_PACE);
			return merged ? scheduleHours(buildSchedule(merged, { family: FAMILY_90 }), undefined) : 0;
		};
		expect(hours([tile, thick]) - hours([tile])).toBeGreaterThan(1);
		expect(hours([tile, thick]) - hours([thick])).toBeCloseTo(0, 5);
	});
});
