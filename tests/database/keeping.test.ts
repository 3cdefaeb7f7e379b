import { randomUUID } from "node:crypto";
import type { KeptThing } from "@contract/keeping";
import { newSchedule } from "@core/firing/document";
import { FAMILY_90 } from "@core/glass/family";
import { kiln, kilnAlarm, kitVersion, sample } from "@db/schema";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { cut, fire, glass, kit, mould, square } from "../support/kit";
import { refusal } from "../support/refusal";
import { type DemoStudio, demoStudio } from "../support/studio";

let studio: DemoStudio;
beforeAll(async () => {
	studio = await demoStudio();
});
afterAll(() => studio.close());

const put = (what: KeptThing, id: string, retired = true) => studio.act("putAway", { what, id, retired });
const strike = (what: KeptThing, id: string) => studio.act("strikeOut", { what, id });
const refused = async (what: KeptThing, id: string) => (await refusal(strike(what, id))).message;
const kitOf = async (name: string) => {
	const { kits } = await studio.see("kits");
	const found = kits.find(({ document }) => document.name === name);
	if (!found) throw new Error(`no kit ${name}`);
	return found;
};
/** A kit of the given glass, kept. */
async function keptKit(name: string, glassId: string, more: { mouldId?: string; sampleId?: string } = {}) {
	const kitId = randomUUID();
	const route = [...fire("full"), ...(more.mouldId ? [{ ...fire("slump")[0], mouldId: more.mouldId }] : [])];
	const document = kit([cut(square(60), 0, 0, 0, glassId)], route as ReturnType<typeof fire>, {
		name,
		sampleId: more.sampleId ?? null,
	});
	await studio.act("saveKit", { kitId, revision: 0, document });
	return kitId;
}

describe("put away", () => {
	it("a kit is offered for no class and no sample, is issued to nobody, and stands in the list for who looks for it", async () => {
		const { id } = await kitOf("Field gate");
		await put("kit", id);
		expect((await studio.see("bench")).kits.map((one) => one.id)).not.toContain(id);
		expect((await studio.see("cut")).kits.map((one) => one.id)).not.toContain(id);
		expect((await studio.see("books")).kits.map((one) => one.id)).not.toContain(id);
		expect((await studio.see("frame")).stations.kits.count).toBe(8);
		expect(await kitOf("Field gate")).toMatchObject({ retired: true });
		const { session, seats } = await studio.see("bench");
		const issue = studio.act("issueKits", {
			sessionId: session?.id ?? "",
			kitId: id,
			promisedDay: null,
			issues: [{ pieceId: randomUUID(), eventId: randomUUID(), studentId: seats[0]?.studentId ?? "" }],
		});
		expect((await refusal(issue)).message).toBe("“Field gate” is put away. Bring it back at Kits first.");
		await put("kit", id, false);
		expect((await studio.see("bench")).kits.map((one) => one.id)).toContain(id);
	});

	it("a kiln with a firing in it stays; an empty one is neither planned for nor listened to, and its alarms end", async () => {
		const busy = (await studio.see("kilnStrip")).kilns.find(({ firing }) => firing);
		expect((await refusal(put("kiln", busy?.id ?? ""))).message).toContain(`Firing ${busy?.firing?.number} is in`);
		const [free] = (await studio.see("kilnStrip")).kilns.filter((one) => !one.firing && one.kind === "electric");
		const id = free?.id ?? "";
		await studio.db
			.insert(kilnAlarm)
			.values({ kilnId: id, kind: "noReading", sentence: ["It is not heard."], startedAt: new Date() });
		await put("kiln", id);
		expect((await studio.see("kilnStrip")).kilns.map((one) => one.id)).not.toContain(id);
		expect((await studio.see("load")).kilns.map((one) => one.id)).not.toContain(id);
		expect((await studio.see("kilns")).kilns.find((one) => one.id === id)?.retired).toBe(true);
		const open = await studio.db.select().from(kilnAlarm).where(eq(kilnAlarm.kilnId, id));
		expect(open.every(({ endedAt }) => endedAt !== null)).toBe(true);
		const plan = studio.act("planFiring", {
			firingId: randomUUID(),
			kilnId: id,
			scheduleId: null,
			document: newSchedule("Everyday", FAMILY_90, undefined),
			what: "test",
		});
		expect((await refusal(plan)).message).toContain("is put away");
		await put("kiln", id, false);
		expect((await studio.see("load")).kilns.map((one) => one.id)).toContain(id);
	});

	it("only by an instructor, and only what is there", async () => {
		const { id } = await kitOf("Field gate");
		const asAssistant = { role: "assistant" } as const;
		const input = { what: "kit" as const, id };
		expect((await refusal(studio.act("putAway", { ...input, retired: true }, asAssistant))).kind).toBe("forbidden");
		expect((await refusal(studio.act("strikeOut", input, asAssistant))).kind).toBe("forbidden");
		expect((await refusal(put("kit", randomUUID()))).kind).toBe("missing");
		expect((await refusal(put("kit", "no id"))).kind).toBe("missing");
	});

	it("who saves a glass that was put away meanwhile does not bring it back", async () => {
		await studio.act("saveGlass", { revision: 0, glass: glass("attic", { name: "Attic green" }) });
		await put("glass", "attic");
		await studio.act("saveGlass", { revision: 1, glass: glass("attic", { name: "Attic green, dark" }) });
		const kept = (await studio.see("books")).glasses.find(({ id }) => id === "attic");
		expect(kept).toMatchObject({ name: "Attic green, dark", retired: true, revision: 2 });
	});
});

describe("struck out", () => {
	it("what nothing refers to is gone; the same press twice is one", async () => {
		const kitId = await keptKit("Loose idea", "clear");
		await strike("kit", kitId);
		await strike("kit", kitId);
		expect((await studio.see("kits")).kits.map(({ id }) => id)).not.toContain(kitId);
		const ovenId = randomUUID();
		await studio.act("saveOven", { oven: { id: ovenId, name: "Old oven", watts: [500] }, revision: 0 });
		await strike("oven", ovenId);
		expect((await studio.see("microwave")).ovens.map(({ id }) => id)).not.toContain(ovenId);
	});

	it("a kit that was issued stays, with how many pieces; a version that nothing was made of goes with its kit", async () => {
		const issued = (await studio.see("kits")).kits.find((one) => one.issued > 0);
		expect(await refused("kit", issued?.id ?? "")).toMatch(
			new RegExp(`stays in the book for ${issued?.issued} pieces? issued of it.*Put it away instead`),
		);
		const kitId = await keptKit("Frozen idea", "clear");
		const { kit: kept } = await studio.see("kit", { id: kitId });
		await studio.db.insert(kitVersion).values({
			keptId: kitId,
			version: 1,
			revision: 1,
			document: kept.document,
			reading: kept.reading,
			frozenAt: new Date(),
		});
		await strike("kit", kitId);
		expect(await studio.db.select().from(kitVersion).where(eq(kitVersion.keptId, kitId))).toEqual([]);
	});

	it("a glass and a mould stay for every kit, palette, version and sample that names them", async () => {
		await studio.act("saveGlass", { revision: 0, glass: glass("ochre") });
		await studio.act("saveGlass", { revision: 0, glass: glass("umber") });
		await studio.act("saveMould", { revision: 0, mould: mould("trough") });
		const kitId = await keptKit("Trough", "ochre", { mouldId: "trough" });
		expect(await refused("glass", "ochre")).toBe("“ochre” stays in the book for 1 kit. Put it away instead.");
		expect(await refused("mould", "trough")).toContain("1 kit.");
		const { kit: kept } = await studio.see("kit", { id: kitId });
		const palettes = [{ id: "p", name: "Dusk", glass: { ochre: "umber" } }];
		await studio.act("saveKit", { kitId, revision: 1, document: { ...kept.document, palettes } });
		expect(await refused("glass", "umber")).toContain("1 kit.");
		const [any] = await studio.db.select().from(sample).limit(1);
		await studio.db
			.update(sample)
			.set({ document: kept.document })
			.where(eq(sample.id, any?.id ?? ""));
		expect(await refused("glass", "ochre")).toContain("1 kit, 1 sample.");
		await strike("kit", kitId);
		expect(await refused("mould", "trough")).toContain("1 sample.");
	});

	it("a sample stays for the kit that began from it, a schedule and an oven for their firings", async () => {
		const [any] = (await studio.see("books")).samples;
		const kitId = await keptKit("After a sample", "clear", { sampleId: any?.id ?? "" });
		expect(await refused("sample", any?.id ?? "")).toContain("1 kit.");
		await strike("kit", kitId);
		const { ovens } = await studio.see("microwave");
		expect(await refused("oven", ovens[0]?.id ?? "")).toContain("firing");
		const scheduleId = randomUUID();
		const document = newSchedule("Once only", FAMILY_90, undefined);
		await studio.act("saveSchedule", { scheduleId, revision: 0, document });
		const [free] = (await studio.see("load")).kilns;
		await studio.act("planFiring", { firingId: randomUUID(), kilnId: free?.id ?? "", scheduleId, document, what: "x" });
		expect(await refused("schedule", scheduleId)).toContain("1 firing.");
		await put("schedule", scheduleId);
		expect((await studio.see("schedules")).schedules.map(({ id }) => id)).not.toContain(scheduleId);
		expect((await studio.see("schedule", { id: scheduleId })).schedule?.retired).toBe(true);
	});

	it("a kiln goes only while nothing was fired, read or taught in it", async () => {
		const [fired] = await studio.db.select().from(kiln).limit(1);
		expect(await refused("kiln", fired?.id ?? "")).toContain("firings");
		const { form } = await studio.see("kiln", { id: fired?.id ?? "" });
		const id = randomUUID();
		await studio.act("saveKiln", { kiln: { ...form, id, name: "Typed by mistake", line: null }, revision: 0 });
		await strike("kiln", id);
		expect((await studio.see("kilns")).kilns.map((one) => one.id)).not.toContain(id);
	});
});

describe("the kits’ list", () => {
	it("knows when each was used last, the courses it was for, and its hours as the studio fires", async () => {
		const { kits } = await studio.see("kits");
		for (const { hours, document } of kits) expect(hours, document.name).toBeGreaterThan(5);
		const { session, runs } = await studio.see("cut");
		const cutToday = kits.find(({ id }) => id === runs[0]?.kitId);
		expect(cutToday?.courses.map(({ title }) => title)).toContain(session?.title);
		const { document, id, usedAt } = await kitOf("Field gate");
		await studio.act("saveKit", { kitId: id, revision: 1, document: { ...document, note: "Wider" } });
		expect((await kitOf("Field gate")).usedAt > usedAt).toBe(true);
		const before = (await kitOf("Contour-map dish")).hours ?? 0;
		const { schools } = await studio.see("schedules");
		const { revision, ...now } = schools;
		await studio.act("saveSchools", { schools: { ...now, cooling: "cautious" }, revision });
		expect((await kitOf("Contour-map dish")).hours).toBeGreaterThan(before);
	});
});
