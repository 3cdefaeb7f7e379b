import type { Segment } from "@core/firing/schedule";
import { describe, expect, it } from "vitest";
import { readStandIn } from "./kiln";

const segments: Segment[] = [
	{ name: "up", rateCPerH: 222, targetC: 663, holdMin: 30 },
	{ name: "peak", rateCPerH: 333, targetC: 802, holdMin: 10 },
	{ name: "drop", rateCPerH: "full", targetC: 482, holdMin: 60 },
	{ name: "down1", rateCPerH: 83, targetC: 427, holdMin: 0 },
];
const at = (hours: number, speedUp = 1) =>
	readStandIn("k1", { segments, startedAtMs: 0, speedUp }, (hours * 3_600_000) / speedUp);

describe("the stand-in kiln", () => {
	it("is as warm as its room without a programme", () =>
		expect(readStandIn("k1", undefined, 5).airC).toBeCloseTo(21, -1));

	it("follows a programme with its own physics and cools by itself afterwards", () => {
		expect(at(1).airC).toBeGreaterThan(200);
		const peak = Math.max(...Array.from({ length: 100 }, (_, i) => at(i / 10).airC));
		expect(Math.abs(peak - 802)).toBeLessThan(8);
		expect(at(7).airC).toBeLessThan(at(5).airC);
		expect(at(30).airC).toBeLessThan(50);
		expect(at(30).setC).toBeNull();
	});

	it("only its clock runs faster, not its heat", () => expect(Math.abs(at(3, 600).airC - at(3).airC)).toBeLessThan(3));
	it("reads the same twice at one instant", () => expect(at(2)).toEqual(at(2)));
});
