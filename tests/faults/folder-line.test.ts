import { randomUUID } from "node:crypto";
import { appendFile, mkdir, mkdtemp, rename, rm, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { newSchedule, PLAIN_PIECE } from "@core/firing/document";
import { FAMILY_90 } from "@core/glass/family";
import { DEFAULT_KILN } from "@core/kiln/kiln";
import { METRIC, phraseText } from "@core/units/phrase";
import { latestLive } from "@db/queries/readings";
import { firing, kiln, kilnAlarm, kilnReading } from "@db/schema";
import type { KilnLine } from "@server/devices/kiln-line";
import { KilnListener } from "@server/devices/kiln-listener";
import { and, asc, eq, isNull, sql } from "drizzle-orm";
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { refusal } from "../support/refusal";
import { type DemoStudio, demoStudio } from "../support/studio";

/** A recorder that writes CSV into a folder, and everything that may be wrong with what it writes. */
const NAMES = "time,temperature °C,set point °C,duty,kWh";
const MINUTE_MS = 60_000;
const DAY_MS = 86_400_000;
/** When all of it happens; the listener and the studio are told, nobody looks at the wall. */
const NOW = new Date("2031-05-20T14:00:00Z");
const at = (ms: number) => new Date(NOW.getTime() + ms);
const line = (ms: number, airC: number | string, kwh: number | string = "") =>
	`${at(ms).toISOString()},${airC},600,0.5,${kwh}\n`;
const log = (...lines: string[]) => [`${NAMES}\n`, ...lines].join("");
const MAPPING = {
	time: { column: 0, as: "instant" as const, startsAt: null },
	air: 1,
	set: null,
	duty: null,
	kwh: null,
	unit: "C" as const,
	dutyIn: "share" as const,
	decimal: "." as const,
};
const confirmed = {
	folder: "silo",
	form: {
		delimiter: "," as const,
		header: NAMES.split(","),
		columns: 5,
		mapping: { ...MAPPING, set: 2, duty: 3, kwh: 4 },
	},
	at: NOW.toISOString(),
	byId: "",
};
const document = newSchedule("recorder test", FAMILY_90, DEFAULT_KILN, [PLAIN_PIECE]);

let studio: DemoStudio;
let listener: KilnListener;
let kilnId = "";
let place = "";
let firingId = "";

beforeAll(async () => {
	studio = await demoStudio();
	await studio.db.update(firing).set({ state: "opened" }).where(eq(firing.state, "running"));
	const [silo] = await studio.db.select().from(kiln).where(eq(kiln.name, "Silo kiln"));
	kilnId = silo?.id ?? "";
	await studio.db
		.update(kiln)
		.set({ line: { driver: "folder", folder: "silo" }, recorder: confirmed })
		.where(eq(kiln.id, kilnId));
});
afterAll(() => studio.close());

beforeEach(async () => {
	process.env.ZEPHYR_LOGS = await mkdtemp(join(process.cwd(), "data", "test", "logs-"));
	place = join(process.env.ZEPHYR_LOGS, "silo");
	await mkdir(place);
	await studio.db.delete(kilnReading).where(eq(kilnReading.kilnId, kilnId));
	listener = new KilnListener(studio.db);
	firingId = randomUUID();
	const long = at(-40 * 60 * MINUTE_MS);
	await studio.act(
		"planFiring",
		{ firingId, kilnId, scheduleId: null, document, what: "recorder test" },
		{ now: long },
	);
	await studio.act("startFiring", { firingId, speedUp: 1, somebodyThere: true }, { now: long });
});
afterEach(async () => {
	listener.close();
	await studio.db.update(firing).set({ state: "opened" }).where(eq(firing.id, firingId));
	await rm(process.env.ZEPHYR_LOGS ?? "", { recursive: true });
});

let rounds = 0;
/** A round of the listener, some time after the last one. */
const round = (ms = 0) => listener.round(at(ms + rounds++ * 1000));
const write = (text: string, name = "log.csv") => writeFile(join(place, name), text);
const known = async () =>
	(await studio.db.select().from(kilnReading).where(eq(kilnReading.kilnId, kilnId)).orderBy(asc(kilnReading.at))).map(
		({ airC }) => airC,
	);
/** Open alarms about the line itself; what the temperatures mean is tested elsewhere. */
const alarms = async () =>
	(
		await studio.db
			.select()
			.from(kilnAlarm)
			.where(and(eq(kilnAlarm.firingId, firingId), isNull(kilnAlarm.endedAt)))
	).filter(({ kind }) => ["noReading", "noSensor", "notKept"].includes(kind));

describe("one reading dated ahead", () => {
	it("neither hides the real temperature nor permits opening, and is told", async () => {
		await write(log(line(-2 * MINUTE_MS, 610), line(83 * DAY_MS, 25)));
		await write(log(line(-MINUTE_MS, 605), line(-30_000, 600)), "now.csv");
		await round();
		expect((await latestLive(studio.db, kilnId, NOW))?.airC).toBe(600);
		const seen = (await studio.see("open", {}, NOW)).firings.find(({ id }) => id === firingId);
		expect(seen).toMatchObject({ kilnHeat: { how: "measured", measuredC: 600 }, opening: { may: false } });
		const early = studio.act("openFiring", { firingId, earlyReason: "" }, { role: "assistant", now: NOW });
		expect((await refusal(early)).status).toBe(403);
		const [alarm] = await alarms();
		expect(alarm?.kind).toBe("notKept");
		expect(phraseText(alarm?.sentence ?? [], METRIC)).toContain("clock of this kiln’s recorder is wrong");
		await round(20_000); // nothing new: it is still so
		expect((await alarms()).map(({ kind }) => kind)).toEqual(["notKept"]);
		await appendFile(join(place, "now.csv"), line(0, 595));
		await round(MINUTE_MS);
		expect((await latestLive(studio.db, kilnId, at(MINUTE_MS)))?.airC).toBe(595);
		expect(await alarms()).toEqual([]);
	});

	it("that came in with a log is no live reading, whatever it is dated; lines ahead of now are left out and counted", async () => {
		await write(log(line(-2 * MINUTE_MS, 620), line(-MINUTE_MS, 615), line(-30_000, 612)));
		await round();
		const text = log(line(-5000, 25), line(-4000, 25), line(-3000, 25), line(83 * DAY_MS, 25));
		const importId = randomUUID();
		const brought = { importId, kilnId, text, mapping: MAPPING };
		expect(await studio.act("importKilnLog", brought, { now: NOW })).toMatchObject({ added: 3, known: 0, skipped: 1 });
		expect(await studio.act("importKilnLog", brought, { now: NOW })).toMatchObject({ added: 3, skipped: 1 });
		expect((await latestLive(studio.db, kilnId, NOW))?.airC).toBe(612);
		const seen = (await studio.see("open", {}, NOW)).firings.find(({ id }) => id === firingId);
		expect(seen).toMatchObject({ kilnHeat: { how: "measured", measuredC: 612 }, opening: { may: false } });
		const ahead = {
			...brought,
			importId: randomUUID(),
			text: log(line(DAY_MS, 1), line(2 * DAY_MS, 2), line(3 * DAY_MS, 3)),
		};
		expect((await refusal(studio.act("importKilnLog", ahead, { now: NOW }))).message).toContain("dated in the future");

		const { imports } = await studio.see("kiln", { id: kilnId }, NOW);
		expect(imports).toMatchObject([{ id: importId, added: 3 }]);
		const drawn = async () =>
			(
				await studio.see(
					"kilnRecord",
					{ id: kilnId, from: at(-DAY_MS).toISOString(), to: at(DAY_MS).toISOString() },
					NOW,
				)
			).points;
		expect(Math.min(...(await drawn()).map(({ lowC }) => lowC))).toBe(25);
		expect(await studio.act("takeBackImport", { importId })).toEqual({ importId, removed: 3 });
		expect(await known()).toEqual([620, 615, 612]);
		expect(Math.min(...(await drawn()).map(({ lowC }) => lowC))).toBe(612);
		expect((await studio.see("kiln", { id: kilnId }, NOW)).imports).toEqual([]);
		expect(await studio.act("takeBackImport", { importId })).toEqual({ importId, removed: 3 });
	});

	it("where a log says one thing and the kiln’s line another of the same instant, the line counts", async () => {
		const text = log(line(-3 * MINUTE_MS, 30), line(-2 * MINUTE_MS, 30), line(-MINUTE_MS, 30));
		await studio.act("importKilnLog", { importId: randomUUID(), kilnId, text, mapping: MAPPING }, { now: NOW });
		await write(log(line(-2 * MINUTE_MS, 700), line(-MINUTE_MS, 698), line(-30_000, 697)));
		await round();
		expect(await known()).toEqual([30, 700, 698, 697]);
		expect((await latestLive(studio.db, kilnId, NOW))?.airC).toBe(697);
	});
});

describe("a reading that cannot be stored", () => {
	it("loses only the field that cannot be true; the watch goes on", async () => {
		await write(log(line(-2 * MINUTE_MS, 700, 3), line(-MINUTE_MS, 701, "1e300"), line(-30_000, -9999, 4)));
		await round();
		const rows = await studio.db
			.select()
			.from(kilnReading)
			.where(eq(kilnReading.kilnId, kilnId))
			.orderBy(asc(kilnReading.at));
		expect(rows.map(({ airC, kwh }) => [airC, kwh])).toEqual([
			[700, 3],
			[701, null],
			[null, 4],
		]);
		expect((await alarms()).map(({ kind }) => kind)).toEqual(["noSensor"]);
	});

	it("a clock that steps back holds up nothing: the kiln is read and looked after at once", async () => {
		await write(log(line(-2 * MINUTE_MS, 700)));
		await round();
		await appendFile(join(place, "log.csv"), line(-MINUTE_MS, 705));
		await listener.round(at(-30_000));
		expect(await known()).toEqual([700, 705]);
	});

	it("a line that hangs does not keep the watch from looking: silence is told all the same", async () => {
		await write(log(line(-2 * MINUTE_MS, 700), line(-MINUTE_MS, 701), line(-30_000, 702)));
		await round();
		const lines = (listener as unknown as { lines: Map<string, { line: KilnLine }> }).lines;
		const hanging = lines.get(kilnId);
		await new Promise<void>((hangs) => {
			const read = () => {
				hangs();
				return new Promise<never>(() => {});
			};
			if (hanging) hanging.line = { ...hanging.line, read };
			void round(MINUTE_MS);
		});
		await round(20 * MINUTE_MS);
		expect((await alarms()).map(({ kind }) => kind)).toEqual(["noReading"]);
	});

	it("is an alarm of its own, ended once readings are kept again; none of them is lost", async () => {
		await studio.db.execute(sql`alter table kiln_reading add constraint never check (air_c < 100) not valid`);
		await write(log(line(-2 * MINUTE_MS, 700), line(-MINUTE_MS, 701), line(-30_000, 702)));
		await round();
		expect(await known()).toEqual([]);
		expect((await alarms()).map(({ kind }) => kind).sort()).toEqual(["noReading", "notKept"]);
		await studio.db.execute(sql`alter table kiln_reading drop constraint never`);
		await appendFile(join(place, "log.csv"), line(30_000, 703));
		await round(MINUTE_MS);
		expect(await known()).toEqual([700, 701, 702, 703]);
		expect(await alarms()).toEqual([]);
	});
});

describe("a folder of logs", () => {
	it("is followed from where it was read, whole lines only; what is no log harms nothing", async () => {
		await write("no log at all", "broken.csv");
		await write(log(line(-4 * MINUTE_MS, 20), line(-3 * MINUTE_MS, 21), line(-2 * MINUTE_MS, 22)));
		await round();
		expect(await known()).toEqual([20, 21, 22]);
		const [first, rest] = [line(-MINUTE_MS, 812).slice(0, 27), line(-MINUTE_MS, 812).slice(27)];
		await appendFile(join(place, "log.csv"), first);
		await round(MINUTE_MS);
		expect(await known()).toEqual([20, 21, 22]);
		await appendFile(join(place, "log.csv"), rest);
		await round(2 * MINUTE_MS);
		expect(await known()).toEqual([20, 21, 22, 812]);
	});

	it("a file that was put aside and begun anew is read from its beginning", async () => {
		await write(log(line(-9 * MINUTE_MS, 20), line(-8 * MINUTE_MS, 21), line(-7 * MINUTE_MS, 22)));
		await round();
		await rename(join(place, "log.csv"), join(place, "old.txt"));
		await write(log(line(-3 * MINUTE_MS, 30), line(-2 * MINUTE_MS, 31), line(-MINUTE_MS, 32)));
		await round(MINUTE_MS);
		expect(await known()).toEqual([20, 21, 22, 30, 31, 32]);
	});

	it("read again after a restart adds nothing", async () => {
		await write(log(line(-9 * MINUTE_MS, 20), line(-8 * MINUTE_MS, 21), line(-7 * MINUTE_MS, 22)));
		await round();
		listener.close();
		listener = new KilnListener(studio.db);
		await round(MINUTE_MS);
		expect(await known()).toEqual([20, 21, 22]);
	});
});
