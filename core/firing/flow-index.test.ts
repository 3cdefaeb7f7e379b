import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { FAMILY_90 } from "../glass/family";
import { viscosityOf } from "../glass/viscosity";
import type { Curve } from "./curve";
import { flowIndex, flowRate } from "./flow-index";
import { levelOf, sharedBand } from "./level";

const v90 = viscosityOf(FAMILY_90);

/** Straight ramps as [°C/h, °C, minutes], then 300 °C/h down to 482 °C and an hour there. */
function ramps(...segments: [number, number, number][]): Curve {
	const curve = [{ s: 0, c: 20 }];
	for (const [rate, target, hold] of [...segments, [300, 482, 60]] as [number, number, number][]) {
		const last = curve[curve.length - 1] as { s: number; c: number };
		const arrive = last.s + (Math.abs(target - last.c) / rate) * 3600;
		curve.push({ s: arrive, c: target }, { s: arrive + hold * 60, c: target });
	}
	return curve;
}

const reference: [string, Curve, number, string][] = [
	["660 °C 10 min", ramps([150, 660, 10]), 0.01249, "slump"],
	["740 °C 10 min", ramps([200, 677, 0], [333, 740, 10]), 0.4736, "tack"],
	["770 °C 10 min", ramps([200, 677, 0], [333, 770, 10]), 1.5106, "contour"],
	["804 °C 10 min", ramps([222, 663, 30], [333, 804, 10]), 4.946, "full"],
	["790 °C 20 min", ramps([222, 663, 0], [333, 790, 20]), 4.57, "full"],
];

describe("flow index", () => {
	// Reference integrals of the house, each the peak and hold in common use for its level (common practice, no source).
	it.each(reference)("family 90, %s", (_, curve, expected, level) => {
		const flow = flowIndex(v90, curve);
		expect(Math.abs(flow / expected - 1)).toBeLessThan(0.01);
		expect(levelOf(flow).level).toBe(level);
	});

	it("agrees with a plain sum over one-second steps", () => {
		const curve = (reference[3] as (typeof reference)[0])[1];
		let sum = 0;
		let i = 1;
		for (let s = 0.5; s < (curve.at(-1)?.s ?? 0); s += 1) {
			while ((curve[i]?.s ?? 0) < s) i++;
			const [a, b] = [curve[i - 1], curve[i]] as [{ s: number; c: number }, { s: number; c: number }];
			sum += flowRate(v90, a.c + ((b.c - a.c) * (s - a.s)) / (b.s - a.s));
		}
		expect(flowIndex(v90, curve) / sum).toBeCloseTo(1, 3);
	});

	it("a hotter peak or a longer hold never gives less", () => {
		fc.assert(
			fc.property(fc.integer({ min: 620, max: 850 }), fc.integer({ min: 0, max: 60 }), (peak, hold) => {
				const here = flowIndex(v90, ramps([200, peak, hold]));
				expect(flowIndex(v90, ramps([200, peak + 5, hold]))).toBeGreaterThan(here);
				expect(flowIndex(v90, ramps([200, peak, hold + 5]))).toBeGreaterThan(here);
			}),
		);
	});
});

describe("levels", () => {
	it("750 °C for 15 min really is between tack and contour", () => {
		const reading = levelOf(flowIndex(v90, ramps([200, 677, 0], [333, 750, 15])));
		expect(reading.level).toBe("contour");
		expect(levelOf(0.79)).toMatchObject({ level: "tack", next: { level: "contour" } });
		expect(levelOf(0.79).next?.share).toBeGreaterThan(0.98);
	});

	it("includes the lower end of a band and not the upper", () => {
		expect(levelOf(0.004).level).toBe("slump");
		expect(levelOf(0.0039).level).toBeUndefined();
		expect(levelOf(0.04).level).toBe("sinter");
		expect(levelOf(20)).toEqual({ level: "deep", next: undefined });
	});

	it("a tack piece never shares with full, a sinter may with a fire polish", () => {
		expect(sharedBand(["tack", "full"])).toBeUndefined();
		expect(sharedBand(["sinter", "firePolish"])).toEqual({ from: 0.04, to: 0.15 });
	});
});
