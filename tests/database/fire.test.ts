import { randomUUID } from "node:crypto";
import type { KilnForm } from "@contract/documents/kiln";
import { newSchedule, withSegment } from "@core/firing/document";
import { USUAL_SCHOOLS } from "@core/firing/schools";
import { FAMILY_90, FAMILY_96 } from "@core/glass/family";
import { DEFAULT_KILN } from "@core/kiln/kiln";
import { USUAL_UPKEEP } from "@core/kiln/record";
import { GENERIC_MAP } from "@core/kiln/register-map";
import { storeReadings } from "@db/queries/readings";
import { firing, firingPlace, kiln, kilnReading, kilnReadingSpan, scheduleVersion } from "@db/schema";
import { Refusal } from "@server/house/refusal";
import { and, eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { refusal } from "../support/refusal";
import { liesAt } from "../support/shelf-checker";
import { type DemoStudio, demoStudio } from "../support/studio";

let studio: DemoStudio;
beforeAll(async () => {
	studio = await demoStudio();
});
afterAll(() => studio.close());

const document = newSchedule("Rooftop full", FAMILY_90, DEFAULT_KILN);
const kilnNamed = async (name: string) => {
	const [row] = await studio.db.select().from(kiln).where(eq(kiln.name, name));
	if (!row) throw new Error(`The demo has no ${name}.`);
	return row;
};
const HOUR = 3_600_000;
const DAY = 24 * HOUR;

describe("schedules", () => {
	const scheduleId = randomUUID();

	it("are kept by revision; who saves on an older one is told, and an assistant may not", async () => {
		expect(await studio.act("saveSchedule", { scheduleId, revision: 0, document })).toEqual({
			scheduleId,
			revision: 1,
		});
		const warmer = withSegment(document, 1, { targetC: 806 });
		expect(await studio.act("saveSchedule", { scheduleId, revision: 1, document: warmer })).toMatchObject({
			revision: 2,
		});
		expect((await refusal(studio.act("saveSchedule", { scheduleId, revision: 1, document }))).status).toBe(409);
		const asAssistant = studio.act("saveSchedule", { scheduleId, revision: 2, document }, { role: "assistant" });
		expect((await refusal(asAssistant)).status).toBe(403);
		const { schedule } = await studio.see("schedule", { id: scheduleId });
		expect(schedule?.document.segments[1]?.targetC).toBe(806);
		expect((await studio.see("schedules")).schedules.map(({ id }) => id)).toContain(scheduleId);
	});

	it("freeze a version when they are fired, once for one revision; what was changed on the bench is no version", async () => {
		const silo = await kilnNamed("Silo kiln");
		const kept = (await studio.see("schedule", { id: scheduleId })).document;
		const plan = (one: typeof document) => {
			const firingId = randomUUID();
			return studio
				.act("planFiring", { firingId, kilnId: silo.id, scheduleId, document: one, what: "tiles" })
				.then(() => firingId);
		};
		const first = await plan(kept);
		// Several may be planned ahead.
		const second = await plan(kept);
		await studio.act("cancelFiring", { firingId: first });
		const versions = await studio.db.select().from(scheduleVersion).where(eq(scheduleVersion.keptId, scheduleId));
		expect(versions.map(({ version, revision }) => [version, revision])).toEqual([[1, 2]]);
		await studio.act("cancelFiring", { firingId: second });
		const bent = await plan(withSegment(kept, 1, { targetC: 811 }));
		const [row] = await studio.db.select().from(firing).where(eq(firing.id, bent));
		expect(row).toMatchObject({ scheduleVersionId: null, thicknessMm: 6, what: "tiles" });
		expect(row?.flow).toBeGreaterThan(5);
		const { firings } = await studio.see("fire");
		expect(firings.find(({ id }) => id === bent)?.heat.thicknessMm).toBe(6);
		await studio.act("cancelFiring", { firingId: bent });
	});

	it("are refused where the kiln cannot do them, with the figure", async () => {
		const silo = await kilnNamed("Silo kiln");
		const hot = withSegment(document, 1, { targetC: 920 });
		const plan = (one: typeof document) =>
			studio.act("planFiring", {
				firingId: randomUUID(),
				kilnId: silo.id,
				scheduleId: null,
				document: one,
				what: "hot",
			});
		expect((await refusal(plan(hot))).message).toContain("920 °C is above the 900 °C this kiln goes to");
		const many = { ...document, segments: Array.from({ length: 9 }, () => document.segments[0] as never) };
		expect((await refusal(plan(many))).message).toContain("9 segments; this controller takes 8");
		const block = await kilnNamed("Thimble block");
		const inBlock = studio.act("planFiring", {
			firingId: randomUUID(),
			kilnId: block.id,
			scheduleId: null,
			document,
			what: "x",
		});
		expect((await refusal(inBlock)).message).toContain("takes a schedule");
	});

	it("open for a kit, a piece or a planned firing, with what each asks for", async () => {
		const { kits, pieces } = await studio.see("schedules");
		const kit = await studio.see("schedule", { kit: kits[0]?.id ?? "" });
		expect(kit.from).toContain("kit ");
		expect(kit.document.pieces[0]?.thickestMm).toBeGreaterThan(2);
		const piece = await studio.see("schedule", { piece: pieces.find(({ code }) => code)?.code ?? "" });
		expect(piece.document.pieces).toHaveLength(1);
		expect(piece.document.segments.length).toBeGreaterThan(3);
		await expect(studio.see("schedule", { piece: "NOPE" })).rejects.toBeInstanceOf(Refusal);
		await expect(studio.see("schedule", { kit: randomUUID() })).rejects.toBeInstanceOf(Refusal);
		const empty = await studio.see("schedule");
		expect(empty).toMatchObject({ from: "by hand", schedule: null, firing: null });
	});

	it("give a load another schedule before it is started, never afterwards, and never of another family", async () => {
		const { trays, kilns } = await studio.see("load");
		const tray = trays[0];
		const silo = kilns.find(({ name }) => name === "Silo kiln");
		const firingId = randomUUID();
		const chosen = (tray?.pieces ?? []).slice(0, 2).map(({ id, seq }) => ({ pieceId: id, seq }));
		await studio.act("acceptLoad", { firingId, kilnId: silo?.id ?? "", pieces: chosen });
		const bench = await studio.see("schedule", { firing: firingId });
		expect(bench.firing?.id).toBe(firingId);
		expect(bench.document.pieces).toHaveLength(chosen.length);
		const slower = { ...bench.document, schools: { ...USUAL_SCHOOLS, cooling: "cautious" as const } };
		const colder = withSegment(slower, 0, { rateCPerH: 111 });
		await studio.act("reschedule", { firingId, scheduleId: null, document: colder });
		const [row] = await studio.db.select().from(firing).where(eq(firing.id, firingId));
		expect(row?.schedule.segments[0]?.rateCPerH).toBe(111);
		const foreign = studio.act("reschedule", {
			firingId,
			scheduleId: null,
			document: { ...colder, familyId: FAMILY_96.id },
		});
		expect((await refusal(foreign)).message).toContain("another family");
		await studio.act("startFiring", { firingId, speedUp: 1, somebodyThere: true });
		const late = await refusal(studio.act("reschedule", { firingId, scheduleId: null, document: colder }));
		expect(late.status).toBe(409);
		await studio.db.update(firing).set({ state: "opened" }).where(eq(firing.id, firingId));
	});

	it("begin with the studio’s schools", async () => {
		const schools = {
			heat: "coolerLonger",
			soak: "atAnnealingPoint",
			cooling: "cautious",
			warmUp: "cautious",
			dots: "straightUp",
		} as const;
		await studio.act("saveSchools", { schools, revision: 1 });
		const { document: made } = await studio.see("schedule");
		expect(made.schools).toEqual(schools);
		expect(made.segments.find(({ name }) => name === "peak")?.holdMin).toBe(30);
		expect(made.segments.find(({ name }) => name === "drop")?.targetC).toBe(516);
		await studio.act("saveSchools", { schools: USUAL_SCHOOLS, revision: 2 });
	});
});

let units = 0;
const form = (change: Partial<KilnForm> = {}): KilnForm => ({
	id: randomUUID(),
	name: "Cyclone kiln",
	kind: "electric",
	doorSide: "front",
	shelfShape: "octagon",
	shelfWidthMm: 420,
	shelfHeightMm: 420,
	marginMm: 10,
	clearHeightMm: 160,
	maxC: 920,
	maxSegments: 10,
	body: DEFAULT_KILN,
	plateW: 5000,
	zones: [],
	fixtures: [],
	upper: [],
	elements: { fittedOn: null, dueFirings: 200 },
	upkeep: USUAL_UPKEEP.map(({ what, everyFirings }) => ({ what, everyFirings })),
	shelves: [{ name: "octagon", release: "washed" }],
	// Nothing listens there; one line, one kiln.
	line: { driver: "modbus", host: "127.0.0.1", port: 9, unit: ++units, map: GENERIC_MAP },
	permissions: { steer: false, start: false },
	...change,
});

describe("kilns", () => {
	it("are written down with shelf, zones and line, and refused where these do not fit", async () => {
		const one = form();
		await studio.act("saveKiln", { kiln: one, revision: 0 });
		const page = await studio.see("kiln", { id: one.id });
		expect(page.form).toEqual(one);
		expect(page.revision).toBe(1);
		expect(page.card.line).toBe("modbus");
		const zone = { name: "outside", xMm: 300, yMm: 0, widthMm: 200, heightMm: 50, offsetK: 4 };
		expect((await refusal(studio.act("saveKiln", { kiln: { ...one, zones: [zone] }, revision: 1 }))).message).toContain(
			"beyond the shelf",
		);
		const oval = { ...one, shelfHeightMm: 300 };
		expect((await refusal(studio.act("saveKiln", { kiln: oval, revision: 1 }))).message).toContain(
			"as deep as it is wide",
		);
		const upper = [{ postMm: 60, offsetK: 4 }];
		const posts = [40, 380, 210].map((xMm) => ({ kind: "post" as const, xMm, yMm: 60, acrossMm: 30 }));
		const above = (change: Partial<KilnForm>) => studio.act("saveKiln", { kiln: { ...one, ...change }, revision: 1 });
		expect((await refusal(above({ upper }))).message).toContain("at least 3 posts");
		expect((await refusal(above({ upper: [{ postMm: 140, offsetK: 0 }], fixtures: posts }))).message).toContain(
			"over the top one 5 mm are left",
		);
		const asAssistant = studio.act("saveKiln", { kiln: one, revision: 1 }, { role: "assistant" });
		expect((await refusal(asAssistant)).status).toBe(403);
		await expect(studio.see("kiln", { id: randomUUID() })).rejects.toBeInstanceOf(Refusal);
	});

	it("show their controller’s address to instructors only", async () => {
		const lined = form({ name: "Lined kiln" });
		await studio.act("saveKiln", { kiln: lined, revision: 0 });
		const as = async (role: "instructor" | "assistant") =>
			(await studio.see("kiln", { id: lined.id }, new Date(), role)).form.line;
		expect(await as("instructor")).toEqual(lined.line);
		expect(await as("assistant")).toBeNull();
		const all = await studio.see("kilns", {}, new Date(), "assistant");
		expect(JSON.stringify(all)).not.toContain("127.0.0.1");
	});

	it("with a round shelf are loaded within the circle, margin and all", async () => {
		const round = form({ name: "Round kiln", shelfShape: "round", marginMm: 10 });
		await studio.act("saveKiln", { kiln: round, revision: 0 });
		const tray = (await studio.see("load")).trays.find(({ pieces }) => pieces.length > 1);
		const pieces = (tray?.pieces ?? []).map(({ id }) => id).join(",");
		const { places } = await studio.see("proposal", { kiln: round.id, pieces });
		expect(places.length).toBeGreaterThan(0);
		for (const place of places)
			for (const { x, y } of liesAt({ ...place, outline: place.outline ?? [] }))
				expect(Math.hypot(x - 210, y - 210)).toBeLessThanOrEqual(200.5);
	});

	it("count upkeep, elements and shelves with every firing, and begin again when a task was done", async () => {
		const one = form({ name: "Counting kiln", line: null });
		await studio.act("saveKiln", { kiln: one, revision: 0, anew: { shelves: { octagon: 2 } } });
		const firingId = randomUUID();
		const plan = { firingId, kilnId: one.id, scheduleId: null, document, what: "first run" };
		const out = { fromDay: "2020-01-01", untilDay: null, why: "being wired" };
		await studio.act("setOutOfService", { kilnId: one.id, out, was: null });
		expect((await refusal(studio.act("planFiring", plan))).message).toContain("being wired");
		await studio.act("setOutOfService", { kilnId: one.id, out: null, was: out });
		await studio.act("planFiring", plan);
		const fast = studio.act("startFiring", { firingId, speedUp: 60, somebodyThere: true });
		expect((await refusal(fast)).message).toContain("is real");
		await studio.act("startFiring", { firingId, speedUp: 1, somebodyThere: true });
		const after = await kilnNamed("Counting kiln");
		expect(after.uses).toBe(1);
		expect(after.elements.firings).toBe(1);
		expect(after.elements.hours).toBeGreaterThan(7);
		expect(after.shelves[0]?.usesSince).toBe(3);
		expect(after.upkeep.every(({ sinceFirings }) => sinceFirings === 1)).toBe(true);
		await studio.act("doneUpkeep", { kilnId: one.id, what: "renew shelf wash or paper" }, { role: "assistant" });
		await studio.act("doneUpkeep", { kilnId: one.id, what: "look at the elements" });
		const mended = await kilnNamed("Counting kiln");
		expect(mended.upkeep.find(({ what }) => what.startsWith("renew"))?.sinceFirings).toBe(0);
		expect(mended.elements).toMatchObject({ firings: 0, hours: 0 });
		expect((await refusal(studio.act("doneUpkeep", { kilnId: one.id, what: "dance" }))).status).toBe(404);
		const taught = studio.act("acceptLearned", {
			lessonId: randomUUID(),
			kilnId: one.id,
			from: new Date(Date.now() - DAY).toISOString(),
			to: new Date().toISOString(),
		});
		expect((await refusal(taught)).message).toContain("does not tell enough");
		await studio.db.update(firing).set({ state: "opened" }).where(eq(firing.id, firingId));
	});

	/** A made log of a kiln with known figures: full power to 750 °C, then off; integrated here. */
	const madeLog = (powerW: number, lossWPerK: number, capacityJPerK: number) => {
		const lines = ["time,temperature °C,duty"];
		let air = 20;
		let on = true;
		for (let s = 0; s < 15 * 3600; s++) {
			if (air > 750) on = false;
			if (s % 60 === 0)
				lines.push(`${new Date(Date.UTC(2026, 2, 1) + s * 1000).toISOString()},${air.toFixed(1)},${on ? 1 : 0}`);
			air += ((on ? powerW : 0) - lossWPerK * (air - 20)) / capacityJPerK;
		}
		return lines.join("\n");
	};
	const mapping = {
		time: { column: 0, as: "instant" as const, startsAt: null },
		air: 1,
		set: null,
		duty: 2,
		kwh: null,
		unit: "C" as const,
		dutyIn: "share" as const,
		decimal: "." as const,
	};

	it("learn from a log that is brought in: the known figures come back within 3 %, twice brought in counts once", async () => {
		const one = form({ name: "Learning kiln", plateW: 4000, line: null });
		await studio.act("saveKiln", { kiln: one, revision: 0 });
		const text = madeLog(4000, 2.1, 26_000);
		const first = await studio.act("importKilnLog", { importId: randomUUID(), kilnId: one.id, text, mapping });
		expect(first).toMatchObject({ added: 900, known: 0, skipped: 0 });
		expect(await studio.act("importKilnLog", { importId: randomUUID(), kilnId: one.id, text, mapping })).toMatchObject({
			added: 0,
			known: 900,
		});
		const { learned, after } = await studio.see("kilnLesson", { id: one.id, from: first.from, to: first.to });
		expect(Math.abs((learned.capacityJPerK?.value ?? 0) / 26_000 - 1)).toBeLessThan(0.03);
		expect(Math.abs((learned.lossWPerK?.value ?? 0) / 2.1 - 1)).toBeLessThan(0.03);
		await studio.act("acceptLearned", { lessonId: randomUUID(), kilnId: one.id, from: first.from, to: first.to });
		const row = await kilnNamed("Learning kiln");
		expect(row.body.capacityJPerK).toBeCloseTo(after?.capacityJPerK ?? 0, 6);
		expect((await studio.see("kiln", { id: one.id })).lessons[0]).toMatchObject({ what: "log", before: DEFAULT_KILN });
		const bad = studio.act("importKilnLog", { importId: randomUUID(), kilnId: one.id, text: "a,b\n1,2", mapping });
		expect((await refusal(bad)).status).toBe(400);
		const counted = { ...mapping, time: { ...mapping.time, as: "seconds" as const } };
		const noStart = studio.act("importKilnLog", {
			importId: randomUUID(),
			kilnId: one.id,
			text: "s,t,d\n0,20,1\n60,22,1\n120,25,1",
			mapping: counted,
		});
		expect((await refusal(noStart)).message).toContain("when this log begins");
	});

	it("propose an offset from judged firings with its evidence; accepting another one is refused", async () => {
		const hopper = await kilnNamed("Hopper kiln");
		expect((await studio.see("kiln", { id: hopper.id })).offset).toBeNull();
		const places = await studio.db.select().from(firingPlace);
		const [running] = await studio.db
			.select()
			.from(firing)
			.where(and(eq(firing.kilnId, hopper.id), eq(firing.state, "running")));
		await studio.db
			.update(firing)
			.set({ state: "opened", finishedAt: new Date() })
			.where(eq(firing.id, running?.id ?? ""));
		for (const place of places.filter(({ firingId }) => firingId === running?.id))
			await studio.db
				.update(firingPlace)
				.set({ judgedLevel: "full" })
				.where(and(eq(firingPlace.firingId, place.firingId), eq(firingPlace.pieceId, place.pieceId)));
		const { offset } = await studio.see("kiln", { id: hopper.id });
		expect(offset?.evidence.map(({ expected, judged }) => `${expected} → ${judged}`)).toEqual(
			expect.arrayContaining(["contour → full", "full → full"]),
		);
		expect(offset?.proposedK).toBeGreaterThan(0);
		const lesson = { lessonId: randomUUID(), kilnId: hopper.id };
		expect((await refusal(studio.act("acceptOffset", { ...lesson, proposedK: 12 }))).status).toBe(409);
		await studio.act("acceptOffset", { ...lesson, proposedK: offset?.proposedK ?? 0 });
		expect((await kilnNamed("Hopper kiln")).body.offsetK).toBe(offset?.proposedK);
		// From now on only firings since then are evidence.
		expect((await studio.see("kiln", { id: hopper.id })).offset).toBeNull();
	});

	it("keep the stretches that months are drawn from with every reading, and count none twice", async () => {
		const { id: kilnId } = await kilnNamed("Learning kiln");
		const at = (s: number) => new Date(Date.UTC(2026, 5, 1, 10) + s * 1000);
		const rows = [0, 10, 20].map((s) => ({ kilnId, at: at(s), airC: 100 + s }));
		expect(await storeReadings(studio.db, rows)).toBe(3);
		expect(await storeReadings(studio.db, [...rows, { kilnId, at: at(30), airC: null }])).toBe(1);
		const [span] = await studio.db
			.select()
			.from(kilnReadingSpan)
			.where(and(eq(kilnReadingSpan.kilnId, kilnId), eq(kilnReadingSpan.at, at(0))));
		expect(span).toMatchObject({ n: 3, lowC: 100, highC: 120 });
		const { points } = await studio.see("kilnRecord", {
			id: kilnId,
			from: at(-60).toISOString(),
			to: at(60).toISOString(),
		});
		expect(points).toHaveLength(3);
		const month = await studio.see("kilnRecord", {
			id: kilnId,
			from: at(-9 * 86_400).toISOString(),
			to: at(86_400).toISOString(),
		});
		expect(month.points).toEqual([expect.objectContaining({ lowC: 100, highC: 120 })]);
		const backwards = studio.see("kilnRecord", { id: kilnId, from: at(60).toISOString(), to: at(0).toISOString() });
		await expect(backwards).rejects.toBeInstanceOf(Refusal);
		const [gap] = await studio.db
			.select()
			.from(kilnReading)
			.where(and(eq(kilnReading.kilnId, kilnId), eq(kilnReading.at, at(30))));
		expect(gap?.airC).toBeNull();
	});
});

describe("the microwave block", () => {
	it("takes one run at a time, on the oven’s own powers, and keeps how long it cooled", async () => {
		const { blocks, ovens } = await studio.see("microwave");
		const [block, oven] = [blocks[0], ovens[0]];
		const runId = randomUUID();
		const plan = [{ watts: oven?.watts[1] ?? 0, seconds: 240 }];
		const start = {
			runId,
			blockId: block?.id ?? "",
			ovenId: oven?.id ?? "",
			what: "brooch",
			wanted: "rounded" as const,
			fired: false,
			plan,
		};
		const now = new Date();
		const later = (min: number) => ({ now: new Date(now.getTime() + min * 60_000), role: "assistant" as const });
		const wrong = { ...start, runId: randomUUID(), plan: [{ watts: 1234, seconds: 60 }] };
		expect((await refusal(studio.act("startMicrowave", wrong))).message).toContain("has no 1234 W");
		await studio.act("startMicrowave", start, later(0));
		expect((await refusal(studio.act("startMicrowave", { ...start, runId: randomUUID() }))).message).toContain(
			"still hot",
		);
		const look = { lookId: randomUUID(), runId, s: 240, seen: "edgesSoft" as const };
		expect(await studio.act("lookMicrowave", look, later(5))).toEqual({ looks: 1 });
		expect(await studio.act("lookMicrowave", look, later(6))).toEqual({ looks: 1 });
		const early = studio.act("openMicrowave", { runId, outcome: "rounded", note: "" }, later(6));
		expect((await refusal(early)).message).toContain("still being heated");
		await studio.act("endMicrowave", { runId, steps: [{ ...(plan[0] as (typeof plan)[0]), seconds: 231 }] }, later(7));
		expect(await studio.act("openMicrowave", { runId, outcome: "rounded", note: "" }, later(75))).toEqual({
			coolingMin: 68,
		});
		const after = await studio.see("microwave");
		expect(after.blocks[0]?.uses).toBe((block?.uses ?? 0) + 1);
		expect(after.runs[0]).toMatchObject({ id: runId, outcome: "rounded", looks: [{ s: 240, seen: "edgesSoft" }] });
		expect(after.runs[0]?.steps[0]?.seconds).toBe(231);
	});

	it("has ovens with their powers in order, each once", async () => {
		const id = randomUUID();
		await studio.act("saveOven", { oven: { id, name: "Attic oven", watts: [800, 200, 800] }, revision: 0 });
		expect((await studio.see("microwave")).ovens.find((one) => one.id === id)?.watts).toEqual([200, 800]);
		expect((await refusal(studio.act("saveOven", { oven: { id, name: "", watts: [] }, revision: 1 }))).status).toBe(
			400,
		);
	});
});
