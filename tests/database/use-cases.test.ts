import { randomUUID } from "node:crypto";
import type { AsMade } from "@core/journey/events";
import { journeyOf } from "@core/journey/journey";
import { emptyKit } from "@core/kit/kit";
import { storeReadings } from "@db/queries/readings";
import { firing, photo, piece, pieceEvent, student } from "@db/schema";
import { Refusal } from "@server/house/refusal";
import { eq } from "drizzle-orm";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { cut, square } from "../support/kit";
import { type DemoStudio, demoStudio } from "../support/studio";

let studio: DemoStudio;
beforeAll(async () => {
	studio = await demoStudio();
});
afterAll(() => studio.close());

const asMade: AsMade = { widthMm: 96, heightMm: 96, thickestMm: 6, thinnestMm: 6, massG: null, changed: "" };

async function refusal(work: Promise<unknown>): Promise<Refusal> {
	try {
		await work;
	} catch (error) {
		if (error instanceof Refusal) return error;
		throw error;
	}
	throw new Error("It was not refused.");
}

async function issueOne(): Promise<string> {
	const { session, seats, kits } = await studio.see("bench");
	const pieceId = randomUUID();
	await studio.act("issueKits", {
		sessionId: session?.id ?? "",
		kitId: kits.find(({ document }) => document.name.startsWith("Nine"))?.id ?? "",
		promisedDay: null,
		issues: [{ pieceId, eventId: randomUUID(), studentId: seats[0]?.studentId ?? "" }],
	});
	return pieceId;
}

async function handedIn(): Promise<{ pieceId: string; seq: number }> {
	const pieceId = await issueOne();
	await studio.act("handIn", { pieceId, eventId: randomUUID(), seq: 1, asMade, glue: "none", level: "full" });
	return { pieceId, seq: 2 };
}

describe("a step of a piece", () => {
	it("counts once however often it is sent, also at the same time", async () => {
		const pieceId = await issueOne();
		const input = { pieceId, eventId: randomUUID(), seq: 1, asMade, glue: "none" as const, level: "full" as const };
		await Promise.all([studio.act("handIn", input), studio.act("handIn", input), studio.act("handIn", input)]);
		const events = await studio.db.select().from(pieceEvent).where(eq(pieceEvent.pieceId, pieceId));
		expect(events).toHaveLength(2);
	});

	it("decided on an older state is a conflict that says what happened", async () => {
		const { pieceId } = await handedIn();
		const late = await refusal(
			studio.act("handIn", { pieceId, eventId: randomUUID(), seq: 1, asMade, glue: "none", level: "full" }),
		);
		expect(late.status).toBe(409);
		expect(late.message).toContain("was handed in while you were working on it");
	});

	it("of two at once exactly one wins", async () => {
		const { pieceId, seq } = await handedIn();
		const results = await Promise.allSettled([
			studio.act("reglue", { pieceId, eventId: randomUUID(), seq, glue: "whiteGlue" }),
			studio.act("reglue", { pieceId, eventId: randomUUID(), seq, glue: "lacquer" }),
		]);
		expect(results.map(({ status }) => status).sort()).toEqual(["fulfilled", "rejected"]);
	});

	it("that is not possible now says in what state the piece is", async () => {
		const pieceId = await issueOne();
		const early = await refusal(studio.act("collect", { pieceId, eventId: randomUUID(), seq: 1, by: "the owner" }));
		expect(early.message).toContain("This piece is on the bench");
	});

	it("can be undone, and the record keeps both", async () => {
		const { pieceId, seq } = await handedIn();
		await studio.act("undo", { pieceId, eventId: randomUUID(), seq });
		const [row] = await studio.db.select().from(piece).where(eq(piece.id, pieceId));
		expect(row).toMatchObject({ state: "issued", seq: 3 });
		expect((await refusal(studio.act("undo", { pieceId, eventId: randomUUID(), seq: 3 }))).message).toContain(
			"nothing here that can be undone",
		);
	});

	it("leaves a stored state that is exactly what its events derive, for every piece of the demo", async () => {
		const rows = await studio.db.select().from(piece);
		const events = await studio.db.select().from(pieceEvent).orderBy(pieceEvent.seq);
		for (const row of rows) {
			const own = events
				.filter(({ pieceId }) => pieceId === row.id)
				.map(({ data, seq, happenedAt }) => ({ ...data, seq, at: happenedAt.toISOString() }));
			const derived = JSON.parse(JSON.stringify(journeyOf(own)));
			expect({ state: row.state, seq: row.seq, journey: row.journey }).toEqual({
				state: derived.state,
				seq: derived.seq,
				journey: derived,
			});
		}
	});

	it("keeps the name of another collector out of the events, and on the piece", async () => {
		const { spots } = await studio.see("handOver");
		const ready = spots.flatMap(({ pieces }) => pieces)[0];
		const input = { pieceId: ready?.id ?? "", eventId: randomUUID(), seq: ready?.seq ?? 0, by: "her neighbour Jorun" };
		await studio.act("collect", input);
		expect((await studio.see("piece", { code: ready?.code ?? "" })).collectedBy).toBe("her neighbour Jorun");
		const events = await studio.db
			.select({ data: pieceEvent.data })
			.from(pieceEvent)
			.where(eq(pieceEvent.id, input.eventId));
		expect(JSON.stringify(events)).not.toContain("Jorun");
	});

	it("carries no name of a student in its payload", async () => {
		const names = (await studio.db.select({ name: student.name }).from(student)).map(({ name }) => name);
		const payloads = JSON.stringify(await studio.db.select({ data: pieceEvent.data }).from(pieceEvent));
		for (const name of names) expect(payloads).not.toContain(name);
	});
});

describe("bad input", () => {
	it.each([
		["too wide", { ...asMade, widthMm: 5000 }, "Width must be at most 1500 mm."],
		["not a number", { ...asMade, widthMm: Number.NaN }, "Width must be a number."],
		["thin over thick", { ...asMade, thinnestMm: 7 }, "The thinnest point cannot be thicker"],
		["no weight", { ...asMade, massG: 0 }, "Weight must be at least 0.1 g."],
		["a long story", { ...asMade, changed: "x".repeat(501) }, "What changed must be at most 500 characters."],
	])("%s gets a sentence that names field and limit", async (_, made, sentence) => {
		const pieceId = await issueOne();
		const refused = await refusal(
			studio.act("handIn", { pieceId, eventId: randomUUID(), seq: 1, asMade: made, glue: "none", level: "full" }),
		);
		expect(refused.status).toBe(400);
		expect(refused.message).toContain(sentence);
	});

	it("an assistant may not change a kit", async () => {
		const { kits } = await studio.see("kits");
		const kit = kits[0];
		if (!kit) throw new Error("demo has kits");
		const refused = await refusal(
			studio.act("saveKit", { kitId: kit.id, revision: kit.revision, document: kit.document }, { role: "assistant" }),
		);
		expect(refused.status).toBe(403);
	});
});

describe("kits", () => {
	it("what was issued keeps the version it had; an older draft is not saved over a newer one", async () => {
		const { kits } = await studio.see("kits");
		const kit = kits.find(({ document }) => document.name.startsWith("Nine"));
		if (!kit) throw new Error("demo has the coaster");
		const pieceId = await issueOne();
		const renamed = { ...kit.document, name: "Nine-patch trivet" };
		await studio.act("saveKit", { kitId: kit.id, revision: kit.revision, document: renamed });
		const old = await refusal(studio.act("saveKit", { kitId: kit.id, revision: kit.revision, document: kit.document }));
		expect(old.status).toBe(409);
		const [row] = await studio.db.select({ code: piece.code }).from(piece).where(eq(piece.id, pieceId));
		expect((await studio.see("piece", { code: row?.code ?? "" })).piece.kit).toBe("Nine-patch coaster");
		await studio.act("saveKit", { kitId: kit.id, revision: kit.revision + 1, document: kit.document });
	});

	it("of mixed families is drawn but not issued", async () => {
		const kitId = randomUUID();
		const part = (glassId: string, layer: number) => cut(square(60), layer, 0, 0, glassId);
		await studio.act("saveKit", {
			kitId,
			revision: 0,
			document: { ...emptyKit("Mixed"), parts: [part("clear", 0), part("lantern-96", 1)] },
		});
		const { session, seats } = await studio.see("bench");
		const refused = await refusal(
			studio.act("issueKits", {
				sessionId: session?.id ?? "",
				kitId,
				promisedDay: null,
				issues: [{ pieceId: randomUUID(), eventId: randomUUID(), studentId: seats[0]?.studentId ?? "" }],
			}),
		);
		expect(refused.message).toContain("mixed or untested families");
	});
});

describe("loads and firings", () => {
	it("a load is checked again when it is accepted, fires, opens only when cool, and is judged", async () => {
		const pieces = [await handedIn(), await handedIn()];
		const { kilns } = await studio.see("load");
		const silo = kilns.find(({ name }) => name === "Silo kiln");
		const firingId = randomUUID();
		const stale = await refusal(
			studio.act("acceptLoad", {
				firingId,
				kilnId: silo?.id ?? "",
				pieces: pieces.map(({ pieceId }) => ({ pieceId, seq: 1 })),
			}),
		);
		expect(stale.status).toBe(409);
		const chosen = { firingId, kilnId: silo?.id ?? "", pieces };
		const accepted = await studio.act("acceptLoad", chosen);
		expect(await studio.act("acceptLoad", chosen)).toEqual(accepted); // sent twice, planned once
		expect((await refusal(studio.act("acceptLoad", { ...chosen, firingId: randomUUID() }))).message).toContain(
			"changed while you were planning",
		);

		const start = new Date();
		await studio.act("startFiring", { firingId, speedUp: 60, somebodyThere: true }, { now: start });
		expect((await refusal(studio.act("cancelFiring", { firingId }))).message).toContain("has started");
		const hot = await refusal(
			studio.act("openFiring", { firingId, earlyReason: "in a great hurry" }, { role: "assistant" }),
		);
		expect(hot.status).toBe(403);
		expect((await refusal(studio.act("openFiring", { firingId, earlyReason: "" }))).problems[0]?.path).toEqual([
			"earlyReason",
		]);

		const [row] = await studio.db.select().from(firing).where(eq(firing.id, firingId));
		const later = new Date(start.getTime() + (((row?.openS ?? 0) + 7200) / 60) * 1000);
		const cold = {
			kilnId: row?.kilnId ?? "",
			at: later,
			airC: 34,
			setC: null,
			firingId,
			elapsedS: (row?.openS ?? 0) + 7200,
		};
		expect(await storeReadings(studio.db, [cold])).toBe(1);
		await studio.act("openFiring", { firingId, earlyReason: "" }, { now: later });
		const [first, second] = pieces;
		const judgement = { firingId, level: "full" as const, faults: [], note: "" };
		const its = { ...judgement, pieceId: first?.pieceId ?? "", eventId: randomUUID(), seq: 4, next: "ready" as const };
		const none = await refusal(studio.act("judge", { ...its, good: 0 }));
		expect(none.problems[0]?.path).toEqual(["next"]);
		await studio.act("judge", { ...its, good: 11 });
		const ready = (await studio.see("handOver")).ready.find(({ id }) => id === first?.pieceId);
		expect(ready?.good).toBe(11);
		const noFurther = await refusal(
			studio.act("judge", {
				...judgement,
				pieceId: second?.pieceId ?? "",
				eventId: randomUUID(),
				seq: 4,
				next: "nextFiring",
			}),
		);
		expect(noFurther.message).toContain("no further firing");
		const { firings } = await studio.see("open");
		expect(
			firings.find(({ id }) => id === firingId)?.pieces.filter(({ judgedLevel }) => judgedLevel === null),
		).toHaveLength(1);
	});

	it("called off, every piece is back in its tray", async () => {
		const one = await handedIn();
		const { kilns } = await studio.see("load");
		const firingId = randomUUID();
		await studio.act("acceptLoad", {
			firingId,
			kilnId: kilns.find(({ name }) => name === "Silo kiln")?.id ?? "",
			pieces: [one],
		});
		expect(await studio.act("cancelFiring", { firingId })).toEqual({ released: 1 });
		const [row] = await studio.db.select().from(piece).where(eq(piece.id, one.pieceId));
		expect(row?.state).toBe("queued");
	});
});

describe("photos", () => {
	it("are turned upright and lose their camera data", async () => {
		const pieceId = await issueOne();
		const eventId = randomUUID();
		const bytes = await sharp({ create: { width: 400, height: 200, channels: 3, background: "#446688" } })
			.withExif({ IFD0: { Artist: "somebody" }, IFD3: { GPSLatitude: "51/1 30/1 0/1" } })
			.withMetadata({ orientation: 6 })
			.jpeg()
			.toBuffer();
		await studio.act("addPhoto", { pieceId, eventId }, { bytes });
		const [row] = await studio.db.select().from(photo).where(eq(photo.id, eventId));
		expect([row?.widthPx, row?.heightPx]).toEqual([200, 400]);
		expect((await sharp(row?.image).metadata()).exif).toBeUndefined();
	});

	it.each([
		["a page", Buffer.from("<html><script>alert(1)</script></html>")],
		[
			"a drawing with a script",
			Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>1</script></svg>'),
		],
		["nothing", Buffer.alloc(0)],
	])("%s is refused with a sentence", async (_, bytes) => {
		const refused = await refusal(studio.act("addPhoto", { pieceId: randomUUID(), eventId: randomUUID() }, { bytes }));
		expect(refused.message).toContain("not a photo that can be read");
	});

	it("too large is refused before it is read", async () => {
		const refused = await refusal(
			studio.act(
				"addPhoto",
				{ pieceId: randomUUID(), eventId: randomUUID() },
				{ bytes: Buffer.alloc(16 * 1024 * 1024) },
			),
		);
		expect(refused.status).toBe(413);
	});
});
