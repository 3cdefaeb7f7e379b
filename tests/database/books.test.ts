import { randomUUID } from "node:crypto";
import { readKitFile, writeKitFile } from "@contract/documents/kit-file";
import { emptyKit, type KitDesign } from "@core/kit/kit";
import { METRIC } from "@core/units/phrase";
import { glassFamily, kitDesign, kitVersion, piece, sample } from "@db/schema";
import { reencode } from "@server/house/uploads";
import { kitFileOf } from "@server/kits/files";
import { eq, sql } from "drizzle-orm";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { cut, fire, glass, lay, mould, square } from "../support/kit";
import { refusal } from "../support/refusal";
import { demoStudio } from "../support/studio";

let studio: Awaited<ReturnType<typeof demoStudio>>;
beforeAll(async () => {
	studio = await demoStudio();
});
afterAll(() => studio.close());

const sentences = async (work: Promise<unknown>) =>
	(await refusal(work)).problems.map(({ sentence }) => sentence).join(" ");
const clear = (layer = 0, side = 60) => cut(square(side), layer, 0, 0, "clear");
const saved = async (design: KitDesign): Promise<string> => {
	const kitId = randomUUID();
	await studio.act("saveKit", { kitId, revision: 0, document: design });
	return kitId;
};
const wish = (kitId: string, file: string, more = {}) => ({
	kitId,
	file,
	version: undefined,
	palette: undefined,
	paper: "a4",
	units: METRIC,
	...more,
});

describe("a list", () => {
	it("of glass, moulds or kilns is taken whole or not at all, new and known ones", async () => {
		const { glasses, moulds } = await studio.see("books");
		const known = glasses[0] as (typeof glasses)[number];
		const { revision, retired: _, ...old } = known;
		const changed = { ...old, priceMinor: 1234 };
		const fresh = { ...glass("from a list"), id: "listed" };
		const entries = [
			{ glass: changed, revision },
			{ glass: fresh, revision: 0 },
		];
		const late = await refusal(
			studio.act("takeGlass", { entries: [...entries, { glass: { ...changed, priceMinor: 9 }, revision }] }),
		);
		expect(late.kind).toBe("conflict");
		expect((await studio.see("books")).glasses.some(({ id }) => id === "listed")).toBe(false);
		expect(await studio.act("takeGlass", { entries })).toEqual({ added: 1, changed: 1 });
		expect((await studio.see("books")).glasses.find(({ id }) => id === known.id)?.priceMinor).toBe(1234);

		const one = { ...mould("from a list"), id: "listed" };
		expect(await studio.act("takeMoulds", { entries: [{ mould: one, revision: 0 }] })).toEqual({
			added: 1,
			changed: 0,
		});
		expect((await studio.see("books")).moulds).toHaveLength(moulds.length + 1);

		const { kilns } = await studio.see("kilns");
		const idle = kilns.find(({ name }) => name === "Silo kiln");
		const kiln = { ...(idle?.form as NonNullable<NonNullable<typeof idle>["form"]>), plateW: 3700 };
		const second = { ...kiln, id: randomUUID(), name: "Listed kiln", line: null };
		const sent = [
			{ kiln, revision: idle?.revision ?? 0 },
			{ kiln: second, revision: 0 },
		];
		expect(await studio.act("takeKilns", { entries: sent })).toEqual({ added: 1, changed: 1 });
		expect((await studio.see("kilns")).kilns.map(({ name }) => name)).toContain("Listed kiln");
		expect((await studio.see("kilns", {}, undefined, "assistant")).kilns.every(({ form }) => form === null)).toBe(true);
	});
});

describe("money is for instructors", () => {
	it("prices and the currency leave the server for nobody else, whatever view is asked", async () => {
		const mine = await studio.see("books");
		expect(mine.currency).toBe("USD");
		expect(mine.glasses.some(({ priceMinor }) => priceMinor !== null)).toBe(true);
		for (const view of ["books", "kits", "cut", "bench"] as const) {
			const theirs = await studio.see(view, {}, new Date(), "assistant");
			expect(JSON.stringify(theirs)).not.toMatch(/"priceMinor":\d/);
			expect(JSON.stringify(theirs)).not.toContain("USD");
		}
		const [kit] = (await studio.see("kits")).kits;
		const theirs = await studio.see("kit", { id: kit?.id ?? "" }, new Date(), "assistant");
		expect(theirs.currency).toBeNull();
		expect(theirs.glasses.every(({ priceMinor }) => priceMinor === null)).toBe(true);
	});
});

describe("books", () => {
	it("only an instructor writes in them", async () => {
		const tries = [
			() => studio.act("saveGlass", { revision: 0, glass: glass("x") }, { role: "assistant" }),
			() => studio.act("saveMould", { revision: 0, mould: mould("x") }, { role: "assistant" }),
			() => studio.act("importKit", { kitId: randomUUID(), file: file() }, { role: "assistant" }),
		];
		for (const attempt of tries) expect((await refusal(attempt())).status).toBe(403);
	});

	it("a glass of a family that is not in the book is refused; a changed glass changes what kits are read as", async () => {
		expect(
			await sentences(studio.act("saveGlass", { revision: 0, glass: glass("stray", { familyId: "none" }) })),
		).toContain("no such family");
		await studio.act("saveGlass", { revision: 0, glass: glass("hay", { thicknessMm: 4 }) });
		const kitId = await saved({ ...emptyKit("Hay"), parts: [cut(square(50), 0, 0, 0, "hay")] });
		const { kit } = await studio.see("kit", { id: kitId });
		expect(kit.reading.thickestMm).toBe(4);
	});

	it("a kit of a family that is found untested later is not issued any more", async () => {
		await studio.act("saveGlass", { revision: 0, glass: glass("doubt", { familyId: "96" }) });
		const kitId = await saved({ ...emptyKit("Doubtful"), parts: [cut(square(50), 0, 0, 0, "doubt")] });
		const [family] = await studio.db.select().from(glassFamily).where(eq(glassFamily.id, "96"));
		if (!family) throw new Error("the demo has 96");
		const { revision, ...typed } = family;
		await studio.act("saveFamily", { family: { ...typed, tested: false }, revision });
		const { session, seats } = await studio.see("bench");
		const issue = { pieceId: randomUUID(), eventId: randomUUID(), studentId: seats[0]?.studentId ?? "" };
		const work = studio.act("issueKits", { sessionId: session?.id ?? "", kitId, promisedDay: null, issues: [issue] });
		expect(await sentences(work)).toContain("mixed or untested families");
		await studio.act("saveFamily", { family: typed, revision: revision + 1 });
	});

	it("a family's fixed points keep their order, each with its sentence", async () => {
		const [family] = await studio.db.select().from(glassFamily).where(eq(glassFamily.id, "90"));
		const { revision, ...typed } = family as NonNullable<typeof family>;
		const refused = await refusal(studio.act("saveFamily", { family: { ...typed, softeningC: 530 }, revision }));
		expect(refused.problems[0]).toMatchObject({
			path: ["family", "softeningC"],
			sentence: expect.stringContaining("50 °C above"),
		});
	});

	it("a sample keeps its stack, its picture without camera data, and is cited by kits", async () => {
		const sampleId = randomUUID();
		const document = { ...emptyKit("Try"), parts: [clear(), cut(square(20), 1, 0, 0, "pump-rust")] };
		const fields = {
			name: "Try",
			document,
			kilnId: null,
			level: "full" as const,
			peakC: 800,
			holdMin: 10,
			firedOn: "2026-03-08",
			result: "red",
			shows: ["striker" as const],
		};
		await studio.act("saveSample", { sampleId, revision: 0, ...fields });
		const photo = await sharp({ create: { width: 3000, height: 200, channels: 3, background: "#aa4422" } })
			.withExif({ IFD0: { Copyright: "someone" } })
			.jpeg()
			.toBuffer();
		const { image } = await reencode(photo, "picture");
		await studio.db.update(sample).set({ picture: image }).where(eq(sample.id, sampleId));
		const { exif, width } = await sharp(image).metadata();
		expect(exif).toBeUndefined();
		expect(width).toBe(1600);
		const { samples } = await studio.see("books");
		expect(samples.find(({ id }) => id === sampleId)).toMatchObject({ stackCode: "90 | 3·3 | full", hasPicture: true });
		const [kit] = (await studio.see("kits")).kits;
		expect((await studio.see("kit", { id: kit?.id ?? "" })).samples.map(({ name }) => name)).toContain("Try");
		expect(
			await sentences(studio.act("saveSample", { sampleId, revision: 1, ...fields, kilnId: randomUUID() })),
		).toContain("no such kiln");
		for (const begins of ["<svg onload=alert(1)>", "GIF89a", "II*\0", "BM", "%PDF-1.7", "RIFF0000AVI "])
			await expect(reencode(Buffer.from(begins), "picture")).rejects.toThrow("not a photo");
	});
});

describe("moulds", () => {
	it("count a use when the firing they lay in is opened, once a firing", async () => {
		const uses = async () => (await studio.see("books")).moulds.find(({ id }) => id === "map-dish")?.usesSince;
		const before = (await uses()) ?? 0;
		const { coldWork } = await studio.see("handOver");
		const dish = coldWork.find(({ kit }) => kit === "Contour-map dish");
		if (!dish) throw new Error("the demo has a dish to grind");
		const step = (name: "finishColdWork") =>
			studio.act(name, { pieceId: dish.id, eventId: randomUUID(), seq: dish.seq, note: "" });
		await step("finishColdWork");
		const running = (await studio.see("fire")).firings.find(({ state }) => state === "running");
		if (!running) throw new Error("the demo has a firing under way");
		await studio.act("openFiring", { firingId: running.id, earlyReason: "the test needs this kiln" });
		const { trays } = await studio.see("load");
		const waiting = trays.flatMap(({ pieces }) => pieces).find(({ id }) => id === dish.id);
		expect(waiting?.level).toBe("slump");
		const kilnId = running.kiln.id;
		const firingId = randomUUID();
		await studio.act("acceptLoad", { firingId, kilnId, pieces: [{ pieceId: dish.id, seq: waiting?.seq ?? 0 }] });
		await studio.act("startFiring", { firingId, speedUp: 3600, somebodyThere: true });
		expect(await uses()).toBe(before);
		await studio.act("openFiring", { firingId, earlyReason: "only a test of the book" });
		await studio.act("openFiring", { firingId, earlyReason: "pressed twice" });
		expect(await uses()).toBe(before + 1);
	});
});

const file = (change: (file: ReturnType<typeof parsed>) => void = () => {}) => {
	const one = parsed();
	change(one);
	return one;
};
function parsed() {
	const design = {
		...emptyKit("From afar"),
		parts: [cut(square(60), 0, 0, 0, "clear"), cut(square(20), 1, 0, 0, "far-blue")],
	};
	const text = writeKitFile(design, {
		glasses: [glass("clear", { opacity: "clear" }), glass("far-blue"), glass("not-used")],
		families: [
			{ id: "90", label: "90", expansionE7PerK: 90, annealingC: 516, softeningC: 677, workingC: 930, tested: true },
		],
		moulds: [],
	});
	const read = readKitFile(text);
	if (!read.ok) throw new Error("own file not read");
	return read.value;
}

describe("kits from other studios", () => {
	it("bring the glass that is missing here, use what is here, and never overwrite it", async () => {
		const before = (await studio.see("books")).glasses.find(({ id }) => id === "clear");
		const { kitId, added } = await studio.act("importKit", { kitId: randomUUID(), file: file() });
		expect(added).toEqual(["far-blue"]);
		const { glasses } = await studio.see("books");
		expect(glasses.find(({ id }) => id === "clear")).toEqual(before);
		expect((await studio.see("kit", { id: kitId })).kit.reading.massG).toBeCloseTo((3600 + 400) * 3 * 2.5e-3);
	});

	it("whose glass of the same id is another glass gets an id of its own", async () => {
		const other = file((one) => {
			one.design.parts = [cut(square(60), 0, 0, 0, "clear")];
			one.glasses = [glass("clear", { thicknessMm: 4 })];
		});
		const { kitId } = await studio.act("importKit", { kitId: randomUUID(), file: other });
		const { kit } = await studio.see("kit", { id: kitId });
		expect(kit.reading.thickestMm).toBe(4);
		expect(kit.document.parts[0]).toMatchObject({ glassId: expect.stringMatching(/^clear-/) });
	});

	it("of a family unknown here come in as untested, and are stopped", async () => {
		const strange = file((one) => {
			one.glasses.push(glass("river", { familyId: "river" }));
			one.families.push({
				id: "river",
				label: "river pane",
				expansionE7PerK: 88,
				annealingC: 540,
				softeningC: 700,
				workingC: 1000,
				tested: true,
			});
			one.design.parts = [cut(square(40), 0, 0, 0, "river")];
		});
		const { kitId, added } = await studio.act("importKit", { kitId: randomUUID(), file: strange });
		expect(added).toContain("family river pane, untested");
		const { kit } = await studio.see("kit", { id: kitId });
		expect(kit.reading.findings[0]).toMatchObject({ severity: "stop", code: "untested-glass" });
	});

	it("are not taken twice under one id", async () => {
		const kitId = randomUUID();
		await studio.act("importKit", { kitId, file: file() });
		expect((await refusal(studio.act("importKit", { kitId, file: file() }))).status).toBe(409);
	});
});

describe("saving a kit", () => {
	it("names the part whose glass, and the mould, that are not in the books", async () => {
		const unknownGlass = { ...emptyKit("x"), parts: [clear(), cut(square(9), 1, 0, 0, "nowhere", { name: "Pane" })] };
		const refused = await refusal(studio.act("saveKit", { kitId: randomUUID(), revision: 0, document: unknownGlass }));
		expect(refused.problems).toEqual([
			{ path: ["document", "parts", 1, "glassId"], sentence: "Pane is cut from a glass this studio does not have." },
		]);
		const unknownMould = {
			...emptyKit("x"),
			parts: [clear()],
			route: [{ level: "slump" as const, handWork: "", mouldId: "none" }],
		};
		expect(
			await sentences(studio.act("saveKit", { kitId: randomUUID(), revision: 0, document: unknownMould })),
		).toContain("mould");
	});

	it("a piece of a kit with components begins at the firing that lays it up, not at the one that made them", async () => {
		const dots = {
			...emptyKit("Dotted"),
			parts: [
				cut(square(60), 0, 0, 0, "clear", { firing: 1 }),
				lay({ kind: "component", componentId: "dot" }, 1, 0, 0, { firing: 1 }),
			],
			components: [{ id: "dot", name: "Dot", firing: 0, parts: [cut(square(10), 0, 0, 0, "stubble")] }],
			route: fire("full", "tack"),
		};
		const kitId = await saved(dots);
		const { session, seats } = await studio.see("bench");
		const pieceId = randomUUID();
		const issues = [{ pieceId, eventId: randomUUID(), studentId: seats[1]?.studentId ?? "" }];
		await studio.act("issueKits", { sessionId: session?.id ?? "", kitId, promisedDay: null, issues });
		const [row] = await studio.db.select({ journey: piece.journey }).from(piece).where(eq(piece.id, pieceId));
		expect(row?.journey.route.map(({ level }) => level)).toEqual(["tack"]);
		const { versions } = await studio.see("kit", { id: kitId });
		expect(versions).toEqual([expect.objectContaining({ version: 1, revision: 1, pieces: 1 })]);
		const frozen = await studio.see("kitVersion", { id: kitId, version: "1" });
		expect(frozen.document).toEqual(dots);
		expect((await refusal(studio.see("kitVersion", { id: kitId, version: "9" }))).status).toBe(404);
	});
});

describe("files of a kit", () => {
	it("of its draft and of a frozen version, in a palette, under a name every file system takes", async () => {
		const name = "Ä „roof“ / 7°";
		const palettes = [{ id: "p", name: "dusk", glass: { clear: "dusk" } }];
		const kitId = await saved({ ...emptyKit(name), parts: [clear()], palettes });
		const db = studio.db;
		const svg = await kitFileOf(db, wish(kitId, "kit.svg"));
		const dusk = await kitFileOf(db, wish(kitId, "kit.svg", { palette: "p" }));
		expect(svg.name).toBe("a-roof-7.svg");
		expect(String(svg.body)).toContain("#dcebe4");
		expect(String(dusk.body)).toContain("#4c5f86");
		expect((await kitFileOf(db, wish(kitId, "kit.pdf", { palette: "p", paper: "letter" }))).type).toBe(
			"application/pdf",
		);
		for (const bad of [wish(kitId, "kit.exe"), wish(kitId, "kit.svg", { version: 3 }), wish("../etc", "kit.svg")])
			expect((await refusal(kitFileOf(db, bad))).status).toBe(404);
		expect((await refusal(kitFileOf(db, wish(kitId, "kit.pdf", { paper: "a0" })))).status).toBe(400);
	});
});

describe("kits written before this version", () => {
	it("are carried over by the migration: every part a cut of sheet for the first firing", async () => {
		const kitId = await saved({ ...emptyKit("Old"), parts: [clear(0, 40)] });
		const old = {
			name: "Old",
			note: "",
			parts: [
				{
					id: "a",
					name: "a",
					shape: { kind: "square", sideMm: 40 },
					glassId: "clear",
					layer: 0,
					xMm: 0,
					yMm: 0,
					turnDeg: 0,
				},
			],
			route: [{ level: "full", handWork: "" }],
		};
		await studio.db.execute(sql`update ${kitDesign} set document = ${JSON.stringify(old)}::jsonb where id = ${kitId}`);
		const { readFileSync } = await import("node:fs");
		const text = readFileSync(new URL("../../db/migrations/0002_kit_bench.sql", import.meta.url), "utf8");
		const carry = text.slice(text.indexOf("CREATE FUNCTION")).split("--> statement-breakpoint");
		await studio.db.transaction(async (tx) => {
			for (const statement of carry) await tx.execute(sql.raw(statement));
		});
		const [row] = await studio.db.select().from(kitDesign).where(eq(kitDesign.id, kitId));
		expect(row?.document).toEqual({
			...emptyKit("Old"),
			parts: [expect.objectContaining({ kind: "sheet", faceDown: false, firing: 0, id: "a" })],
		});
		const stale = await studio.db.select().from(kitVersion).where(sql`not ${kitVersion.document} ? 'version'`);
		expect(stale).toEqual([]);
	});
});
