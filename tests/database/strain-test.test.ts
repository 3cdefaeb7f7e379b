import { randomUUID } from "node:crypto";
import { firing, glass, piece } from "@db/schema";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { refusal } from "../support/refusal";
import { type DemoStudio, demoStudio } from "../support/studio";

let studio: DemoStudio;
beforeAll(async () => {
	studio = await demoStudio();
});
afterAll(() => studio.close());

/** The demo's window glass, which nobody tested. */
async function pane() {
	const [its] = await studio.db.select().from(glass).where(eq(glass.familyId, "barn-pane"));
	if (!its) throw new Error("no untested glass");
	return its;
}
const lay = async (glassId: string, onFamilyId = "90") => {
	const testId = randomUUID();
	await studio.act("layStrainTest", { testId, glassId, onFamilyId }, { role: "assistant" });
	return testId;
};
const open = async () => (await studio.see("books")).strainTests;
const read = (testId: string, shows: "fits" | "strain" | "nothing") => studio.act("readStrainTest", { testId, shows });

/** Fired by itself, as lots are; opened by nothing but its state. */
async function fired(testId: string) {
	const { kilns } = await studio.see("load");
	const firingId = randomUUID();
	const kilnId = kilns.find(({ name }) => name === "Silo kiln")?.id ?? "";
	await studio.act("fireLots", { firingId, kilnId, lotIds: [testId] });
	return firingId;
}
const setState = (id: string, state: "opened" | "running") =>
	studio.db.update(firing).set({ state }).where(eq(firing.id, id));

describe("a strain test", () => {
	it("waits for a corner of a load of the family it lies on; it is no part, and not laid on what it is already", async () => {
		const its = await pane();
		expect((await refusal(lay(its.id, "barn-pane"))).message).toContain("there is nothing to test");
		const [known] = await studio.db.select().from(glass).where(eq(glass.familyId, "90"));
		expect((await refusal(lay(known?.id ?? "", "barn-pane"))).message).toContain("is untested itself");
		const testId = await lay(its.id);
		expect((await refusal(lay(its.id))).message).toContain("is laid out already");
		expect(await open()).toEqual([{ id: testId, glassId: its.id, onFamilyId: "90", firing: null }]);
		const filler = (await studio.see("load")).fillers.find(({ id }) => id === testId);
		expect(filler).toMatchObject({ name: `${its.name} strain test`, familyId: "90", level: "full", count: 1 });
		const { sessions } = await studio.see("calendar");
		const bags = await studio.see("bags", { session: sessions[0]?.id ?? "" });
		expect(bags.lots.filter(({ id }) => id === testId)).toEqual([]);
		expect((await refusal(studio.act("endLot", { lotId: testId, made: 1 }))).message).toContain("is a strain test");
		expect((await refusal(read(testId, "fits"))).message).toContain("not out of a kiln yet");
		expect(await read(testId, "nothing")).toEqual({ testId, pieces: 0 });
		expect(await open()).toEqual([]);
	});

	it("called off lets go of its firing, never of one that runs; with strain the glass stays apart", async () => {
		const its = await pane();
		const testId = await lay(its.id);
		const firingId = await fired(testId);
		expect((await open())[0]?.firing).toMatchObject({ id: firingId, state: "planned", kiln: "Silo kiln" });
		await setState(firingId, "running");
		expect((await refusal(read(testId, "nothing"))).message).toContain("which runs");
		await setState(firingId, "opened");
		await read(testId, "strain");
		expect((await pane()).familyId).toBe("barn-pane");
		expect(await open()).toEqual([]);
	});

	it("without strain its glass joins the family, and with the last of them the pieces that wait; once", async () => {
		const its = await pane();
		const [waiting] = (await studio.see("load")).trays.flatMap(({ pieces }) => pieces);
		await studio.db
			.update(piece)
			.set({ familyId: "barn-pane" })
			.where(eq(piece.id, waiting?.id ?? ""));
		const blocked = async () => (await studio.see("load")).untested.some(({ id }) => id === waiting?.id);
		expect(await blocked()).toBe(true);
		const others = await studio.db.select().from(glass).where(eq(glass.familyId, "barn-pane"));
		for (const other of others.slice(1))
			await studio.db.update(glass).set({ familyId: "96" }).where(eq(glass.id, other.id));
		const testId = await lay(its.id);
		await setState(await fired(testId), "opened");
		expect((await refusal(studio.act("readStrainTest", { testId, shows: "fits" }, { role: "assistant" }))).status).toBe(
			403,
		);
		const answer = await read(testId, "fits");
		expect(answer.pieces).toBeGreaterThan(0);
		const [now] = await studio.db.select().from(glass).where(eq(glass.id, its.id));
		expect(now).toMatchObject({ familyId: "90", revision: its.revision + 1 });
		expect(await blocked()).toBe(false);
		expect(await read(testId, "fits")).toEqual({ testId, pieces: 0 });
	});

	it("a glass of a known family that joins another takes no piece along", async () => {
		const known = await studio.db.select().from(glass).where(eq(glass.familyId, "96"));
		const [its] = known;
		if (!its) throw new Error("no glass of 96");
		for (const other of known.slice(1))
			await studio.db.update(glass).set({ retired: true }).where(eq(glass.id, other.id));
		const [waiting] = (await studio.see("load")).trays.flatMap(({ pieces }) => pieces);
		await studio.db
			.update(piece)
			.set({ familyId: "96" })
			.where(eq(piece.id, waiting?.id ?? ""));
		const testId = await lay(its.id);
		await setState(await fired(testId), "opened");
		expect(await read(testId, "fits")).toEqual({ testId, pieces: 0 });
	});
});
