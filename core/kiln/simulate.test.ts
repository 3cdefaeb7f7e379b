import { describe, expect, it } from "vitest";
import type { Schedule } from "../firing/schedule";
import { CONDUCTIVITY_W_PER_M_K, DIFFUSIVITY_M2_PER_S } from "../glass/constants";
import { FAMILY_90 } from "../glass/family";
import { coolingTimeS, DEFAULT_KILN, naturalCoolingC, timeConstantS } from "./kiln";
import { seriesOf, simulateFiring } from "./simulate";
import { slabAt, spreadK, stepSlab } from "./slab";

const fullFuse: Schedule = {
	segments: [
		{ name: "up", rateCPerH: 222, targetC: 663, holdMin: 30 },
		{ name: "peak", rateCPerH: 333, targetC: 804, holdMin: 10 },
		{ name: "drop", rateCPerH: "full", targetC: 482, holdMin: 60 },
		{ name: "down1", rateCPerH: 83, targetC: 371, holdMin: 0 },
	],
};
const PRESCRIBED = 1e9; // a face coefficient so large that the face is at the given temperature

describe("conduction through the glass", () => {
	it("lags R·d²/2κ behind a steadily heated face (Carslaw & Jaeger, Conduction of Heat in Solids)", () => {
		const slab = slabAt(20, 0.012, CONDUCTIVITY_W_PER_M_K, DIFFUSIVITY_M2_PER_S, 41);
		for (let s = 1; s <= 7200; s++) {
			stepSlab(slab, 1, { hWPerM2K: PRESCRIBED, c: 20 + (55 / 3600) * s }, { hWPerM2K: 0, c: 0 });
		}
		expect(spreadK(slab)).toBeCloseTo(2.444, 2);
	});

	// Incropera & DeWitt, Fundamentals of Heat and Mass Transfer: plane wall, Bi = 1: ζ₁ = 0.8603, C₁ = 1.1191.
	// The book gives one term for Fo > 0.2 and under 2 % of error there; it falls as Fo grows.
	it.each([0.3, 0.6, 1.0])("follows the one-term solution of the plane wall at Fo = %f", (fourier) => {
		const half = 0.01;
		const h = CONDUCTIVITY_W_PER_M_K / half;
		const slab = slabAt(1, 2 * half, CONDUCTIVITY_W_PER_M_K, DIFFUSIVITY_M2_PER_S, 81);
		const seconds = (fourier * half * half) / DIFFUSIVITY_M2_PER_S;
		const steps = 4000;
		for (let i = 0; i < steps; i++) stepSlab(slab, seconds / steps, { hWPerM2K: h, c: 0 }, { hWPerM2K: h, c: 0 });
		const centre = 1.1191 * Math.exp(-(0.8603 ** 2) * fourier);
		expect(Math.abs((slab.c[40] as number) / centre - 1)).toBeLessThan(0.01);
		expect(Math.abs((slab.c[0] as number) / (centre * Math.cos(0.8603)) - 1)).toBeLessThan(0.01);
	});

	it("is one temperature throughout when the face hardly resists (lumped limit, Bi → 0)", () => {
		const slab = slabAt(100, 0.003, 1, DIFFUSIVITY_M2_PER_S);
		const h = 5;
		const seconds = 600;
		for (let i = 0; i < 6000; i++) stepSlab(slab, seconds / 6000, { hWPerM2K: h, c: 0 }, { hWPerM2K: h, c: 0 });
		const rate = (2 * h * DIFFUSIVITY_M2_PER_S) / (1 * 0.003);
		expect(slab.c[10]).toBeCloseTo(100 * Math.exp(-rate * seconds), 0);
		expect(spreadK(slab)).toBeLessThan(0.5);
	});
});

describe("the kiln", () => {
	it("cools by itself on its time constant, and says how long it takes", () => {
		expect(timeConstantS(DEFAULT_KILN) / 3600).toBeCloseTo(3.67, 2);
		const s = coolingTimeS(DEFAULT_KILN, 371, 50);
		expect(naturalCoolingC(DEFAULT_KILN, 371, s)).toBeCloseTo(50, 6);
		expect(coolingTimeS(DEFAULT_KILN, 371, 20)).toBe(Number.POSITIVE_INFINITY);
		expect(coolingTimeS(DEFAULT_KILN, 40, 50)).toBe(0);
	});
});

describe("a simulated firing", () => {
	// The house's reference firing of its default kiln, integrated by hand from the lumped equation.
	const empty = simulateFiring({ kiln: DEFAULT_KILN, schedule: fullFuse, family: FAMILY_90, thicknessMm: 0 });

	it("of the empty default kiln: 663 °C at 2.90 h, 17.3 h until 50 °C, 12.9 kWh", () => {
		const reached = empty.samples.find(({ airC }) => airC >= 662);
		expect((reached?.s ?? 0) / 3600).toBeCloseTo(2.9, 1);
		expect(Math.abs(empty.openS / 3600 / 17.3 - 1)).toBeLessThan(0.03);
		expect(Math.abs(empty.kwh / 12.9 - 1)).toBeLessThan(0.03);
		expect(Math.abs(empty.energyError)).toBeLessThan(0.005);
	});

	it("gives more flow than the plan on a kiln that falls slowly", () => {
		expect(empty.flow).toBeGreaterThan(4.9);
		expect(empty.flow).toBeLessThan(6.2);
	});

	it("opens later with thick glass, whose core follows the air", () => {
		const thick = simulateFiring({ kiln: DEFAULT_KILN, schedule: fullFuse, family: FAMILY_90, thicknessMm: 25 });
		expect(thick.openS).toBeGreaterThan(empty.openS);
		const rising = thick.samples.find(({ s }) => s >= 3600);
		expect(rising && rising.airC - rising.coreC).toBeGreaterThan(2);
	});

	it("waits for a kiln that cannot keep up instead of skipping the hold", () => {
		const weak = { ...DEFAULT_KILN, powerW: 2600 };
		const late = simulateFiring({ kiln: weak, schedule: fullFuse, family: FAMILY_90, thicknessMm: 6 });
		expect(late.segmentEndS[1]).toBeGreaterThan((empty.segmentEndS[1] ?? 0) + 600);
		expect(Math.max(...late.samples.map(({ airC }) => airC))).toBeGreaterThan(802);
	});

	it("measured to be cool, may be opened since then: more hours of listening do not move that instant", () => {
		const whole = simulateFiring({ kiln: DEFAULT_KILN, schedule: fullFuse, family: FAMILY_90, thicknessMm: 6 });
		const air = seriesOf(whole, "airC");
		const done = { segment: fullFuse.segments.length, setC: 0, arrived: false, heldS: 0 };
		const { roomC } = DEFAULT_KILN;
		const heard = (hours: number) => {
			const cool = Array.from({ length: hours * 6 }, (_, i) => ({
				s: whole.openS + 600 * (i + 1),
				c: roomC + 25 - i / 10,
			}));
			const soFar = { air: [...air, ...cool], controller: done };
			return simulateFiring({ kiln: DEFAULT_KILN, schedule: fullFuse, family: FAMILY_90, thicknessMm: 6, soFar }).openS;
		};
		expect(Math.abs(heard(1) - whole.openS)).toBeLessThan(900);
		expect(heard(9)).toBe(heard(1));
	});

	it("a kiln that has not been hot yet is not open because it is cold", () => {
		const soFar = {
			air: [
				{ s: 0, c: 20 },
				{ s: 600, c: 24 },
			],
			controller: { segment: 0, setC: 30, arrived: false, heldS: 0 },
		};
		const begun = simulateFiring({ kiln: DEFAULT_KILN, schedule: fullFuse, family: FAMILY_90, thicknessMm: 6, soFar });
		expect(begun.openS).toBeGreaterThan(8 * 3600);
	});
});
