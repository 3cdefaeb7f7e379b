import { randomUUID } from "node:crypto";
import { addDays } from "@core/calendar/days";
import type { PieceEventData } from "@core/journey/events";
import { journeyOf } from "@core/journey/journey";
import { planInputOf } from "@core/loading/plan/book";
import { problemOf } from "@core/loading/plan/problem";
import { searchPlan } from "@core/loading/plan/search";
import type { Plan } from "@core/loading/plan/types";
import { PLAN_WEIGHTS } from "@core/loading/plan/weights";
import { firing, firingPlace, glass, kitVersion, mould, piece, pieceEvent, studio as studioTable } from "@db/schema";
import { dayOf } from "@formats/time";
import { wallClockMs } from "@formats/wall-clock";
import { feedFor } from "@server/courses/feed";
import { readKitsAgain } from "@server/jobs/read-kits-again";
import { eq, inArray } from "drizzle-orm";
import ICAL from "ical.js";
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { wrongWithPlan } from "../support/plan-checker";
import { refusal } from "../support/refusal";
import { wrongOnShelf } from "../support/shelf-checker";
import { type DemoStudio, demoStudio } from "../support/studio";

let studio: DemoStudio;
beforeAll(async () => {
	studio = await demoStudio();
});
afterAll(() => studio.close());

const ZONE = async () => (await studio.see("frame")).timeZone;

async function kilnNamed(name: string) {
	const kiln = (await studio.see("load")).kilns.find((one) => one.name === name);
	if (!kiln) throw new Error(name);
	return kiln;
}

/** The largest tray, as the load station shows it now. */
async function tray() {
	const { trays } = await studio.see("load");
	const largest = [...trays].sort((a, b) => b.pieces.length - a.pieces.length)[0];
	if (!largest) throw new Error("nothing waits");
	return largest.pieces.map(({ id, seq, code }) => ({ pieceId: id, seq, code }));
}
const chosen = (all: Awaited<ReturnType<typeof tray>>) => all.map(({ pieceId, seq }) => ({ pieceId, seq }));

/** Ten in the morning of a coming working day, so many days on. */
async function morning(days: number): Promise<string> {
	const zone = await ZONE();
	return new Date(wallClockMs(addDays(dayOf(new Date(), zone), days), "10:00", zone)).toISOString();
}

const planned: string[] = [];
const plan = async (load: Omit<Parameters<typeof studio.act<"acceptLoad">>[1], "firingId">) => {
	const firingId = randomUUID();
	planned.push(firingId);
	await studio.act("acceptLoad", { firingId, ...load });
	return firingId;
};
const callOff = async () => {
	for (const firingId of planned.splice(0)) {
		const [row] = await studio.db.select().from(firing).where(eq(firing.id, firingId));
		if (row?.state === "planned") await studio.act("cancelFiring", { firingId });
	}
};
beforeEach(callOff);

describe("firings planned ahead", () => {
	it("a kiln has several, each at its hour; two at one hour are refused by name, and nothing is written", async () => {
		const silo = await kilnNamed("Silo kiln");
		const all = await tray();
		const first = await plan({ kilnId: silo.id, startsAt: await morning(2), pieces: chosen(all.slice(0, 2)) });
		await plan({ kilnId: silo.id, startsAt: await morning(4), pieces: chosen(all.slice(2, 4)) });
		const rest = all.slice(4, 5);
		const past = await refusal(plan({ kilnId: silo.id, startsAt: await morning(-1), pieces: chosen(rest) }));
		expect(past.message).toContain("is past");
		const clash = await refusal(plan({ kilnId: silo.id, startsAt: await morning(2), pieces: chosen(rest) }));
		const { booked } = await studio.see("plan");
		const number = booked.find(({ id }) => id === first)?.number;
		expect(clash).toMatchObject({ status: 409 });
		expect(clash.message).toContain(`Firing ${number} has this kiln`);
		const [same] = await studio.db
			.select()
			.from(piece)
			.where(eq(piece.id, rest[0]?.pieceId ?? ""));
		expect(same?.state).toBe("queued");
		const ahead = booked.filter(({ kilnId, state }) => kilnId === silo.id && state === "planned");
		expect(ahead).toHaveLength(2);
		for (const { from, peakMs, soakMs, doneMs, coolMs, to } of ahead)
			expect([from, peakMs, soakMs, doneMs, coolMs, to]).toEqual(
				[from, peakMs, soakMs, doneMs, coolMs, to].sort((a, b) => a - b),
			);
	});

	it("of two people who announce the same piece one wins; the other sees why and keeps the rest", async () => {
		const silo = await kilnNamed("Silo kiln");
		const all = await tray();
		const load = (pieces: typeof all, startsAt: string) => ({
			firingId: randomUUID(),
			kilnId: silo.id,
			startsAt,
			pieces: chosen(pieces),
		});
		const [mine, theirs, others] = [
			load(all.slice(0, 2), await morning(2)),
			load(all.slice(1, 3), await morning(4)),
			load(all.slice(3, 4), await morning(6)),
		];
		planned.push(mine.firingId, theirs.firingId, others.firingId);
		const one = await studio.act("acceptPlan", { loads: [mine] });
		expect(one).toMatchObject({ accepted: [{ firingId: mine.firingId }], refused: [] });
		const two = await studio.act("acceptPlan", { loads: [theirs, others] }, { role: "assistant" });
		expect(two.accepted.map(({ firingId }) => firingId)).toEqual([others.firingId]);
		expect(two.refused).toEqual([
			{ firingId: theirs.firingId, sentence: [expect.stringContaining(all[1]?.code ?? "?")] },
		]);
		expect(await studio.db.select().from(firing).where(eq(firing.id, theirs.firingId))).toEqual([]);
		// Sent again it is the same.
		expect((await studio.act("acceptPlan", { loads: [others] })).accepted).toEqual(two.accepted);
	});

	it("planned anew: in place of what was announced all of it is done or nothing", async () => {
		const [silo, hopper] = [await kilnNamed("Silo kiln"), await kilnNamed("Hopper kiln")];
		const all = await tray();
		const old = await plan({ kilnId: silo.id, startsAt: await morning(3), pieces: chosen(all.slice(0, 2)) });
		const kept = await plan({ kilnId: hopper.id, startsAt: await morning(8), pieces: chosen(all.slice(3, 4)) });
		const { movable } = await studio.see("plan");
		const theirs = movable.filter(({ firingId }) => firingId === old);
		expect(theirs.map(({ id }) => id).sort()).toEqual(
			all
				.slice(0, 2)
				.map(({ pieceId }) => pieceId)
				.sort(),
		);
		const fresh = (await tray()).slice(0, 1);
		const anew = (startsAt: string, seq = 0) => ({
			loads: [
				{
					...{ firingId: randomUUID(), kilnId: hopper.id, startsAt },
					pieces: [...chosen(fresh), ...theirs.map((one) => ({ pieceId: one.id, seq: one.seq + seq }))],
				},
			],
			insteadOf: [old],
		});
		const state = async (id: string) => (await studio.db.select().from(firing).where(eq(firing.id, id)))[0]?.state;
		// The kiln is taken in those hours: the old one stands.
		expect((await refusal(studio.act("acceptPlan", anew(await morning(8))))).message).toContain("has this kiln");
		expect((await refusal(studio.act("acceptPlan", anew(await morning(4), 1)))).message).toContain("changed while");
		expect(await state(old)).toBe("planned");
		const wanted = anew(await morning(4));
		planned.push(...wanted.loads.map(({ firingId }) => firingId));
		const done = await studio.act("acceptPlan", wanted);
		expect(done).toMatchObject({ accepted: [{ firingId: wanted.loads[0]?.firingId }], refused: [] });
		expect([await state(old), await state(kept)]).toEqual(["cancelled", "planned"]);
		// Sent again it is the same.
		expect(await studio.act("acceptPlan", wanted)).toEqual(done);
		// Once somebody lays it in, it moves no more.
		await studio.act("confirmPlace", { firingId: wanted.loads[0]?.firingId ?? "", code: theirs[0]?.code ?? "" });
		const left = (await studio.see("plan")).movable.map(({ firingId }) => firingId);
		expect([...new Set(left)]).toEqual([kept]);
	});

	it("one that was called off cannot be had again under its id", async () => {
		const silo = await kilnNamed("Silo kiln");
		const all = await tray();
		const firingId = await plan({ kilnId: silo.id, pieces: chosen(all.slice(0, 1)) });
		await studio.act("cancelFiring", { firingId });
		const again = (await tray()).filter(({ pieceId }) => pieceId === all[0]?.pieceId);
		expect(
			(await refusal(studio.act("acceptLoad", { firingId, kilnId: silo.id, pieces: chosen(again) }))).message,
		).toContain("was called off");
	});

	it("is given another hour or kiln: laid and timed anew there; never into another's hours, never once started", async () => {
		const [silo, hopper] = [await kilnNamed("Silo kiln"), await kilnNamed("Hopper kiln")];
		const all = await tray();
		const first = await plan({ kilnId: silo.id, startsAt: await morning(2), pieces: chosen(all.slice(0, 2)) });
		const second = await plan({ kilnId: silo.id, startsAt: await morning(4), pieces: chosen(all.slice(2, 4)) });
		const row = async () => (await studio.db.select().from(firing).where(eq(firing.id, first)))[0];
		const before = await row();
		await studio.act("moveFiring", { firingId: first, kilnId: silo.id, startsAt: await morning(6) });
		expect((await row())?.openS).toBe(before?.openS);
		const onto = studio.act("moveFiring", { firingId: first, kilnId: silo.id, startsAt: await morning(4) });
		expect((await refusal(onto)).message).toContain("has this kiln");
		await studio.act("moveFiring", { firingId: first, kilnId: hopper.id, startsAt: await morning(6) });
		expect(await row()).toMatchObject({ kilnId: hopper.id, scheduleVersionId: null });
		expect((await row())?.openS).not.toBe(before?.openS);
		await studio.act("startFiring", { firingId: second, speedUp: 3600, somebodyThere: true });
		const started = studio.act("moveFiring", { firingId: second, kilnId: hopper.id, startsAt: await morning(8) });
		expect((await refusal(started)).message).toContain("has started");
	});

	it("may hold a piece whose glue dries until then, but is not started before", async () => {
		const [wet] = (await studio.see("load")).wet;
		if (!wet) throw new Error("nothing is wet");
		const hopper = await kilnNamed("Hopper kiln");
		const pieces = [{ pieceId: wet.id, seq: wet.seq }];
		expect((await refusal(plan({ kilnId: hopper.id, pieces }))).status).toBe(409);
		const firingId = await plan({ kilnId: hopper.id, startsAt: await morning(5), pieces });
		const silo = await kilnNamed("Silo kiln");
		await studio.db.update(firing).set({ kilnId: silo.id }).where(eq(firing.id, firingId));
		// The Silo kiln may still hold what an earlier test fired: then that is what is said.
		const early = await refusal(studio.act("startFiring", { firingId, speedUp: 1, somebodyThere: true }));
		expect(early.message).toMatch(/not dry yet|still holds/);
	});
});

type Chosen = Awaited<ReturnType<typeof tray>>[0];

describe("a load laid by hand", () => {
	it("lies as it was laid; too near or over the edge is refused with both names", async () => {
		const hopper = await kilnNamed("Hopper kiln");
		const all = (await tray()).slice(0, 2);
		const [a, b] = all.map(({ pieceId }) => pieceId) as [string, string];
		const at = (id: string, xMm: number, yMm: number, turnDeg = 0) => ({ id, xMm, yMm, turnDeg, shelf: 0 });
		const lay = (...laid: ReturnType<typeof at>[]) => plan({ kilnId: hopper.id, pieces: chosen(all), laid });
		expect((await refusal(lay(at(a, 150, 200), at(b, 200, 200)))).message).toContain(
			`${all[0]?.code} and ${all[1]?.code}`,
		);
		expect((await refusal(lay(at(a, 20, 200), at(b, 300, 200)))).message).toContain(
			`${all[0]?.code} lies over the edge`,
		);
		expect((await refusal(lay(at(a, 150, 200)))).message).toContain("no longer fit");
		expect((await refusal(lay(at(a, 150, 200), at(a, 400, 200), at(b, 280, 300)))).message).toContain("in two places");
		const firingId = await lay(at(a, 150, 200, 45), at(b, 330, 200));
		const places = await studio.db.select().from(firingPlace).where(eq(firingPlace.firingId, firingId));
		const lies = places.map(({ pieceId, outline, ...one }) => ({ ...one, id: pieceId, outline: outline ?? [] }));
		expect(lies.find(({ id }) => id === a)).toMatchObject({ xMm: 150, yMm: 200, turnDeg: 45 });
		const shelf = {
			widthMm: hopper.shelfWidthMm,
			heightMm: hopper.shelfHeightMm,
			marginMm: hopper.marginMm,
			shape: hopper.shelfShape,
		};
		expect(wrongOnShelf(lies, shelf, 5)).toEqual([]);
		const shown = (await studio.see("fire")).firings.find(({ id }) => id === firingId);
		expect(shown?.pieces.find(({ id }) => id === a)?.place).toMatchObject({ turnDeg: 45 });
	});

	it("lies on two shelves: laid from the lowest, heated with both, on one again in a kiln that has one", async () => {
		const [silo, hopper] = [await kilnNamed("Silo kiln"), await kilnNamed("Hopper kiln")];
		expect([silo.upper.length, hopper.upper.length]).toEqual([1, 0]);
		const [first, second, c, d, e] = (await tray()) as [Chosen, Chosen, Chosen, Chosen, Chosen];
		const all = [first, second];
		const [a, b] = [first.pieceId, second.pieceId];
		const at = (id: string, shelf: number) => ({ id, xMm: 190, yMm: 190, turnDeg: 0, shelf });
		const lay = (...laid: ReturnType<typeof at>[]) => plan({ kilnId: silo.id, pieces: chosen(all), laid });
		expect((await refusal(lay(at(a, 0), at(b, 2)))).message).toContain("a shelf this load does not use");
		const firingId = await lay(at(b, 0), at(a, 1));
		const sheet = await studio.see("loadSheet", { firing: firingId });
		expect(sheet.pieces.map(({ id, place }) => [id, place.shelf])).toEqual([
			[b, 0],
			[a, 1],
		]);
		// A board of 380 × 380 mm and 27 kg a square metre holds 3.5 kJ/K (0.9 kJ/kgK, textbook, from memory).
		const boardJPerK = 0.38 * 0.38 * 27 * 900;
		const one = await plan({ kilnId: silo.id, startsAt: await morning(9), pieces: chosen([c, d]) });
		const heatOf = async (id: string) =>
			(await studio.see("fire")).firings.find((firing) => firing.id === id)?.heat.loadJPerK ?? 0;
		expect((await heatOf(firingId)) - (await heatOf(one))).toBeGreaterThan(0.8 * boardJPerK);
		await studio.act("replaceInLoad", { firingId, outId: a, inId: e.pieceId, inSeq: e.seq });
		const shelves = async () =>
			(await studio.db.select().from(firingPlace).where(eq(firingPlace.firingId, firingId)))
				.map(({ shelf }) => shelf)
				.sort();
		expect(await shelves()).toEqual([0, 1]);
		await studio.act("moveFiring", { firingId, kilnId: hopper.id, startsAt: await morning(11) });
		expect(await shelves()).toEqual([0, 0]);
	});

	it("a kiln keeps the shelves that something is announced on", async () => {
		const { form } = await studio.see("kiln", { id: (await kilnNamed("Silo kiln")).id });
		const kiln = { ...form, id: randomUUID(), name: "Stacked kiln", line: null };
		const { revision } = await studio.act("saveKiln", { kiln, revision: 0 });
		const all = (await tray()).slice(0, 2);
		const laid = all.map(({ pieceId }, shelf) => ({ id: pieceId, xMm: 190, yMm: 190, turnDeg: 0, shelf }));
		await plan({ kilnId: kiln.id, pieces: chosen(all), laid });
		const flat = () => studio.act("saveKiln", { kiln: { ...kiln, upper: [] }, revision });
		expect((await refusal(flat())).message).toContain("is announced on 2 shelves of this kiln");
		await callOff();
		expect(await flat()).toMatchObject({ kilnId: kiln.id });
	});

	it("two families on halves of a shelf: only where the studio mixes them, and each piece on its own half", async () => {
		const hopper = await kilnNamed("Hopper kiln");
		const all = (await tray()).slice(0, 4);
		const foreign = all.slice(0, 2).map(({ pieceId }) => pieceId);
		const set = (familyId: string, mixFamilies: boolean) =>
			studio.db.transaction(async (tx) => {
				await tx.update(piece).set({ familyId }).where(inArray(piece.id, foreign));
				const [row] = await tx.select().from(studioTable);
				if (row) await tx.update(studioTable).set({ customs: { ...row.customs, mixFamilies } });
			});
		await set("96", false);
		expect((await refusal(plan({ kilnId: hopper.id, pieces: chosen(all) }))).message).toContain(
			"one load takes one family",
		);
		await set("96", true);
		expect((await studio.see("load")).mixFamilies).toBe(true);
		const ids = all.map(({ pieceId }) => pieceId);
		const shown = await studio.see("proposal", { kiln: hopper.id, pieces: ids.join(",") });
		expect(shown.reached.map(({ family }) => family.id)).toEqual(["90", "96"]);
		const laid = shown.places.map(({ id, xMm, yMm, turnDeg, shelf }) => ({ id, xMm, yMm, turnDeg, shelf }));
		const [a, b] = [foreign[0], all[2]?.pieceId] as [string, string];
		const idAt = (id: string) => (id === a ? b : id === b ? a : id);
		const mirrored = laid.map((one) => ({ ...one, id: idAt(one.id) }));
		expect((await refusal(plan({ kilnId: hopper.id, pieces: chosen(all), laid: mirrored }))).message).toContain(
			"its family’s half",
		);
		const firingId = await plan({ kilnId: hopper.id, pieces: chosen(all), laid });
		const card = (await studio.see("fire")).firings.find(({ id }) => id === firingId);
		expect([card?.family.id, card?.otherFamily?.id]).toEqual(["90", "96"]);
		for (const { id, place } of card?.pieces ?? [])
			expect(place.xMm > hopper.shelfWidthMm / 2).toBe(foreign.includes(id));
		await callOff();
		await set("90", false);
	});

	it("only its schedule is asked for where the page laid it: for all of its pieces, however many the shelf holds", async () => {
		const silo = await kilnNamed("Silo kiln");
		const ids = (await tray()).map(({ pieceId }) => pieceId).join(",");
		const shown = await studio.see("proposal", { kiln: silo.id, pieces: ids, lay: "no" });
		expect(shown.places).toEqual([]);
		expect(Object.keys(shown.costHours)).toHaveLength(ids.split(",").length);
	});
});

describe("laid in by scanning", () => {
	it("each piece is confirmed in its place; what is not in the load says where it is", async () => {
		const hopper = await kilnNamed("Hopper kiln");
		const all = await tray();
		const [a, b, other] = all as [(typeof all)[0], (typeof all)[0], (typeof all)[0]];
		const firingId = await plan({ kilnId: hopper.id, startsAt: await morning(9), pieces: chosen([a, b]) });
		const scan = (code: string) => studio.act("confirmPlace", { firingId, code });
		expect(await scan(a.code.toLowerCase())).toMatchObject({ is: "placed", pieceId: a.pieceId, left: 1 });
		expect(await scan(a.code)).toMatchObject({ is: "placed", left: 1 });
		expect(await scan(other.code)).toMatchObject({
			is: "extra",
			mayReplace: true,
			sentence: expect.stringContaining("waits for a kiln"),
		});
		expect((await refusal(scan("XXXXX"))).message).toContain("no piece’s code");
		const sheet = await studio.see("loadSheet", { firing: firingId });
		expect(sheet.pieces.filter(({ loadedAt }) => loadedAt).map(({ id }) => id)).toEqual([a.pieceId]);
		const near = sheet.pieces.map(({ place }) => place.yMm);
		expect(near[0]).toBeGreaterThanOrEqual((near[1] ?? 0) - 40);

		await studio.act("replaceInLoad", { firingId, outId: b.pieceId, inId: other.pieceId, inSeq: other.seq });
		const after = await studio.see("loadSheet", { firing: firingId });
		expect(after.pieces.map(({ id }) => id).sort()).toEqual([a.pieceId, other.pieceId].sort());
		expect(after.pieces.every(({ loadedAt }) => loadedAt)).toBe(true);
		const { trays } = await studio.see("load");
		expect(trays.flatMap(({ pieces }) => pieces.map(({ id }) => id))).toContain(b.pieceId);
		const again = studio.act("replaceInLoad", { firingId, outId: a.pieceId, inId: b.pieceId, inSeq: b.seq });
		expect((await refusal(again)).status).toBe(409);
	});
});

describe("what lies under a piece", () => {
	it("is paper where opaque glass touches the shelf: by the kits' own documents, once they are read again", async () => {
		const versions = await studio.db.select().from(kitVersion);
		// No kit of the demo lies on opaque glass: what one of them lies on is opaque for a moment.
		const base = versions.flatMap(({ document: { parts } }) =>
			parts.flatMap((part) => ("glassId" in part && part.layer === 0 ? part.glassId : [])),
		)[0] as string;
		const [before] = await studio.db.select().from(glass).where(eq(glass.id, base));
		const set = (opacity: typeof glass.$inferSelect.opacity) =>
			studio.db.update(glass).set({ opacity }).where(eq(glass.id, base));
		await set("opalescent");
		expect(await readKitsAgain(studio.db)).toBeGreaterThan(0);
		const opaque = (await studio.db.select().from(glass)).filter(({ opacity }) => opacity === "opalescent");
		const isOpaque = (id: string | null) =>
			versions.some(({ id: its, document: { parts } }) => {
				const lowest = Math.min(...parts.map(({ layer }) => layer));
				const below = parts.filter(({ layer }) => layer === lowest);
				return its === id && below.some((part) => "glassId" in part && opaque.some((one) => one.id === part.glassId));
			});
		const { trays } = await studio.see("load");
		const waiting = trays.flatMap(({ pieces }) => pieces);
		const wrong = waiting.filter(({ kitVersionId, body }) => isOpaque(kitVersionId) !== body?.opaqueBelow);
		expect(wrong.map(({ kit }) => kit)).toEqual([]);
		expect(new Set(waiting.map(({ body }) => body?.opaqueBelow))).toEqual(new Set([true, false]));
		await set(before?.opacity ?? "transparent");
		await readKitsAgain(studio.db);
	});
});

describe("another tray", () => {
	const move = (one: { pieceId: string; seq: number }, level: "tack" | "contour" | "full") =>
		studio.act("changeLevel", { ...one, eventId: randomUUID(), level });
	const trayOf = async (id: string) =>
		(await studio.see("load")).trays.find(({ pieces }) => pieces.some((one) => one.id === id));

	it("an instructor lets a piece go one up or down: annealed for that, in the history, taken back; no further", async () => {
		const { trays } = await studio.see("load");
		const piece = trays.find(({ level }) => level === "contour")?.pieces.find(({ hadLevel }) => hadLevel === null);
		if (!piece) throw new Error("nothing waits for contour");
		const { id, seq, code } = piece;
		const assistant = studio.act(
			"changeLevel",
			{ pieceId: id, seq, eventId: randomUUID(), level: "full" },
			{ role: "assistant" },
		);
		expect((await refusal(assistant)).status).toBe(403);
		expect(await move({ pieceId: id, seq }, "full")).toEqual({ level: "full" });
		const there = await trayOf(id);
		expect(there?.level).toBe("full");
		expect(there?.pieces.find((one) => one.id === id)?.effectiveMm).toBeCloseTo(piece.asMade?.thickestMm ?? 0, 6);
		// On what somebody saw before, and two trays away: refused.
		expect((await refusal(move({ pieceId: id, seq }, "contour"))).status).toBe(409);
		expect((await refusal(move({ pieceId: id, seq: seq + 1 }, "tack"))).message).toContain("one tray up or down");
		const { history } = await studio.see("piece", { code });
		expect(history.some(({ event }) => event.type === "levelled" && event.level === "full")).toBe(true);
		await studio.act("undo", { pieceId: id, seq: seq + 1, eventId: randomUUID() });
		expect((await trayOf(id))?.level).toBe("contour");
	});

	it("sent twice it counts once", async () => {
		const { trays } = await studio.see("load");
		const piece = trays.find(({ level }) => level === "contour")?.pieces.find(({ hadLevel }) => hadLevel === null);
		const step = { pieceId: piece?.id ?? "", seq: piece?.seq ?? 0, eventId: randomUUID(), level: "tack" as const };
		await studio.act("changeLevel", step);
		expect(await studio.act("changeLevel", step)).toEqual({ level: "tack" });
		await studio.act("undo", { pieceId: step.pieceId, seq: step.seq + 1, eventId: randomUUID() });
	});
});

describe("a kiln out of service", () => {
	const day = async (n: number) => addDays(dayOf(new Date(), await ZONE()), n);
	it("takes no load in those days and is said with its reason; before and after it does; brought back, always", async () => {
		const silo = await kilnNamed("Silo kiln");
		const out = { fromDay: await day(3), untilDay: await day(5), why: "a broken element" };
		const backwards = studio.act("setOutOfService", {
			kilnId: silo.id,
			out: { ...out, untilDay: await day(2) },
			was: null,
		});
		expect((await refusal(backwards)).problems[0]?.path).toEqual(["out", "untilDay"]);
		await studio.act("setOutOfService", { kilnId: silo.id, out, was: null }, { role: "assistant" });
		expect((await kilnNamed("Silo kiln")).outOfService).toEqual(out);
		// Sent twice it is one; somebody who saw it open is told.
		await studio.act("setOutOfService", { kilnId: silo.id, out, was: null });
		const late = studio.act("setOutOfService", { kilnId: silo.id, out: { ...out, why: "lent out" }, was: null });
		expect((await refusal(late)).message).toContain("Somebody else said when Silo kiln is out of service meanwhile");
		const all = await tray();
		const one = chosen(all.slice(0, 1));
		const refused = await refusal(plan({ kilnId: silo.id, startsAt: await morning(4), pieces: one }));
		expect(refused).toMatchObject({ status: 409, message: expect.stringContaining("a broken element") });
		const book = await studio.see("plan");
		expect(book.closed).toMatchObject([{ kilnId: silo.id, why: "a broken element" }]);
		const { kilns } = planInputOf(book);
		const shut = kilns.find(({ id }) => id === silo.id)?.booked.at(-1);
		expect(((shut?.to ?? 0) - (shut?.from ?? 0)) / 1440).toBeCloseTo(3, 1);
		const before = await plan({ kilnId: silo.id, startsAt: await morning(1), pieces: one });
		const move = (startsAt: string) => studio.act("moveFiring", { firingId: before, kilnId: silo.id, startsAt });
		expect((await refusal(move(await morning(3)))).message).toContain("out of service");
		await move(await morning(8));
		await studio.act("setOutOfService", { kilnId: silo.id, out: null, was: out });
		expect((await studio.see("plan")).closed).toEqual([]);
		await move(await morning(4));
	});

	it("announced before or not, nothing is started in it until somebody brings it back", async () => {
		const hopper = await kilnNamed("Hopper kiln");
		const firingId = await plan({
			kilnId: hopper.id,
			startsAt: await morning(9),
			pieces: chosen((await tray()).slice(0, 1)),
		});
		const out = { fromDay: await day(0), untilDay: null, why: "" };
		await studio.act("setOutOfService", { kilnId: hopper.id, out, was: null });
		const { kilns } = (await studio.see("kilnStrip")) as { kilns: { id: string; isClosed: boolean }[] };
		expect(kilns.filter(({ isClosed }) => isClosed).map(({ id }) => id)).toEqual([hopper.id]);
		const start = () => studio.act("startFiring", { firingId, speedUp: 1, somebodyThere: true });
		const refused = await refusal(start());
		await studio.act("setOutOfService", { kilnId: hopper.id, out: null, was: out });
		expect(refused.message).toContain("until somebody brings it back");
	});
});

describe("moulds", () => {
	/** The way of some waiting pieces, rewritten in their events: they are slumped next, in one kind of mould. */
	const slumpedIn = async (mouldId: string, n: number) => {
		const some = (await tray()).slice(0, n);
		for (const { pieceId } of some) {
			const events = await studio.db.select().from(pieceEvent).where(eq(pieceEvent.pieceId, pieceId));
			for (const { id, data } of events) {
				kept.push({ id, data });
				if (data.type === "issued") await rewrite(id, { ...data, route: [{ level: "slump", handWork: "", mouldId }] });
				if (data.type === "handedIn") await rewrite(id, { ...data, level: "slump" });
			}
			await derive(pieceId);
			touched.add(pieceId);
		}
		return some;
	};
	const rewrite = (id: string, data: PieceEventData) =>
		studio.db.update(pieceEvent).set({ data }).where(eq(pieceEvent.id, id));
	const derive = async (pieceId: string) => {
		const events = await studio.db
			.select()
			.from(pieceEvent)
			.where(eq(pieceEvent.pieceId, pieceId))
			.orderBy(pieceEvent.seq);
		const journey = journeyOf(
			events.map(({ seq, happenedAt, data }) => ({ seq, at: happenedAt.toISOString(), ...data })),
		);
		await studio.db.update(piece).set({ journey }).where(eq(piece.id, pieceId));
	};
	const kept: { id: string; data: PieceEventData }[] = [];
	const touched = new Set<string>();
	afterEach(async () => {
		await callOff();
		for (const { id, data } of kept.splice(0)) await rewrite(id, data);
		for (const pieceId of touched) await derive(pieceId);
		await studio.db.update(mould).set({ release: "washed", retired: false, count: 2 }).where(eq(mould.id, "feed-bowl"));
	});

	it("no more pieces than there are; those that lie in another firing are counted by the hour", async () => {
		const [silo, hopper] = [await kilnNamed("Silo kiln"), await kilnNamed("Hopper kiln")];
		const [a, b, c] = chosen(await slumpedIn("feed-bowl", 3)) as [never, never, never];
		const over = await refusal(plan({ kilnId: hopper.id, startsAt: await morning(6), pieces: [a, b, c] }));
		expect(over.message).toMatch(/3 of these pieces .* “Feed bowl, round”, and there are 2\. Leave 1 out/);
		const first = await plan({ kilnId: silo.id, startsAt: await morning(6), pieces: [a, b] });
		const { booked } = await studio.see("plan");
		expect(booked.find(({ id }) => id === first)?.moulds).toEqual({ "feed-bowl": 2 });
		const third = { kilnId: hopper.id, pieces: [c] };
		const clash = await refusal(plan({ ...third, startsAt: await morning(6) }));
		expect(clash.message).toMatch(
			/“Feed bowl, round” lies in firing \d+ until .*: none is left, and this load needs 1/,
		);
		const late = await plan({ ...third, startsAt: await morning(9) });
		const early = studio.act("moveFiring", { firingId: late, kilnId: hopper.id, startsAt: await morning(6) });
		expect((await refusal(early)).message).toContain("none is left");
		await studio.db.update(mould).set({ count: 3 }).where(eq(mould.id, "feed-bowl"));
		await studio.act("moveFiring", { firingId: late, kilnId: hopper.id, startsAt: await morning(6) });
	});

	it("what waits for a bare or put-away one stands apart, in no plan, until it is washed with a press", async () => {
		const [silo] = [await kilnNamed("Silo kiln")];
		const [one] = await slumpedIn("feed-bowl", 1);
		const inTrays = async () => (await studio.see("load")).trays.flatMap(({ pieces }) => pieces.map(({ id }) => id));
		const inPlan = async () => (await studio.see("plan")).pieces.map(({ id }) => id);
		expect(await inTrays()).toContain(one?.pieceId);
		await studio.db.update(mould).set({ release: "bare", usesSince: 9 }).where(eq(mould.id, "feed-bowl"));
		const view = await studio.see("load");
		const stuck = view.onMould.find(({ mouldId }) => mouldId === "feed-bowl");
		expect(stuck?.trouble).toBe("bare");
		expect(stuck?.pieces.map(({ id }) => id)).toContain(one?.pieceId);
		expect(await inTrays()).not.toContain(one?.pieceId);
		expect(await inPlan()).not.toContain(one?.pieceId);
		const forced = await refusal(plan({ kilnId: silo.id, startsAt: await morning(6), pieces: chosen([one] as never) }));
		expect(forced.message).toContain("stands bare");
		await studio.act("washMould", { mouldId: "feed-bowl" }, { role: "assistant" });
		expect(await inTrays()).toContain(one?.pieceId);
		expect(await inPlan()).toContain(one?.pieceId);
		const [row] = await studio.db.select().from(mould).where(eq(mould.id, "feed-bowl"));
		expect(row).toMatchObject({ release: "washed", usesSince: 0 });
		await studio.db.update(mould).set({ retired: true }).where(eq(mould.id, "feed-bowl"));
		expect((await studio.see("load")).onMould.map(({ trouble }) => trouble)).toEqual(["putAway"]);
		expect((await refusal(studio.act("washMould", { mouldId: "none such" }))).status).toBe(404);
	});
});

describe("lots in a load's corners", () => {
	it("wait beside the trays, go in with the load, and are refused where they have no room", async () => {
		const silo = await kilnNamed("Silo kiln");
		const { trays } = await studio.see("load");
		const full = trays.find(({ level, familyId }) => level === "full" && familyId === "90");
		const [first] = full?.pieces ?? [];
		const { sessions } = await studio.see("calendar");
		const order = async (count: number) => {
			const lotId = randomUUID();
			const lot = { lotId, name: "dot", glassId: "stubble", sizeMm: 10, count, sessionId: sessions[0]?.id ?? "" };
			await studio.act("orderLot", lot);
			return lotId;
		};
		const [few, heap] = [await order(20), await order(2000)];
		const { fillers } = await studio.see("load");
		expect(fillers.find(({ id }) => id === few)).toMatchObject({
			...{ name: "stubble dot", count: 20, familyId: "90", level: "full" },
		});
		const pieces = [{ pieceId: first?.id ?? "", seq: first?.seq ?? 0 }];
		const load = { kilnId: silo.id, startsAt: await morning(6), pieces };
		const refused = await refusal(plan({ ...load, lotIds: [few, heap] }));
		expect(refused.message).toContain("cm² of this shelf are free");
		expect((await studio.see("load")).fillers.map(({ id }) => id)).toContain(few);
		const firingId = await plan({ ...load, lotIds: [few] });
		expect(await studio.act("acceptLoad", { firingId, ...load, lotIds: [few] })).toMatchObject({ firingId }); // sent twice
		const card = (await studio.see("fire")).firings.find(({ id }) => id === firingId);
		expect(card?.lots).toMatchObject([{ count: 20 }]);
		expect((await studio.see("load")).fillers.map(({ id }) => id)).not.toContain(few);
		for (const lotId of [few, heap]) await studio.act("endLot", { lotId, made: 0 });
	});
});

describe("the book that a plan is made from", () => {
	it("holds all that waits with its outlines, what is announced, and hours; a plan of it breaks no rule (independent checker)", async () => {
		const silo = await kilnNamed("Silo kiln");
		const all = await tray();
		const firingId = await plan({ kilnId: silo.id, startsAt: await morning(3), pieces: chosen(all.slice(0, 1)) });
		const book = await studio.see("plan");
		expect(book.waiting).toBe(book.pieces.length + book.blocked);
		expect(book.pieces.some(({ route }) => (book.outlines[route[0]?.outlineKey ?? ""]?.length ?? 0) > 2)).toBe(true);
		expect(book.booked.find(({ id }) => id === firingId)).toMatchObject({ isDated: true, pieces: 1, kilnId: silo.id });
		const input = planInputOf(book);
		let found: Plan | undefined;
		for (found of searchPlan(problemOf(input), PLAN_WEIGHTS.soonest, 5));
		expect(found?.figures.left).toEqual([]);
		expect(wrongWithPlan(input, found as Plan, false, 120)).toEqual([]);
	});
});

describe("the calendar feed", () => {
	it("shows announced firings from their start until they may be opened, without names of students", async () => {
		const silo = await kilnNamed("Silo kiln");
		const startsAt = await morning(3);
		const firingId = await plan({ kilnId: silo.id, startsAt, pieces: chosen((await tray()).slice(0, 1)) });
		const { path } = await studio.act("makeCalendarLink", { on: true });
		const text = (await feedFor(studio.db, path?.match(/([\w-]{32})\.ics$/)?.[1] ?? "", new Date())) ?? "";
		const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents("vevent").map((one) => new ICAL.Event(one));
		const its = events.find(({ uid }) => uid === `${firingId}@zephyr-flats`);
		expect(its?.startDate.toJSDate().toISOString()).toBe(startsAt);
		expect(its?.summary).toContain("Silo kiln: firing");
		const [fired] = await studio.db.select().from(firing).where(eq(firing.id, firingId));
		expect(its?.duration.toSeconds()).toBeCloseTo(fired?.openS ?? 0, -1);
	});
});
