import { randomUUID } from "node:crypto";
import { cutListOf } from "@core/cutting/count";
import { wantedFor } from "@core/cutting/wanted";
import { enrolment, kitDesign, kitVersion, sample } from "@db/schema";
import { and, eq, inArray, ne } from "drizzle-orm";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { refusal } from "../support/refusal";
import { type DemoStudio, demoStudio } from "../support/studio";

let studio: DemoStudio;
beforeAll(async () => {
	studio = await demoStudio();
});
afterAll(() => studio.close());

describe("the cut list of a class", () => {
	const planned = async () => {
		const { session, runs } = await studio.see("cut");
		const listed = new Set(runs.map(({ kitId }) => kitId));
		const kits = await studio.db.select().from(kitDesign);
		const kit = kits.find(({ id }) => !listed.has(id)) ?? kits[0];
		if (!session || !kit) throw new Error("the demo has a class and kits");
		return { sessionId: session.id, kit };
	};

	it("planCut puts a kit on it with every cut times the kits, and freezes what was meant; said again it changes the number", async () => {
		const { sessionId, kit } = await planned();
		const { cutRunId } = await studio.act("planCut", { sessionId, kitId: kit.id, kits: 3 });
		const run = (await studio.see("cut", { session: sessionId })).runs.find(({ id }) => id === cutRunId);
		expect(run?.lines.map(({ key, needed, spares }) => ({ key, needed, spares }))).toEqual(
			cutListOf(wantedFor(kit.document, 3, new Map())).map(({ key, needed, spares }) => ({ key, needed, spares })),
		);
		const [frozen] = await studio.db.select().from(kitVersion).where(eq(kitVersion.keptId, kit.id));
		expect(frozen?.document).toEqual(kit.document);
		expect((await studio.act("planCut", { sessionId, kitId: kit.id, kits: 5 })).cutRunId).toBe(cutRunId);
		const again = (await studio.see("cut", { session: sessionId })).runs.find(({ id }) => id === cutRunId);
		expect(again?.kits).toBe(5);
		expect((await refusal(studio.act("planCut", { sessionId: randomUUID(), kitId: kit.id, kits: 1 }))).status).toBe(
			404,
		);
	});

	it("tickCut counts what is done: a repeated tap once, two people at once every part, none below none", async () => {
		const { runs, session } = await studio.see("cut");
		const [run] = runs;
		const lineKey = run?.lines[0]?.key ?? "";
		const cutRunId = run?.id ?? "";
		const before = run?.lines[0]?.done ?? 0;
		await studio.db.execute(`update cut_run set kits = 80 where id = '${cutRunId}'`);
		const tap = (more: number, change = {}) => ({ cutRunId, lineKey, eventId: randomUUID(), more, ...change });
		const four = tap(4);
		for (let i = 0; i < 2; i++) expect(await studio.act("tickCut", four)).toMatchObject({ done: before + 4 });
		await Promise.all(
			Array.from({ length: 24 }, (_, i) =>
				studio.act("tickCut", tap(1), { role: i % 2 === 0 ? "instructor" : "assistant" }),
			),
		);
		const seen = (await studio.see("cut", { session: session?.id ?? "" })).runs.find(({ id }) => id === cutRunId);
		expect(seen?.lines.find(({ key }) => key === lineKey)?.done).toBe(before + 28);
		const list = seen?.lines.find(({ key }) => key === lineKey);
		const whole = (list?.needed ?? 0) + (list?.spares ?? 0);
		expect((await refusal(studio.act("tickCut", tap(whole - before - 27)))).message).toContain(
			`${whole} are on the list`,
		);
		expect(await studio.act("tickCut", tap(-1))).toMatchObject({ done: before + 27 });
		expect(await studio.act("tickCut", tap(-900))).toMatchObject({ done: 0 });
		const other = studio.act("tickCut", tap(1, { lineKey: "a cut nobody planned" }));
		expect((await refusal(other)).status).toBe(404);
		expect((await refusal(studio.act("tickCut", tap(1, { cutRunId: randomUUID() })))).status).toBe(404);
	});
});

describe("the safety talk", () => {
	it("signSafety marks those who heard it; a student of another class is refused, and nobody is marked then", async () => {
		const { session, seats } = await studio.see("bench");
		const unsigned = seats.filter(({ safetySigned }) => !safetySigned);
		expect(unsigned.length).toBeGreaterThan(0);
		const studentIds = unsigned.map(({ studentId }) => studentId);
		const sessionId = session?.id ?? "";
		const strange = studio.act("signSafety", { sessionId, studentIds: [...studentIds, randomUUID()] });
		expect((await refusal(strange)).status).toBe(404);
		const still = (await studio.see("bench", { session: sessionId })).seats.filter(({ safetySigned }) => !safetySigned);
		expect(still).toHaveLength(unsigned.length);
		expect(await studio.act("signSafety", { sessionId, studentIds })).toEqual({ signed: unsigned.length });
		const signedAt = () =>
			studio.db
				.select({ at: enrolment.safetySignedAt })
				.from(enrolment)
				.where(and(eq(enrolment.sessionId, sessionId), inArray(enrolment.studentId, studentIds)));
		const first = await signedAt();
		const later = { now: new Date(Date.now() + 3_600_000) };
		expect(await studio.act("signSafety", { sessionId, studentIds }, later)).toEqual({ signed: unsigned.length });
		expect(await signedAt()).toEqual(first); // the first signature counts
		expect((await studio.see("bench", { session: sessionId })).seats.every(({ safetySigned }) => safetySigned)).toBe(
			true,
		);
	});
});

describe("a firing's log", () => {
	it("noteFiring keeps a note once however often it is sent, with the kiln's own time", async () => {
		const { firings } = await studio.see("fire");
		const running = firings.find(({ state }) => state === "running");
		const note = { noteId: randomUUID(), firingId: running?.id ?? "", text: "looked in, even glow" };
		for (let i = 0; i < 2; i++) expect(await studio.act("noteFiring", note)).toEqual({ noteId: note.noteId });
		const { notes } = await studio.see("readings", { firing: note.firingId });
		expect(notes.filter(({ text }) => text === note.text)).toHaveLength(1);
		expect((await refusal(studio.act("noteFiring", { ...note, firingId: randomUUID() }))).status).toBe(404);
	});
});

describe("a picture of a sample", () => {
	it("addSamplePicture keeps it without what the camera wrote, for a sample that is there", async () => {
		const [one] = await studio.db.select().from(sample).limit(1);
		const bytes = await sharp({ create: { width: 400, height: 300, channels: 3, background: "#aa4422" } })
			.withExif({ IFD0: { Copyright: "someone" } })
			.jpeg()
			.toBuffer();
		const sampleId = one?.id ?? "";
		await studio.act("addSamplePicture", { sampleId }, { bytes });
		const [kept] = await studio.db.select().from(sample).where(eq(sample.id, sampleId));
		expect((await sharp(kept?.picture ?? Buffer.alloc(0)).metadata()).exif).toBeUndefined();
		expect((await refusal(studio.act("addSamplePicture", { sampleId: randomUUID() }, { bytes }))).status).toBe(404);
		const [other] = await studio.db.select().from(sample).where(ne(sample.id, sampleId)).limit(1);
		const text = Buffer.from("<svg onload=alert(1)>");
		expect((await refusal(studio.act("addSamplePicture", { sampleId: other?.id ?? "" }, { bytes: text }))).status).toBe(
			400,
		);
	});
});
