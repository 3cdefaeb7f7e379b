import { randomUUID } from "node:crypto";
import type { SettingsView } from "@contract/studio";
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

	it("customs are what the stations go by: spares, drying, hours, paper, tariff, cautions, numbering", async () => {
		const before = await studio.see("settings");
		const customs = {
			...before.settings.customs,
			spares: { share: 0.5, least: 1 },
			dryMin: { ...before.settings.customs.dryMin, whiteGlue: 90 },
			assistantsMay: { load: false, open: true },
			paper: "a4" as const,
			tariff: { kwhMinor: 31.5, shelfHourMinor: 200 },
			usualHours: { queue: 900, firing: 20, judge: 12, coldWork: 24, wrap: 4 },
			cautions: { ...before.settings.customs.cautions, dry: "Fan on.\nDoor shut." },
		};
		const promised = async () =>
			(await studio.see("today")).promised.filter(({ urgency }) => urgency === "atRisk").length;
		const [cutBefore, atRisk] = [await studio.see("cut"), await promised()];
		const nextFiring = before.settings.nextFiring + 40;
		await studio.act("saveSettings", { ...pick(before), settings: { ...before.settings, customs, nextFiring } });

		const frame = await studio.see("frame");
		expect(frame.customs.cautions.dry).toBe("Fan on.\nDoor shut.");
		expect(frame.customs).not.toHaveProperty("tariff");
		expect((await studio.see("labels")).paper).toBe("a4");
		const cutAfter = await studio.see("cut", cutBefore.session ? { session: cutBefore.session.id } : {});
		for (const line of cutAfter.runs
			.flatMap(({ lines }) => lines)
			.filter(({ shape, stripMm }) => shape && stripMm < 100))
			expect(line.spares).toBe(Math.max(1, Math.ceil(line.needed / 2)));
		// Nine hundred hours in the queue: no day that was promised of what still waits can be kept.
		expect(await promised()).toBeGreaterThan(atRisk);

		const { trays, kilns } = await studio.see("load");
		const kiln = kilns.find(({ busyWith }) => !busyWith);
		const pieces = trays[0]?.pieces.slice(0, 2) ?? [];
		const asked = { kiln: kiln?.id ?? "", pieces: pieces.map(({ id }) => id).join(",") };
		const proposal = await studio.see("proposal", asked);
		expect(proposal.cost).toEqual({
			powerMinor: Math.round(proposal.kwh * 31.5),
			kilnTimeMinor: Math.round((proposal.openS / 3600) * 200),
		});
		expect((await studio.see("proposal", asked, undefined, "assistant")).cost).toBeNull();
		const load = {
			firingId: randomUUID(),
			kilnId: kiln?.id ?? "",
			pieces: pieces.map(({ id, seq }) => ({ pieceId: id, seq })),
		};
		const byAssistant = await refusal(studio.act("acceptLoad", load, { role: "assistant" }));
		expect(byAssistant.problems[0]?.sentence).toBe(
			"In this studio only instructors load and start kilns. Ask one to do it.",
		);
		expect((await studio.act("acceptLoad", load)).number).toBe(nextFiring);

		const after = await studio.see("settings");
		const again = studio.act("saveSettings", { ...pick(after), settings: { ...after.settings, nextFiring } });
		expect((await refusal(again)).problems[0]?.sentence).toBe(
			`Firing ${nextFiring} is in the book already. The next one is number ${nextFiring + 1} or more.`,
		);
	});

	it("hours that cannot be, spares beyond reason and odd prices are told at their field", async () => {
		const { settings, schools, revision } = await studio.see("settings");
		const { customs } = settings;
		for (const [change, path] of [
			[{ week: [{ from: "18:00", to: "09:00" }, ...customs.week.slice(1)] }, ["week", 0, "to"]],
			[{ quiet: { from: "22:00", to: "22:00" } }, ["quiet", "to"]],
			[{ spares: { share: 1.2, least: 2 } }, ["spares", "share"]],
			[{ tariff: { kwhMinor: -1, shelfHourMinor: null } }, ["tariff", "kwhMinor"]],
			[{ aloneHours: 999 }, ["aloneHours"]],
		] as const) {
			const changed = { ...settings, customs: { ...customs, ...(change as Partial<typeof customs>) } };
			const said = await refusal(studio.act("saveSettings", { settings: changed, schools, revision }));
			expect(said.problems[0]?.path).toEqual(["settings", "customs", ...path]);
		}
	});
});

const pick = ({ settings, schools, revision }: SettingsView) => ({ settings, schools, revision });
