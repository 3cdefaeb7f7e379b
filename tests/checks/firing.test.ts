import { demandOf } from "@core/firing/demand";
import { newSchedule, PLAIN_PIECE } from "@core/firing/document";
import type { FuseLevel } from "@core/firing/level";
import { lagStressPa, slabLagK } from "@core/firing/rates";
import { peakOf } from "@core/firing/schedule";
import { type HEAT_SCHOOLS, USUAL_PACE, USUAL_SCHOOLS } from "@core/firing/schools";
import { CONDUCTIVITY_W_PER_M_K, DIFFUSIVITY_M2_PER_S, POISSON, YOUNG_PA } from "@core/glass/constants";
import { FAMILY_90, FAMILY_96 } from "@core/glass/family";
import { LOG_ETA, temperatureAt, viscosityOf } from "@core/glass/viscosity";
import { coolingTimeS, DEFAULT_KILN, naturalCoolingC, timeConstantS } from "@core/kiln/kiln";
import { slabAt, stepSlab } from "@core/kiln/slab";
import { fahrenheit } from "@core/units/temperature";
import { describe, expect, it } from "vitest";

/** The firing core against textbook solutions, and against what the trade has always done. */

describe("conduction", () => {
	// Carslaw & Jaeger, Conduction of Heat in Solids: slab at 1, both faces suddenly held at 0. Temperature in the middle:
	// 4/π · Σ (−1)ⁿ/(2n+1) · exp(−(2n+1)²π²Fo/4), Fo = κt/l² with half thickness l.
	const middleAt = (fourier: number) => {
		let sum = 0;
		for (let n = 0; n < 60; n++) {
			const odd = 2 * n + 1;
			sum += ((n % 2 === 0 ? 1 : -1) / odd) * Math.exp((-(odd * odd) * Math.PI ** 2 * fourier) / 4);
		}
		return (4 / Math.PI) * sum;
	};
	it.each([0.05, 0.1, 0.2, 0.5, 1])("follows the whole series at Fo = %f, not only its first term", (fourier) => {
		const half = 0.006;
		const slab = slabAt(1, 2 * half, CONDUCTIVITY_W_PER_M_K, DIFFUSIVITY_M2_PER_S, 81);
		const seconds = (fourier * half * half) / DIFFUSIVITY_M2_PER_S;
		const face = { hWPerM2K: 1e9, c: 0 };
		for (let i = 0; i < 4000; i++) stepSlab(slab, seconds / 4000, face, face);
		expect(Math.abs((slab.c[40] as number) - middleAt(fourier))).toBeLessThan(0.004);
	});

	// The same, insulated below and heated steadily above: the profile is the parabola R/2κ·(d² − z²) behind its face.
	it("has a parabola behind a steadily heated face", () => {
		const thickness = 0.019;
		const perS = 100 / 3600;
		const slab = slabAt(0, thickness, CONDUCTIVITY_W_PER_M_K, DIFFUSIVITY_M2_PER_S, 41);
		for (let s = 1; s <= 4 * 3600; s++) stepSlab(slab, 1, { hWPerM2K: 1e9, c: perS * s }, { hWPerM2K: 0, c: 0 });
		const face = slab.c[0] as number;
		for (let i = 0; i < 41; i++) {
			const z = (thickness * (40 - i)) / 40;
			const behind = (perS / (2 * DIFFUSIVITY_M2_PER_S)) * (thickness ** 2 - z ** 2);
			expect(Math.abs(face - (slab.c[i] as number) - behind)).toBeLessThan(0.05);
		}
		expect(face - (slab.c[40] as number)).toBeCloseTo(slabLagK(100, 19), 1);
	});
});

describe("stress", () => {
	// Timoshenko & Goodier, Theory of Elasticity: plate held flat, σ(z) = Eα/(1−ν)·(mean T − T(z)); with T = ΔT·(z/d)² measured
	// from the insulated face the cooled face is ΔT below, its mean a third of ΔT above the core's: integrated here.
	it("is that of a parabola held flat by the shelf", () => {
		const [n, lagK, alpha] = [100_000, 7, 90e-7];
		let mean = 0;
		for (let i = 0; i < n; i++) mean += (-lagK * ((i + 0.5) / n) ** 2) / n;
		const atFace = ((YOUNG_PA * alpha) / (1 - POISSON)) * (mean - -lagK);
		expect(lagStressPa(lagK, 90) / atFace).toBeCloseTo(1, 4);
	});

	it("at 25 mm and the last, fastest stage stays under the allowed tension", () => {
		const demand = demandOf({ ...PLAIN_PIECE, thickestMm: 25, effectiveMm: 25 }, USUAL_PACE);
		const mpa = lagStressPa(slabLagK(demand.coolCPerH * 6, 25), 90) / 1e6;
		expect(mpa).toBeGreaterThan(6);
		expect(mpa).toBeLessThan(10);
	});
});

describe("viscosity", () => {
	// ISO 7884-1 fixed points: the curve goes through the three it is made from, and its strain point is then a check.
	it.each([
		[FAMILY_90, 489.3],
		[FAMILY_96, 485.8],
	])("passes its fixed points, strain point $1 °C", (family, strainC) => {
		const v = viscosityOf(family);
		expect(temperatureAt(v, LOG_ETA.annealing)).toBeCloseTo(family.annealingC, 6);
		expect(temperatureAt(v, LOG_ETA.softening)).toBeCloseTo(family.softeningC, 6);
		expect(temperatureAt(v, LOG_ETA.working)).toBeCloseTo(family.workingC, 6);
		expect(temperatureAt(v, LOG_ETA.strain)).toBeCloseTo(strainC, 0);
	});
});

describe("a kiln by itself", () => {
	// Newton's law of cooling, closed form.
	it("falls as an exponential, and half as fast with half the losses", () => {
		const calm = { ...DEFAULT_KILN, lossWPerK: DEFAULT_KILN.lossWPerK / 2 };
		expect(timeConstantS(calm)).toBe(2 * timeConstantS(DEFAULT_KILN));
		for (const s of [600, 7200, 40_000]) {
			const c = naturalCoolingC(DEFAULT_KILN, 800, s);
			expect(c).toBeCloseTo(20 + 780 * Math.exp((-s * 2.5) / 33_000), 9);
			expect(coolingTimeS(DEFAULT_KILN, 800, c)).toBeCloseTo(s, 4);
		}
	});
});

describe("what the trade has always done", () => {
	const peak = (level: FuseLevel, heat: (typeof HEAT_SCHOOLS)[number] = "usual") =>
		peakOf(newSchedule("check", FAMILY_90, undefined, [{ ...PLAIN_PIECE, level }], { ...USUAL_SCHOOLS, heat }));

	// Common practice, no source: usual peaks of a family 90, °C, each with its usual hold.
	it.each([
		["slump", 620, 677],
		["firePolish", 690, 730],
		["tack", 725, 750],
		["contour", 755, 780],
		["full", 796, 816],
		["deep", 820, 925],
	] as const)("%s peaks between %d and %d °C", (level, least, most) => {
		expect(peak(level)).toBeGreaterThanOrEqual(least);
		expect(peak(level)).toBeLessThanOrEqual(most);
	});

	it("hotter and shorter, cooler and longer: ten to thirty degrees apart, the same glass", () => {
		expect(peak("full", "hotterShorter") - peak("full", "coolerLonger")).toBeGreaterThan(10);
		expect(peak("full", "hotterShorter") - peak("full", "coolerLonger")).toBeLessThan(50);
	});

	// Common practice, no source: soak in hours and first cooling rate by thickness to anneal as.
	it.each([
		[6, 1, 83],
		[12, 2, 56],
		[19, 3.2, 22],
		[25, 4.2, 13],
	])("%d mm is soaked %f h and cooled at %d °C/h first", (mm, hours, rate) => {
		const demand = demandOf({ ...PLAIN_PIECE, thickestMm: mm, effectiveMm: mm }, USUAL_PACE);
		expect(demand.soakMin / 60).toBeCloseTo(hours, 1);
		expect(Math.abs(demand.coolCPerH - rate)).toBeLessThan(1);
	});

	// Common practice, no source: people say 960 °F, 900 °F and 1480 °F for these.
	it("meets the figures people say in °F", () => {
		expect(Math.round(fahrenheit(516))).toBe(961);
		expect(Math.round(fahrenheit(482))).toBe(900);
		expect(Math.abs(fahrenheit(peak("full")) - 1480)).toBeLessThan(15);
	});

	// Common practice, no source: a whole full-fuse cycle of thin work, until the kiln may be opened.
	it("takes from about 14 to 22 hours for 6 mm in a middling kiln", async () => {
		const { simulateFiring } = await import("@core/kiln/simulate");
		const schedule = newSchedule("check", FAMILY_90, DEFAULT_KILN);
		const { openS } = simulateFiring({ kiln: DEFAULT_KILN, schedule, family: FAMILY_90, thicknessMm: 6 });
		expect(openS / 3600).toBeGreaterThan(14);
		expect(openS / 3600).toBeLessThan(22);
	});
});
