import { randomUUID } from "node:crypto";
import { appendFile, mkdir, mkdtemp, rm, utimes, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { newSchedule, PLAIN_PIECE } from "@core/firing/document";
import { FAMILY_90 } from "@core/glass/family";
import { DEFAULT_KILN } from "@core/kiln/kiln";
import type { RecorderForm } from "@core/kiln/log";
import { METRIC, phraseText } from "@core/units/phrase";
import { firing, kiln, kilnReading } from "@db/schema";
import { readRecorded } from "@formats/recorder-line";
import { KilnListener } from "@server/devices/kiln-listener";
import { eq } from "drizzle-orm";
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { refusal } from "../support/refusal";
import { type DemoStudio, demoStudio } from "../support/studio";

/** A recorder whose columns, units and decimal signs nobody has confirmed, or that changes them: a hot kiln is never taken for cool. */
const NOW = new Date("2031-05-20T14:00:00Z");
const MINUTE_MS = 60_000;
const at = (ms: number) => new Date(NOW.getTime() + ms);
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
});
afterAll(() => studio.close());

beforeEach(async () => {
	process.env.ZEPHYR_LOGS = await mkdtemp(join(process.cwd(), "data", "test", "logs-"));
	place = join(process.env.ZEPHYR_LOGS, "silo");
	await mkdir(place);
	await studio.db.delete(kilnReading).where(eq(kilnReading.kilnId, kilnId));
	await studio.db
		.update(kiln)
		.set({ line: { driver: "folder", folder: "silo" }, recorder: null })
		.where(eq(kiln.id, kilnId));
	listener = new KilnListener(studio.db);
	firingId = randomUUID();
	// Long ago: by the clock alone the glass would be cool.
	const long = { now: at(-60 * 60 * MINUTE_MS) };
	await studio.act("planFiring", { firingId, kilnId, scheduleId: null, document, what: "recorder test" }, long);
	await studio.act("startFiring", { firingId, speedUp: 1, somebodyThere: true }, long);
});
afterEach(async () => {
	listener.close();
	await studio.db.update(firing).set({ state: "opened" }).where(eq(firing.id, firingId));
	await rm(process.env.ZEPHYR_LOGS ?? "", { recursive: true });
});

let rounds = 0;
const round = (ms = 0) => listener.round(at(ms + rounds++ * 1000));
const write = (text: string, name = "log.csv") => writeFile(join(place, name), text);
const heat = async (ms = 10_000) =>
	(await studio.see("open", {}, at(ms))).firings.find(({ id }) => id === firingId)?.kilnHeat;
const mayAnAssistantOpen = async (ms = 10_000) =>
	studio.act("openFiring", { firingId, earlyReason: "" }, { role: "assistant", now: at(ms) }).then(
		() => true,
		() => false,
	);
const unconfirmed = async () =>
	(await studio.see("frame", {}, NOW)).alarms.filter(
		({ kilnId: its, kind, endedAt }) => its === kilnId && kind === "unconfirmed" && !endedAt,
	);
const looked = () => studio.see("recorder", { id: kilnId }, at(10_000));
/** A person looks at what it writes, says what the columns mean, and that the kiln is as hot as that says. */
async function confirm(change: (form: RecorderForm) => RecorderForm = (form) => form): Promise<void> {
	const view = await looked();
	const form = change(view.form as RecorderForm);
	const zone = (await studio.see("frame", {}, NOW)).timeZone;
	const last = readRecorded(view.tail, form, zone, { foreign: false }).readings.at(-1);
	const says = { c: last?.airC ?? Number.NaN, at: new Date(last?.atMs ?? 0).toISOString() };
	await studio.act("confirmRecorder", { kilnId, form, says, sure: true }, { now: at(10_000) });
}
const HEAD = "time,ambient temp,kiln temp\n";
const line = (ms: number, ambient: number | string, air: number | string) =>
	`${at(ms).toISOString()},${ambient},${air}\n`;

describe("a recorder that nobody has confirmed", () => {
	it("is not read: no temperature, an alarm, and nobody opens by it", async () => {
		await write(HEAD + line(-2 * MINUTE_MS, 24, 822) + line(-MINUTE_MS, 24.2, 821));
		await round();
		expect(await heat()).toEqual({ how: "nothing", why: "unconfirmed", last: null });
		expect((await unconfirmed()).map(({ sentence }) => phraseText(sentence, METRIC))).toEqual([
			expect.stringContaining("Nobody has confirmed what this kiln’s recorder writes"),
		]);
		expect(await mayAnAssistantOpen()).toBe(false);
		expect((await looked()).form?.mapping.air).toBe(2);
	});

	it("says from then on what was confirmed; the alarm ends; what was confirmed stands in the record of who did what", async () => {
		await write(HEAD + line(-2 * MINUTE_MS, 24, 822) + line(-MINUTE_MS, 24.2, 821));
		await round();
		await confirm();
		await round(2 * MINUTE_MS);
		expect(await heat()).toMatchObject({ how: "measured", measuredC: 821 });
		expect(await unconfirmed()).toEqual([]);
		expect(await mayAnAssistantOpen()).toBe(false);
		const { confirmed, misfit } = await looked();
		expect([confirmed?.form.mapping.air, misfit]).toEqual([2, null]);
		const { audit } = await studio.see("people", {}, NOW);
		expect(audit.some(({ kind, about }) => kind === "recorderConfirmed" && about.includes("column 3"))).toBe(true);
	});

	it("what was shown has to be in the file: nobody confirms what it does not say", async () => {
		await write(HEAD + line(-MINUTE_MS, 24.2, 821));
		const { form } = await looked();
		const says = { c: 24, at: at(-MINUTE_MS).toISOString() };
		const act = (kept: RecorderForm) =>
			refusal(studio.act("confirmRecorder", { kilnId, form: kept, says, sure: true }, { now: NOW }));
		expect((await act(form as RecorderForm)).status).toBe(409);
		expect((await act({ ...(form as RecorderForm), header: ["time", "kiln temp", "ambient temp"] })).status).toBe(409);
		const asAssistant = studio.act(
			"confirmRecorder",
			{ kilnId, form: form as RecorderForm, says: { ...says, c: 821 }, sure: true },
			{ role: "assistant", now: NOW },
		);
		expect((await refusal(asAssistant)).status).toBe(403);
	});

	it("in °F, with a decimal comma, the day first, the hall's column before the kiln's", async () => {
		const rows = [
			["20.05.2031 07:57:00", "75,2", "1.507,6"],
			["20.05.2031 07:58:00", "75,2", "1509,8"],
		];
		await write(`Zeit;Halle °F;Ofen °F\n${rows.map((row) => row.join(";")).join("\n")}\n`);
		await studio.db.execute("update studio set time_zone = 'America/Regina'");
		await round();
		await confirm((form) => ({
			...form,
			mapping: { ...form.mapping, air: 2, time: { ...form.mapping.time, column: 0, as: "dayFirst" } },
		}));
		await round(2 * MINUTE_MS);
		const [row] = (await studio.db.select().from(kilnReading).where(eq(kilnReading.kilnId, kilnId))).slice(-1);
		expect(row?.airC).toBeCloseTo(821, 6); // 1509.8 °F
		expect(row?.at).toEqual(new Date("2031-05-20T13:58:00Z"));
	});
});

describe("a recorder that was confirmed and changes", () => {
	beforeEach(async () => {
		await write(HEAD + line(-9 * MINUTE_MS, 24, 822) + line(-8 * MINUTE_MS, 24.2, 821));
		await round();
		await confirm();
		await round(2 * MINUTE_MS);
		expect(await heat()).toMatchObject({ how: "measured", measuredC: 821 });
	});

	it.each([
		["its columns", "time,kiln temp,ambient temp\n", line(-MINUTE_MS, 820, 24), "other columns"],
		["its unit, in the names", "time,ambient °C,kiln °C\n", line(-MINUTE_MS, 24, 327), "other columns"],
		["its decimal sign", HEAD, `${at(-MINUTE_MS).toISOString()},"24,1","820,4"\n`, "another decimal sign"],
		["thousands apart", HEAD, `${at(-MINUTE_MS).toISOString()},24,"1,003"\n`, "could mean two things"],
		["the unit behind the figures", HEAD, line(-MINUTE_MS, "75 F", "1508 F"), "another unit"],
		["a column more", "", `${at(-MINUTE_MS).toISOString()},24,820,ok\n`, "more or fewer columns"],
		["how it writes times", HEAD, "20/05/2031 07:59:00,24,820\n", "another form"],
	])("%s: no reading and an alarm at once, until somebody confirms it again", async (_, head, text, words) => {
		if (head) {
			await write(head + text, "next.csv");
			await utimes(join(place, "log.csv"), NOW, at(-8 * MINUTE_MS));
			await utimes(join(place, "next.csv"), NOW, at(-MINUTE_MS));
		} else await appendFile(join(place, "log.csv"), text);
		await round(3 * MINUTE_MS);
		expect(await heat()).toMatchObject({ how: "nothing", why: "unconfirmed" });
		expect((await unconfirmed()).map(({ sentence }) => phraseText(sentence, METRIC)).join()).toContain(words);
		expect(await mayAnAssistantOpen()).toBe(false);
		expect((await studio.db.select().from(kilnReading).where(eq(kilnReading.kilnId, kilnId))).at(-1)?.airC).toBe(821);
	});

	it("it is read again once what it writes now was confirmed, from where it changed", async () => {
		await appendFile(
			join(place, "log.csv"),
			`time,kiln temp,ambient temp\n${line(-3 * MINUTE_MS, 815, 24)}${line(-2 * MINUTE_MS, 814, 24)}`,
		);
		await round(3 * MINUTE_MS);
		expect(await unconfirmed()).toHaveLength(1);
		await confirm();
		await round(4 * MINUTE_MS);
		expect(await heat()).toMatchObject({ how: "measured", measuredC: 814 });
		expect(await unconfirmed()).toEqual([]);
		const rows = await studio.db.select().from(kilnReading).where(eq(kilnReading.kilnId, kilnId));
		expect(rows.map(({ airC }) => airC).sort()).toEqual([814, 815, 821, 822]);
	});

	it("another folder was never confirmed", async () => {
		await mkdir(join(place, "..", "mill"));
		await writeFile(join(place, "..", "mill", "log.csv"), HEAD + line(-MINUTE_MS, 24, 26));
		await studio.db
			.update(kiln)
			.set({ line: { driver: "folder", folder: "mill" } })
			.where(eq(kiln.id, kilnId));
		await round(3 * MINUTE_MS);
		expect(await heat()).toMatchObject({ how: "nothing", why: "unconfirmed" });
		expect(await mayAnAssistantOpen()).toBe(false);
	});
});
