import { describe, expect, it } from "vitest";
import { ceilingC, DEFAULT_KILN, timeConstantS } from "./kiln";
import { bodyOf, PLAIN_KILN, PLAIN_KILNS } from "./plain-kiln";

describe("a kiln by its plate", () => {
	it("the middling one is the default kiln", () => {
		expect(bodyOf(PLAIN_KILN.lid)).toEqual(DEFAULT_KILN);
	});
	it.each(PLAIN_KILNS)("%s reaches a full fuse with power to spare, and no more than elements stand", (kind) => {
		// Full fuse about 804 °C, elements and bricks of such kilns to about 1300 °C (iron-chromium-aluminium wire): from memory.
		const body = bodyOf(PLAIN_KILN[kind]);
		expect(ceilingC(body)).toBeGreaterThan(1000);
		expect(ceilingC(body)).toBeLessThan(3000);
	});
	it("a smaller kiln holds less, loses less, and climbs fast enough from cold", () => {
		const [small, large] = [bodyOf(PLAIN_KILN.tabletop), bodyOf(PLAIN_KILN.lid)];
		expect(small.capacityJPerK).toBeLessThan(large.capacityJPerK);
		expect(small.lossWPerK).toBeLessThan(large.lossWPerK);
		// As fast as the fastest first ramp in use, 333 °C/h (600 °F/h): common practice, no source.
		expect((small.powerW / small.capacityJPerK) * 3600).toBeGreaterThan(333);
		expect(timeConstantS(small) / 3600).toBeCloseTo(3.7, 0); // cools to the room overnight: common practice, no source
	});
});
