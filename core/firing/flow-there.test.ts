import { describe, expect, it } from "vitest";
import { FAMILY_90, FAMILY_96 } from "../glass/family";
import { viscosityOf } from "../glass/viscosity";
import type { Curve } from "./curve";
import { flowIndex } from "./flow-index";
import { flowThere } from "./flow-there";

/** A firing as a kiln goes, so much hotter throughout; the integral is the reference (handbook of the flow index: ∫ γ / ηL dt). */
const curve = (peakC: number, holdMin: number, offsetK: number): Curve => {
	const points = [
		[0, 20],
		[3, 660],
		[3 + (peakC - 660) / 333, peakC],
		[3 + (peakC - 660) / 333 + holdMin / 60, peakC],
		[3 + (peakC - 660) / 333 + holdMin / 60 + (peakC - 482) / 300, 482],
	] as const;
	return points.map(([h, c]) => ({ s: h * 3600, c: c + offsetK }));
};

describe("the flow at a place that is hotter or cooler", () => {
	it.each([
		[FAMILY_90, 804, 10, 12],
		[FAMILY_90, 804, 10, -9],
		[FAMILY_90, 740, 10, 8],
		[FAMILY_96, 730, 15, -6],
		[FAMILY_90, 660, 20, 5],
	])("%#: is what the integral over its own curve gives, to a tenth", (family, peakC, holdMin, offsetK) => {
		const v = viscosityOf(family);
		const flow = flowIndex(v, curve(peakC, holdMin, 0));
		const there = flowIndex(v, curve(peakC, holdMin, offsetK));
		expect(flowThere(family, { flow, peakC }, offsetK) / there).toBeGreaterThan(0.9);
		expect(flowThere(family, { flow, peakC }, offsetK) / there).toBeLessThan(1.1);
	});
	it("is the same in the middle", () => expect(flowThere(FAMILY_90, { flow: 4.9, peakC: 800 }, 0)).toBe(4.9));
});
