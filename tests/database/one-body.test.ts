import { randomUUID } from "node:crypto";
import { demandOf } from "@core/firing/demand";
import type { PieceEventData } from "@core/journey/events";
import type { KitDesign } from "@core/kit/kit";
import { toFire } from "@core/piece/to-fire";
import { glass, mould, piece } from "@db/schema";
import { recordSteps } from "@server/pieces/models/record";
import { and, eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { bar, box, cut, kit } from "../support/kit";
import { refusal } from "../support/refusal";
import { type DemoStudio, demoStudio } from "../support/studio";

/** A piece in front of a firing is the same on every screen that tells of it. Measures and kit are made up. */
let studio: DemoStudio;
let glassId = "";
beforeAll(async () => {
	studio = await demoStudio();
	const [clear] = await studio.db
		.select()
		.from(glass)
		.where(and(eq(glass.familyId, "90"), eq(glass.form, "sheet"), eq(glass.thicknessMm, 3)));
	glassId = clear?.id ?? "";
});
afterAll(() => studio.close());

/** A panel of one single that gets strips of two singles in its second firing, and is slumped in a third. */
const panel = (): KitDesign => {
	const strip = (layer: number, yMm: number) =>
		cut(bar(150, 18), layer, 0, yMm, glassId, { id: randomUUID(), firing: 1 });
	return kit(
		[
			cut(box(170, 110), 0, 0, 0, glassId, { id: randomUUID() }),
			...[-30, 30].flatMap((yMm) => [strip(1, yMm), strip(2, yMm)]),
		],
		[
			{ level: "full", handWork: "" },
			{ level: "contour", handWork: "" },
			{ level: "slump", handWork: "" },
		],
		{ name: `Weather strip panel ${randomUUID().slice(0, 4)}` },
	);
};

/** A piece of a new kit, in the hands of its student. */
async function issued(document: KitDesign): Promise<string> {
	const kitId = randomUUID();
	await studio.act("saveKit", { kitId, revision: 0, document });
	const { session, seats } = await studio.see("bench");
	const pieceId = randomUUID();
	const issue = { pieceId, eventId: randomUUID(), studentId: seats[0]?.studentId ?? "" };
	await studio.act("issueKits", { sessionId: session?.id ?? "", kitId, promisedDay: null, issues: [issue] });
	return pieceId;
}

async function handedIn(made: { thickestMm: number; thinnestMm: number }) {
	const pieceId = await issued(panel());
	const asMade = { widthMm: 171, heightMm: 110, massG: null, changed: "", ...made };
	await studio.act("handIn", { pieceId, eventId: randomUUID(), seq: 1, asMade, glue: "none", level: "full" });
	const [row] = await studio.db.select().from(piece).where(eq(piece.id, pieceId));
	return { pieceId, code: row?.code ?? "", asMade };
}

/** Through its next firing, as it was wanted, and on. */
async function fired(pieceId: string) {
	const [before] = await studio.db.select().from(piece).where(eq(piece.id, pieceId));
	const level = before?.journey.level ?? "full";
	const firingId = (await studio.see("fire")).firings[0]?.id ?? "";
	const steps: PieceEventData[] = [
		{ type: "placed", firingId },
		{ type: "firingStarted", firingId },
		{ type: "judged", firingId, level, faults: [], next: "nextFiring", note: "" },
	];
	for (const data of steps)
		await studio.db.transaction((tx) =>
			recordSteps({ tx, ...studio.who("instructor", new Date()) } as never, [{ pieceId, eventId: randomUUID(), data }]),
		);
}

/** What each screen says of a waiting piece, as a schedule has to know it. */
async function told(code: string) {
	const { trays } = await studio.see("load");
	const inTray = trays.flatMap(({ pieces }) => pieces).find((one) => one.code === code);
	const { pieces } = await studio.see("plan");
	const planned = pieces.find((one) => one.code === code)?.route[0]?.body;
	const { document } = await studio.see("schedule", { piece: code });
	const onPage = (await studio.see("piece", { code })).piece;
	return {
		tray: inTray?.body && toFire("x", inTray.body),
		plan: planned && toFire("x", planned),
		bench: document.pieces[0] && { ...document.pieces[0], id: "x" },
		page: onPage.body && toFire("x", onPage.body),
		from: onPage.body?.from,
	};
}

describe("a piece that gets glass in its second firing", () => {
	it("is told alike at its tray, in the plan, on the schedule bench and on its page, in each of its firings", async () => {
		const { pieceId, code } = await handedIn({ thickestMm: 3.4, thinnestMm: 3.1 });
		const soaks: number[] = [];
		for (const from of ["measured", "measuredBefore", "measuredBefore"]) {
			const { tray, from: itsFrom, ...others } = await told(code);
			expect(itsFrom).toBe(from);
			expect(tray).toBeDefined();
			for (const [where, one] of Object.entries(others)) expect([where, one]).toEqual([where, tray]);
			soaks.push(demandOf(tray as NonNullable<typeof tray>, { cooling: "usual", warmUp: "usual" }).soakMin);
			await fired(pieceId);
		}
		const [plain = 0, added = 0] = soaks;
		expect(added).toBeGreaterThan(3 * plain);
	});

	it("is measured again with what was added, and then that counts; the same sent twice counts once", async () => {
		const { pieceId, code, asMade } = await handedIn({ thickestMm: 3.4, thinnestMm: 3.1 });
		await fired(pieceId);
		const { piece: before } = await studio.see("piece", { code });
		const now = { ...asMade, thickestMm: 9.6, thinnestMm: 3.2 };
		const input = { pieceId, eventId: randomUUID(), seq: before.seq, asMade: now };
		await studio.act("measure", input);
		await studio.act("measure", input);
		const { piece: after, history } = await studio.see("piece", { code });
		expect(after.body).toMatchObject({ from: "measured", thickestMm: 9.6, thinnestMm: 3.2 });
		expect(history.filter(({ event }) => event.type === "measured")).toHaveLength(1);
		expect((await refusal(studio.act("measure", { ...input, eventId: randomUUID() }))).status).toBe(409);
		await studio.act("undo", { pieceId, eventId: randomUUID(), seq: after.seq });
		expect((await studio.see("piece", { code })).piece.body?.from).toBe("measuredBefore");
	});

	it("leaves the curve of a firing that is over as it was, whatever the piece becomes afterwards", async () => {
		const { pieceId, code, asMade } = await handedIn({ thickestMm: 3.4, thinnestMm: 3.1 });
		const firingId = randomUUID();
		const { kilns } = await studio.see("load");
		const load = { firingId, kilnId: kilns.find(({ name }) => name === "Silo kiln")?.id ?? "" };
		await studio.act("acceptLoad", { ...load, pieces: [{ pieceId, seq: 2 }] });
		await studio.act("startFiring", { firingId, speedUp: 1, somebodyThere: true });
		const lay = async () => (await studio.see("schedule", { firing: firingId })).firing?.heat;
		const hot = await lay();
		expect(hot?.thicknessMm).toBe(3.4);
		await studio.act("openFiring", { firingId, earlyReason: "only a test of the book" });
		expect(await lay()).toEqual(hot);
		const judged = { pieceId, eventId: randomUUID(), seq: 4, level: "full" as const, faults: [], note: "" };
		await studio.act("judge", { ...judged, firingId, next: "nextFiring" });
		const { piece: before } = await studio.see("piece", { code });
		const thicker = { ...asMade, thickestMm: 9.6, massG: 240 };
		await studio.act("measure", { pieceId, eventId: randomUUID(), seq: before.seq, asMade: thicker });
		expect(await lay()).toEqual(hot);
	});
});

describe("a piece that its mould does not take", () => {
	it("goes on another that serves, by one press; not on one that is too small, away or a frame, and not from the shelf", async () => {
		const dish = (name: string, mm: number, change = {}) => ({
			...{ id: `m${randomUUID().slice(0, 8)}`, name, kind: "dish" as const, opening: "rectangle" as const },
			...{ widthMm: mm, heightMm: mm - 30, depthMm: 24, texture: "", vented: true, release: "washed" as const },
			...{ count: 2, maxC: 900, renewAfter: null, ...change },
		});
		const tight = dish("Tight tray", 150);
		const wide = dish("Wide tray", 240);
		const away = dish("Tray put away", 240);
		const frame = dish("Frame of slats", 240, { kind: "frame" as const });
		for (const one of [tight, wide, away, frame]) await studio.act("saveMould", { mould: one, revision: 0 });
		await studio.db.update(mould).set({ retired: true }).where(eq(mould.id, away.id));
		const base = [cut(box(190, 120), 0, 0, 0, glassId, { id: randomUUID() })];
		const route = [{ level: "slump" as const, handWork: "", mouldId: tight.id }];
		const pieceId = await issued(kit(base, route, { name: `Trough ${randomUUID().slice(0, 4)}` }));
		const asMade = { widthMm: 191, heightMm: 120, thickestMm: 3.1, thinnestMm: 3, massG: null, changed: "" };
		await studio.act("handIn", { pieceId, eventId: randomUUID(), seq: 1, asMade, glue: "none", level: "slump" });
		expect((await studio.see("load")).onMould.find(({ mouldId }) => mouldId === tight.id)?.trouble).toBe("tooSmall");
		const [row] = await studio.db.select().from(piece).where(eq(piece.id, pieceId));
		const code = row?.code ?? "";
		const { moulds } = await studio.see("piece", { code });
		expect(moulds?.find(({ id }) => id === tight.id)?.trouble).toBe("tooSmall");
		expect(moulds?.find(({ id }) => id === wide.id)).toMatchObject({ trouble: null, shortMm: 90 });
		expect(moulds?.some(({ id }) => id === away.id || id === frame.id)).toBe(false);
		const on = (mouldId: string) =>
			studio.act("chooseMould", { pieceId, eventId: randomUUID(), seq: 2, mouldId }, { role: "assistant" });
		expect((await refusal(on(tight.id))).message).toContain("larger than the opening");
		expect((await refusal(on(away.id))).message).toContain("put away");
		expect((await refusal(on(frame.id))).message).toContain("does not serve");
		const press = { pieceId, eventId: randomUUID(), seq: 2, mouldId: wide.id };
		await studio.act("chooseMould", press);
		expect(await studio.act("chooseMould", press)).toEqual({ seq: 3 }); // sent twice, done once
		expect((await refusal(on(wide.id))).status).toBe(409);
		const load = await studio.see("load");
		expect(load.onMould.some(({ mouldId }) => mouldId === tight.id)).toBe(false);
		expect(load.trays.flatMap(({ pieces }) => pieces).some(({ id }) => id === pieceId)).toBe(true);
		expect(load.moulds[pieceId]?.widthMm).toBe(240);
		// No kit names it: the piece alone keeps it in the book.
		const removed = studio.act("strikeOut", { what: "mould", id: wide.id });
		expect((await refusal(removed)).message).toContain("piece that goes on it");
		const after = await studio.see("piece", { code });
		expect(after.history.at(-1)?.event).toMatchObject({ type: "remoulded", mouldId: wide.id });
		await studio.act("undo", { pieceId, eventId: randomUUID(), seq: after.piece.seq });
		expect((await studio.see("piece", { code })).piece.route[0]?.mouldId).toBe(tight.id);
		const { pieceId: flat } = await handedIn({ thickestMm: 3.4, thinnestMm: 3.1 });
		const none = studio.act("chooseMould", { pieceId: flat, eventId: randomUUID(), seq: 2, mouldId: wide.id });
		expect((await refusal(none)).message).toContain("on the shelf");
	});
});
