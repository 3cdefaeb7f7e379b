import { railCounts } from "@web/ui/frame/rail-counts";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { type DemoStudio, demoStudio } from "../support/studio";

let studio: DemoStudio;
beforeAll(async () => {
	studio = await demoStudio();
});
afterAll(() => studio.close());

describe("the demo studio", () => {
	it("has something true at every station, and goes well: none late, one at risk", async () => {
		const frame = await studio.see("frame");
		const { kilns } = await studio.see("kilnStrip");
		const stations = railCounts({ ...frame, kilns }, new Date(), frame.timeZone);
		for (const [station, { count }] of Object.entries(stations)) expect(count, station).toBeGreaterThan(0);
		const { promised, doNow, waiting } = await studio.see("today");
		expect(promised.filter(({ urgency }) => urgency === "late")).toEqual([]);
		expect(promised.filter(({ urgency }) => urgency === "atRisk")).toHaveLength(1);
		expect(doNow.length).toBeGreaterThan(3);
		expect(waiting.length).toBeGreaterThan(1);
		expect(kilns.find(({ name }) => name === "Hopper kiln")?.state).toBe("running");
	});
});
