import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { refusal } from "../support/refusal";
import { type DemoStudio, demoStudio } from "../support/studio";

let studio: DemoStudio;
beforeAll(async () => {
	studio = await demoStudio();
});
afterAll(() => studio.close());

describe("settings", () => {
	it("are kept on the revision they were seen at, and are what the stations work with from then on", async () => {
		const { settings, schools, revision } = await studio.see("settings");
		const typed = {
			settings: {
				...settings,
				name: "Tailvane Glass",
				units: "in.F" as const,
				clearanceMm: 8,
				spots: ["A2", "Window", ...settings.spots.filter((one) => one !== "A2")],
			},
			schools: { ...schools, cooling: "cautious" as const },
			revision,
		};
		await studio.act("saveSettings", typed);
		const frame = await studio.see("frame");
		expect(frame).toMatchObject({
			studio: "Tailvane Glass",
			clearanceMm: 8,
			units: { length: "in", temperature: "F" },
		});
		expect((await studio.see("schedules")).schools.cooling).toBe("cautious");
		expect((await studio.see("handOver")).spots.slice(0, 2).map(({ label }) => label)).toEqual(["A2", "Window"]);
		expect(await studio.see("settings")).toMatchObject({ ...typed, revision: revision + 1 });
		const late = studio.act("saveSettings", { ...typed, settings: { ...typed.settings, name: "Late" } });
		expect((await refusal(late)).kind).toBe("conflict");
	});

	it("a spot with a piece on it stays; what is no zone, no currency, or twice is told at its field", async () => {
		const { settings, schools, revision } = await studio.see("settings");
		const save = (change: Partial<typeof settings>) =>
			studio.act("saveSettings", { settings: { ...settings, ...change }, schools, revision });
		const taken = await refusal(save({ spots: settings.spots.filter((one) => one !== "A2") }));
		expect(taken.problems).toEqual([
			{ path: ["settings", "spots"], sentence: "Pieces lie at A2. Collect them or move them first." },
		]);
		for (const [change, field] of [
			[{ timeZone: "Middle/Nowhere" }, "timeZone"],
			[{ currency: "XXQ" }, "currency"],
			[{ spots: ["A2", "A2"] }, "spots"],
			[{ clearanceMm: -1 }, "clearanceMm"],
		] as const)
			expect((await refusal(save(change as Partial<typeof settings>))).problems[0]?.path).toEqual(["settings", field]);
		const asAssistant = studio.act("saveSettings", { settings, schools, revision }, { role: "assistant" });
		expect((await refusal(asAssistant)).kind).toBe("forbidden");
	});
});
