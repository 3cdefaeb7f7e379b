import { levenbergMarquardt } from "ml-levenberg-marquardt";
import { describe, expect, it } from "vitest";
import { learnKiln, misfitOf } from "./learn";
import { fitTwo } from "./least-squares";
import type { LogPoint } from "./log";

/** A small repeatable noise source, so that a failure can be looked at again. Mulberry32, public domain. */
function noise(seed: number): () => number {
	let a = seed;
	return () => {
		a = (a + 0x6d2b79f5) | 0;
		let t = Math.imul(a ^ (a >>> 15), 1 | a);
		t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
		return ((t ^ (t >>> 14)) >>> 0) / 4294967296 - 0.5;
	};
}

interface Made {
	powerW: number;
	lossWPerK: number;
	capacityJPerK: number;
	noiseK: number;
	everyS: number;
}

/** A made log: 150 °C/h to 560, full power to 800, ten minutes, off; integrated by the test itself at one-second steps. */
function madeLog({ powerW, lossWPerK, capacityJPerK, noiseK, everyS }: Made): LogPoint[] {
	const random = noise(7);
	const log: LogPoint[] = [];
	let [air, joules, heldS] = [20, 0, 0];
	for (let s = 0; s < 20 * 3600; s++) {
		const rampC = 20 + (150 / 3600) * s;
		const setC = heldS >= 600 ? null : rampC < 560 ? rampC : 800;
		const duty = setC === null ? 0 : Math.min(1, Math.max(0, (setC - air) * 0.4 + (lossWPerK * (air - 20)) / powerW));
		if (setC === 800 && air > 799) heldS++;
		if (s % everyS === 0)
			log.push({ s, airC: air + random() * 2 * noiseK, setC, duty: Number(duty.toFixed(3)), kwh: joules / 3.6e6 });
		const power = duty * powerW;
		joules += power;
		air += (power - lossWPerK * (air - 20)) / capacityJPerK;
	}
	return log;
}

const KILNS: Made[] = [
	{ powerW: 5000, lossWPerK: 2.5, capacityJPerK: 33_000, noiseK: 1, everyS: 10 },
	{ powerW: 3600, lossWPerK: 2, capacityJPerK: 22_000, noiseK: 1.5, everyS: 30 },
	{ powerW: 9000, lossWPerK: 6, capacityJPerK: 90_000, noiseK: 0.5, everyS: 60 },
];
const within = (value: number | undefined, known: number, share = 0.03) =>
	expect(Math.abs((value ?? Number.NaN) / known - 1)).toBeLessThan(share);

describe("a kiln learned from its log", () => {
	it.each(KILNS)(
		"recovers $powerW W, $capacityJPerK J/K and $lossWPerK W/K from a noisy log with duty and kWh, within 3 %",
		(made) => {
			const learned = learnKiln(madeLog(made));
			within(learned.powerW, made.powerW);
			within(learned.capacityJPerK?.value, made.capacityJPerK);
			within(learned.lossWPerK?.value, made.lossWPerK);
			expect(learned.powerFrom).toBe("kWh");
			expect(learned.unknown).toEqual([]);
			const off = Math.abs(learned.coolPerS.value - made.lossWPerK / made.capacityJPerK);
			expect(off).toBeLessThan(6 * learned.coolPerS.error + 1e-7);
		},
	);

	it("needs only the temperature, the set point and the plate where the ramp was at full power", () => {
		const made = KILNS[0] as Made;
		const bare = madeLog(made).map((point) => ({ ...point, duty: null, kwh: null }));
		const learned = learnKiln(bare, { plateW: 5000 });
		within(learned.climbKPerS.value, 5000 / 33_000);
		within(learned.coolPerS.value, 2.5 / 33_000);
		within(learned.capacityJPerK?.value, 33_000);
		expect(learned.powerFrom).toBe("plate");
	});

	it("agrees with a Levenberg–Marquardt fit of the same fall (ml-levenberg-marquardt, general-purpose)", () => {
		const log = madeLog(KILNS[0] as Made).filter(({ setC }) => setC === null);
		const fall = log
			.filter((_, i) => i % 10 === 0 && i < 3000)
			.map(({ s, airC }) => ({ s: s - (log[0]?.s ?? 0), c: airC ?? 0 }));
		const fit = levenbergMarquardt(
			{ x: fall.map(({ s }) => s / 3600), y: fall.map(({ c }) => c) },
			([high, perH]: number[]) =>
				(h: number) =>
					20 + (high ?? 0) * Math.exp(-(perH ?? 0) * h),
			{ initialValues: [700, 0.4], maxIterations: 100, damping: 0.1 },
		);
		const learned = learnKiln(log.map((point) => ({ ...point, duty: null })));
		within(learned.coolPerS.value * 3600, fit.parameterValues[1] ?? 0, 0.02);
	});

	it("says what a log could not tell instead of guessing", () => {
		const onlyFalling = madeLog(KILNS[0] as Made)
			.filter(({ setC }) => setC === null)
			.map((point) => ({ ...point, duty: null, kwh: null }));
		const learned = learnKiln(onlyFalling);
		expect(learned.climbKPerS.value).toBeNaN();
		expect(learned.capacityJPerK).toBeUndefined();
		expect(learned.unknown).toHaveLength(2);
	});

	it("concludes nothing across a gap or from a sensor that gave nothing", () => {
		const whole = madeLog(KILNS[0] as Made);
		const holed = whole.map((point) => (point.s % 9000 < 1500 ? { ...point, airC: null } : point));
		const learned = learnKiln(holed);
		within(learned.capacityJPerK?.value, 33_000);
		expect(learned.heatingWindows).toBeLessThan(learnKiln(whole).heatingWindows);
	});

	it("measures how far a prediction was off", () => {
		const misfit = misfitOf(
			[
				{ s: 0, c: 20 },
				{ s: 60, c: 103 },
				{ s: 120, c: 199 },
			],
			(s) => 20 + (s / 60) * 90 - (s === 60 ? 10 : 0),
		);
		expect(misfit).toMatchObject({ count: 3, worstK: 3, worstAtS: 60 });
		expect(misfit.meanK).toBeCloseTo(2 / 3, 6);
		expect(misfit.rmsK).toBeCloseTo(Math.sqrt(10 / 3), 6);
	});
});

describe("least squares", () => {
	// Worked by hand: y = 2·x₁ − 3·x₂ exactly, so no error.
	it("finds an exact plane", () => {
		const rows = [
			{ x1: 1, x2: 0, y: 2 },
			{ x1: 0, x2: 1, y: -3 },
			{ x1: 2, x2: 1, y: 1 },
			{ x1: 1, x2: 3, y: -7 },
		];
		const fit = fitTwo(rows);
		expect(fit?.a.value).toBeCloseTo(2, 9);
		expect(fit?.b.value).toBeCloseTo(-3, 9);
		expect(fit?.a.error).toBeCloseTo(0, 5);
	});
	it("gives nothing where the columns say the same, and one coefficient where the other is never seen", () => {
		const twins = [1, 2, 3, 4].map((x) => ({ x1: x, x2: x, y: x }));
		expect(fitTwo(twins)).toBeUndefined();
		expect(fitTwo([{ x1: 1, x2: 1, y: 1 }])).toBeUndefined();
		const alone = fitTwo([1, 2, 3].map((x) => ({ x1: 0, x2: x, y: 5 * x })));
		expect(alone?.a.value).toBeNaN();
		expect(alone?.b.value).toBeCloseTo(5, 9);
	});
});
