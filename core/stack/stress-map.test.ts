import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { lagStressPa, rateForLag, slabLagK } from "../firing/rates";
import { type Cooling, EVEN_K, stressMap } from "./stress-map";

const patch = (mm: number, minX: number, widthMm = 20) => ({
	mm,
	box: { minX, maxX: minX + widthMm, minY: 0, maxY: 20, widthMm, heightMm: 20 },
});
const cooling = (change: Partial<Cooling> = {}): Cooling => ({
	coolCPerH: 10,
	soakMin: 120,
	expansionE7PerK: 90,
	...change,
});

describe("stress as a map", () => {
	it("an even piece bears what passes through it, everywhere the same, and has nothing to even out", () => {
		const { mpa, evening, worst } = stressMap([patch(12, 0), patch(12, 20)], cooling());
		const even = lagStressPa(slabLagK(60, 12), 90) / 1e6;
		expect(mpa).toEqual([even, even]);
		expect(evening).toBeUndefined();
		expect(worst).toMatchObject({ thickMm: 12, thinMm: 12 });
	});

	// By hand, 60 °C/h: means lag 12² and 6² mm² · (60/3600)/(3·4.5e-7) = 1.7778 and 0.4444 K, 1.3333 K apart. Fully held that is
	// 70e9·90e-7·1.3333/0.78 = 1.0769 MPa; the thinner one takes 12/18 of it, the thicker one 6/18.
	it("a step is shared as stiffness asks: the thinner side bears more of it", () => {
		const { mpa } = stressMap([patch(12, 0), patch(6, 20)], cooling());
		const through = (mm: number) => lagStressPa(slabLagK(60, mm), 90) / 1e6;
		expect((mpa[0] ?? 0) - through(12)).toBeCloseTo(1.0769 / 3, 3);
		expect((mpa[1] ?? 0) - through(6)).toBeCloseTo((1.0769 * 2) / 3, 3);
	});

	it("only what shares an edge counts", () => {
		const near = stressMap([patch(12, 0), patch(3, 20)], cooling());
		const far = stressMap([patch(12, 0), patch(3, 40)], cooling());
		expect(near.mpa[1]).toBeGreaterThan((far.mpa[1] ?? 0) * 2);
		expect(far.evening).toBeUndefined();
	});

	// Carslaw & Jaeger: a slab held at one face loses its slowest mode by e in 4d²/π²κ: for 12 mm in 130 s.
	it("the soak evens the step out: by e in 4d²/π²κ", () => {
		const seconds = (4 * 0.012 ** 2) / (Math.PI ** 2 * 4.5e-7);
		const { evening } = stressMap([patch(12, 0), patch(6, 20)], cooling());
		expect(seconds).toBeCloseTo(129.7, 1);
		// Means lag 250 °C/h by 7.41 and 1.85 K: 5.56 K apart.
		expect(evening?.startK).toBeCloseTo(5.556, 2);
		expect((evening?.evenAfterMin ?? 0) * 60).toBeCloseTo(seconds * Math.log(5.5556 / EVEN_K), 0);
		expect(evening?.soakMin).toBe(120);
	});

	it("slower is gentler, and nothing is below nothing; without glass there is no map", () => {
		expect(stressMap([], cooling())).toEqual({ mpa: [], worst: undefined, evening: undefined });
		const heights = fc.array(fc.double({ min: 1, max: 30, noNaN: true }), { minLength: 1, maxLength: 8 });
		fc.assert(
			fc.property(heights, fc.double({ min: 1, max: 50, noNaN: true }), (all, rate) => {
				const patches = all.map((mm, i) => patch(mm, i * 20));
				const [fast, slow] = [rate, rate / 2].map((coolCPerH) => stressMap(patches, cooling({ coolCPerH })).mpa);
				return (fast ?? []).every((mpa, i) => mpa >= 0 && (slow?.[i] ?? 0) <= mpa + 1e-9);
			}),
		);
	});

	// The last stage for 25 mm of even glass gives about 8 MPa of the 10 allowed. Common practice, no source.
	it("an even inch at its own rate uses most of what is allowed", () => {
		const { worst } = stressMap([patch(25, 0)], cooling({ coolCPerH: rateForLag(2.5, 25) }));
		expect(worst?.mpa).toBeGreaterThan(7.5);
		expect(worst?.mpa).toBeLessThan(8.5);
	});
});
