import { describe, expect, it } from "vitest";
import { FAMILY_90, FAMILY_96 } from "./family";
import { LOG_ETA, LOG_ETA_BUBBLE, logEta, temperatureAt, viscosityOf } from "./viscosity";

describe("viscosity through the fixed points of ISO 7884-1", () => {
	// The house's reference constants for its two generic families, solved by hand from the closed form.
	it.each([
		["90", FAMILY_90, -3.6316, 4768.45, 210.947, 489.3],
		["96", FAMILY_96, -3.0, 4000.0, 243.333, 485.8],
	])("family %s", (_, family, a, b, t0, strainC) => {
		const v = viscosityOf(family);
		expect(v.a).toBeCloseTo(a, 3);
		expect(v.b).toBeCloseTo(b, 1);
		expect(v.t0).toBeCloseTo(t0, 2);
		expect(temperatureAt(v, LOG_ETA.strain)).toBeCloseTo(strainC, 1);
	});

	// The certified soda-lime viscosity reference glass has constants within 3 % of these (its certificate, from memory).
	it("a soda-lime standard glass, 546 / 724 / 1025 °C", () => {
		const v = viscosityOf({ annealingC: 546, softeningC: 724, workingC: 1025 });
		expect(Math.abs(v.a / -2.8574 - 1)).toBeLessThan(0.001);
		expect(Math.abs(v.b / 4631.7 - 1)).toBeLessThan(0.001);
		expect(Math.abs(v.t0 / 234.26 - 1)).toBeLessThan(0.001);
	});

	it("passes through each fixed point it was given", () => {
		const v = viscosityOf(FAMILY_90);
		expect(logEta(v, 516)).toBeCloseTo(12, 9);
		expect(logEta(v, 677)).toBeCloseTo(6.6, 9);
		expect(logEta(v, 930)).toBeCloseTo(3, 9);
		expect(logEta(v, 804)).toBeCloseTo(4.409, 3);
		expect(logEta(viscosityOf(FAMILY_96), 740)).toBeCloseTo(5.054, 3);
	});

	it("lets air out near 663 °C for 90 and 647 °C for 96 (common practice, no source)", () => {
		expect(Math.floor(temperatureAt(viscosityOf(FAMILY_90), LOG_ETA_BUBBLE))).toBe(663);
		expect(Math.floor(temperatureAt(viscosityOf(FAMILY_96), LOG_ETA_BUBBLE))).toBe(647);
	});

	it("has no meaning at its pole and says so with Infinity", () => {
		expect(logEta(viscosityOf(FAMILY_90), 100)).toBe(Number.POSITIVE_INFINITY);
	});
});
