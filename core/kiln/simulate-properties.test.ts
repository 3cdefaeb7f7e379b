import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { cases } from "../../tests/support/thorough";
import { newSchedule, withSegment } from "../firing/document";
import { flowIndex } from "../firing/flow-index";
import { slabLagK } from "../firing/rates";
import { curveOf } from "../firing/schedule";
import { FAMILY_90, FAMILY_96 } from "../glass/family";
import { viscosityOf } from "../glass/viscosity";
import { Controller } from "./controller";
import { ceilingC, DEFAULT_KILN, feltC, type KilnBody } from "./kiln";
import { LyingGlass } from "./lying-glass";
import { seriesOf, simulateFiring } from "./simulate";

const full = newSchedule("full", FAMILY_90, DEFAULT_KILN);
const kilns = fc.record({
	powerW: fc.integer({ min: 2500, max: 12_000 }),
	lossWPerK: fc.double({ min: 1, max: 3, noNaN: true }),
	capacityJPerK: fc.integer({ min: 15_000, max: 80_000 }),
	roomC: fc.integer({ min: 5, max: 35 }),
});
const run = (kiln: KilnBody, peakC: number, holdMin: number, thicknessMm = 6) =>
	simulateFiring({
		kiln,
		schedule: withSegment(full, 1, { targetC: peakC, holdMin }),
		family: FAMILY_90,
		thicknessMm,
		dtS: 20,
	});

describe("whatever the kiln and the firing", () => {
	it("energy closes to half a percent, and nothing is hotter than the kiln can get", () => {
		fc.assert(
			fc.property(
				kilns,
				fc.integer({ min: 650, max: 880 }),
				fc.integer({ min: 0, max: 40 }),
				(kiln, peakC, holdMin) => {
					const simulation = run(kiln, peakC, holdMin);
					expect(Math.abs(simulation.energyError)).toBeLessThan(0.005);
					const hottest = Math.max(...simulation.samples.map(({ airC, topC }) => Math.max(airC, topC)));
					expect(hottest).toBeLessThanOrEqual(Math.max(ceilingC(kiln), kiln.roomC) + 1);
					expect(
						simulation.samples.every(({ coreC, shelfC }) => coreC >= kiln.roomC - 1 && shelfC >= kiln.roomC - 1),
					).toBe(true);
				},
			),
			{ numRuns: cases(40, 15) },
		);
	});

	it("a hotter peak or a longer hold never gives less flow, at any zone", () => {
		fc.assert(
			fc.property(
				fc.integer({ min: 660, max: 830 }),
				fc.integer({ min: 0, max: 30 }),
				fc.integer({ min: 1, max: 20 }),
				(peakC, holdMin, more) => {
					const flow = (c: number, hold: number) => run(DEFAULT_KILN, c, hold).flow;
					const first = flow(peakC, holdMin);
					expect(flow(peakC + more, holdMin)).toBeGreaterThan(first);
					expect(flow(peakC, holdMin + more)).toBeGreaterThan(first);
				},
			),
			{ numRuns: 15 },
		);
		const zones = [-20, -5, 0, 5].map((offsetK) => ({ name: String(offsetK), offsetK }));
		const { zoneFlow, flow } = simulateFiring({
			kiln: DEFAULT_KILN,
			schedule: full,
			family: FAMILY_90,
			thicknessMm: 6,
			zones,
		});
		expect(zoneFlow).toEqual([...zoneFlow].sort((a, b) => a - b));
		expect(zoneFlow[2]).toBeCloseTo(flow, 9);
	});

	it("thicker glass never opens sooner, and glass on a mould never before the same glass on the shelf", () => {
		let last = 0;
		for (const thicknessMm of [3, 6, 12, 19, 25]) {
			const { openS } = run(DEFAULT_KILN, 804, 10, thicknessMm);
			expect(openS).toBeGreaterThanOrEqual(last);
			last = openS;
		}
		const on = (onMould: boolean) =>
			simulateFiring({ kiln: DEFAULT_KILN, schedule: full, family: FAMILY_90, thicknessMm: 12, onMould }).openS;
		expect(on(true)).toBeGreaterThanOrEqual(on(false));
	});

	it("flow of the simulated air is the flow index of that curve", () => {
		const empty = simulateFiring({ kiln: DEFAULT_KILN, schedule: full, family: FAMILY_96, thicknessMm: 0.5 });
		const byCurve = flowIndex(viscosityOf(FAMILY_96), seriesOf(empty, "coreC"));
		expect(Math.abs(empty.flow / byCurve - 1)).toBeLessThan(0.02);
	});
});

describe("a firing under way", () => {
	const whole = simulateFiring({ kiln: DEFAULT_KILN, schedule: full, family: FAMILY_90, thicknessMm: 6 });

	it("goes on from what was measured as if it had never been cut in two", () => {
		for (const share of [0.1, 0.35, 0.6]) {
			const nowS = whole.endS * share;
			const air = seriesOf(whole, "airC").filter(({ s }) => s <= nowS);
			const last = whole.samples.findLast(({ s }) => s <= nowS);
			const segment = whole.segmentEndS.filter((s) => s <= (last?.s ?? 0)).length;
			const started = whole.segmentEndS[segment - 1] ?? 0;
			const targetC = full.segments[segment]?.targetC ?? 0;
			const arrived = Math.abs((last?.airC ?? 0) - targetC) < 1;
			const atTarget = whole.samples.find(({ s, airC }) => s > started && Math.abs(airC - targetC) < 1)?.s ?? 0;
			const heldS = arrived ? (last?.s ?? 0) - atTarget : 0;
			const rest = simulateFiring({
				kiln: DEFAULT_KILN,
				schedule: full,
				family: FAMILY_90,
				thicknessMm: 6,
				soFar: { air, controller: { segment, setC: last?.setC ?? 0, arrived, heldS } },
			});
			expect(Math.abs(rest.openS - whole.openS)).toBeLessThan(240);
			expect(Math.abs(rest.flow / whole.flow - 1)).toBeLessThan(0.03);
		}
	});

	it("ends later by as long as it stood still", () => {
		const stillS = 2 * 3600;
		const air = [
			{ s: 0, c: 20 },
			{ s: 3600, c: 240 },
			{ s: 3600 + stillS, c: 240 },
		];
		const rest = simulateFiring({
			kiln: DEFAULT_KILN,
			schedule: full,
			family: FAMILY_90,
			thicknessMm: 6,
			soFar: { air, controller: { segment: 0, setC: 240, arrived: false, heldS: 0 } },
		});
		expect(Math.abs(rest.endS - whole.endS - stillS)).toBeLessThan(300);
	});
});

describe("the controller", () => {
	it("stops at a target the kiln can never reach, and says which", () => {
		const weak = { ...DEFAULT_KILN, powerW: 1800 };
		const { stuckAt, samples } = simulateFiring({ kiln: weak, schedule: full, family: FAMILY_90, thicknessMm: 6 });
		expect(stuckAt).toBe(1);
		expect(Math.max(...samples.map(({ airC }) => airC))).toBeLessThan(ceilingC(weak));
	});

	it("holds for as long as it says, and not before it is there", () => {
		const controller = new Controller({ segments: [{ name: "peak", rateCPerH: 3600, targetC: 100, holdMin: 1 }] }, 20);
		for (let s = 0; s < 200; s++) controller.advance(s, 1, 60);
		expect(controller.done).toBe(false);
		let held = 0;
		for (let s = 200; !controller.done && s < 400; s++) {
			controller.advance(s, 1, 100);
			held++;
		}
		expect(held).toBe(61);
	});
});

describe("the glass on its shelf", () => {
	// Carslaw & Jaeger, Conduction of Heat in Solids: heated steadily from both faces a slab lags a quarter of what it lags from one.
	it("lags less than from one face, more than a quarter of it, while its kiln climbs steadily", () => {
		const glass = new LyingGlass({ family: FAMILY_90, thicknessMm: 12, startC: 20, onMould: false, zoneOffsetsK: [] });
		let spread = 0;
		for (let s = 0; s < 3 * 3600; s += 5) {
			glass.step(20 + (100 / 3600) * s, 5);
			spread = glass.feel().spreadK;
		}
		expect(spread).toBeLessThan(slabLagK(100, 12) * 1.6);
		expect(spread).toBeGreaterThan(slabLagK(100, 12) / 8);
	});

	it("keeps stress from when it sets, and none from above its strain point", () => {
		const plate = (rateCPerH: number) => {
			const glass = new LyingGlass({
				family: FAMILY_90,
				thicknessMm: 12,
				startC: 600,
				onMould: false,
				zoneOffsetsK: [],
			});
			for (let s = 0, c = 600; c > 300; s += 5, c = 600 - (rateCPerH / 3600) * s) {
				glass.step(c, 5);
				if (s % 60 === 0) glass.feel();
			}
			return glass.frozenStressPa;
		};
		expect(plate(300)).toBeGreaterThan(3 * plate(60));
		expect(plate(60)).toBeGreaterThan(0);
	});

	it("feels an offset in proportion below 600 °C and in full above", () => {
		const hot = { ...DEFAULT_KILN, offsetK: 10 };
		expect(feltC(hot, 20)).toBe(20);
		expect(feltC(hot, 310)).toBeCloseTo(315, 6);
		expect(feltC(hot, 800)).toBe(810);
		expect(curveOf(full, hot)).toEqual(curveOf(full, DEFAULT_KILN));
	});
});
