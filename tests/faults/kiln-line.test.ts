import { randomUUID } from "node:crypto";
import type { ActionInput } from "@contract/actions";
import { newSchedule, PLAIN_PIECE } from "@core/firing/document";
import { FAMILY_90 } from "@core/glass/family";
import { DEFAULT_KILN } from "@core/kiln/kiln";
import { GENERIC_MAP } from "@core/kiln/register-map";
import { METRIC, phraseText } from "@core/units/phrase";
import { displayReading, firing, firingNote, kiln, kilnAlarm, kilnReading } from "@db/schema";
import { KilnListener } from "@server/devices/kiln-listener";
import { Unkept } from "@server/devices/unkept";
import { Refusal } from "@server/house/refusal";
import { serveKilns } from "@standins/kiln-server";
import { and, asc, eq, isNotNull, isNull } from "drizzle-orm";
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it, vi } from "vitest";
import { freePort } from "../../scripts/cluster";
import { refusal } from "../support/refusal";
import { type DemoStudio, demoStudio } from "../support/studio";

/**
 * Every way in which a kiln and its line can fail, on a stand-in that speaks Modbus TCP, at an hour a second. The clock is held
 * and stepped: between two steps everything is read, however slow the machine.
 */
const FAST = 3600;
const SILENT_MS = 20_000;
/** A hot kiln at this speed is read every step: a quarter of an hour of its own time. */
const STEP_MS = 250;
const document = newSchedule("line test", FAMILY_90, DEFAULT_KILN, [PLAIN_PIECE]);

let studio: DemoStudio;
let standIn: { close(): Promise<void> };
let listener: KilnListener;
let kilnId = "";
let basePort = 0;
/** Moves the listener's clock ahead of the wall's, so that silence need not be waited for. */
let aheadMs = 0;
/** Where the test before left the clock: it never goes back. */
let lastMs = Date.now();

beforeAll(async () => {
	studio = await demoStudio();
	await studio.db.update(firing).set({ state: "opened" }).where(eq(firing.state, "running"));
	const [silo] = await studio.db.select().from(kiln).where(eq(kiln.name, "Silo kiln"));
	kilnId = silo?.id ?? "";
});
afterAll(() => studio.close());

beforeEach(async () => {
	vi.useFakeTimers({ toFake: ["Date"], now: lastMs + 60_000 });
	basePort = await freePort(3);
	process.env.ZEPHYR_STAND_IN_PORT = String(basePort);
	process.env.ZEPHYR_STAND_INS = "2";
	standIn = await serveKilns(basePort, 2);
	listener = new KilnListener(studio.db);
	aheadMs = 0;
	await studio.db
		.update(kiln)
		.set({ line: { driver: "modbus", host: "stand-in", port: 2, unit: 1, map: GENERIC_MAP } })
		.where(eq(kiln.id, kilnId));
});
afterEach(async () => {
	listener.close();
	await standIn.close();
	await studio.db.delete(displayReading);
	await studio.db.update(firing).set({ state: "opened" }).where(eq(firing.state, "running"));
	lastMs = Date.now();
	vi.useRealTimers();
});

async function listen(ms: number): Promise<void> {
	for (let passed = 0; passed < ms; passed += STEP_MS) {
		vi.setSystemTime(Date.now() + STEP_MS);
		await listener.round(new Date(Date.now() + aheadMs));
	}
}

/** Listens until something is so, at most a day and a half of kiln time. */
async function until<T>(what: () => Promise<T | undefined | false>): Promise<T> {
	for (let i = 0; i < 144; i++) {
		const answer = await what();
		if (answer) return answer;
		await listen(STEP_MS);
	}
	throw new Error("It did not come to this within a day and a half.");
}

async function started(): Promise<string> {
	const firingId = randomUUID();
	await studio.act("planFiring", { firingId, kilnId, scheduleId: null, document, what: "line test" });
	await studio.act("startFiring", { firingId, speedUp: FAST, somebodyThere: true });
	return firingId;
}

const readingsOf = (firingId: string) =>
	studio.db.select().from(kilnReading).where(eq(kilnReading.firingId, firingId)).orderBy(asc(kilnReading.at));
const openAlarm = async (firingId: string, kind: string) => {
	const rows = await studio.db
		.select()
		.from(kilnAlarm)
		.where(and(eq(kilnAlarm.firingId, firingId), isNull(kilnAlarm.endedAt)));
	return rows.find((row) => row.kind === kind);
};
const alarms = async (firingId: string) =>
	(await studio.db.select().from(kilnAlarm).where(eq(kilnAlarm.firingId, firingId))).map(({ kind }) => kind);
const heated = (firingId: string, c: number) =>
	until(async () => (await readingsOf(firingId)).some(({ airC }) => (airC ?? 0) > c));
const fail = (fault: ActionInput<"tellStandIn">["fault"], forMin = 90) =>
	studio.act("tellStandIn", { kilnId, fault, forMin });

describe("a neighbour’s kiln where ours was", () => {
	it("is neither read nor pressed: its stand-in ended, and another studio’s listens at its port", async () => {
		const firingId = await started();
		await heated(firingId, 100);
		await standIn.close();
		standIn = await serveKilns(basePort, 2, 77);
		const before = (await readingsOf(firingId)).length;
		await listen(20 * STEP_MS);
		expect(await readingsOf(firingId)).toHaveLength(before);
		await expect(fail("stuckRelay")).rejects.toThrow();
		// Ours is there again: what it says is heard.
		await standIn.close();
		standIn = await serveKilns(basePort, 2);
		await until(async () => (await readingsOf(firingId)).length > before);
	});
});

describe("readings that waited for the book", () => {
	it("come in although it was read back from an older copy that does not know their firing", async () => {
		const row = {
			kilnId,
			airC: 412,
			setC: 410,
			duty: 0.4,
			kwh: 3,
			segment: 1,
			elapsedS: 7200,
			status: "running" as const,
		};
		const at = new Date(Math.floor(Date.now() / 1000) * 1000 - 600_000);
		await new Unkept(kilnId).add([{ ...row, at, firingId: randomUUID() }]);
		await listen(2 * STEP_MS);
		const [kept] = await studio.db
			.select()
			.from(kilnReading)
			.where(and(eq(kilnReading.kilnId, kilnId), eq(kilnReading.at, at)));
		expect(kept).toMatchObject({ airC: 412, firingId: null, elapsedS: null });
		expect(await new Unkept(kilnId).waiting()).toEqual([]);
	});
});

describe("a firing on the line", () => {
	it("is read every few seconds of kiln time, raises nothing, and has its end corrected by what was measured", async () => {
		const firingId = await started();
		await heated(firingId, 550);
		const rows = await readingsOf(firingId);
		expect(rows.length).toBeGreaterThan(5);
		expect(rows.at(-1)).toMatchObject({ status: "running", firingId });
		expect(rows.at(-1)?.duty).toBeGreaterThan(0);
		expect((rows.at(-1)?.elapsedS ?? 0) / 3600).toBeGreaterThan(2);
		expect(await alarms(firingId)).toEqual([]);
		await until(async () => {
			const [row] = await studio.db.select().from(firing).where(eq(firing.id, firingId));
			return row?.predictedOpenS ?? undefined;
		});
		const seen = await studio.see("readings", { firing: firingId });
		expect(seen.controller?.segment).toBeGreaterThanOrEqual(0);
		expect(seen.latest?.status).toBe("running");
		const { kilns } = await studio.see("kilnStrip");
		const { heat } = kilns.find(({ id }) => id === kilnId) ?? {};
		expect(heat?.how === "measured" && heat.measuredC).toBeGreaterThan(500);
	});

	it("that has cooled may be opened from then on: no later reading takes it back, and its end stays where it was", async () => {
		const firingId = await started();
		const seen = async () => (await studio.see("open")).firings.find(({ id }) => id === firingId);
		await until(async () => (await seen())?.opening.may);
		const before = await seen();
		await listen(1000); // the last prediction
		const settled = await seen();
		const kept = (await readingsOf(firingId)).length;
		for (let i = 0; i < 24; i++) {
			await listen(STEP_MS);
			expect(await seen()).toMatchObject({ opening: { may: true, why: [] } });
		}
		// Nothing of it changes any more: it is read like a kiln whose clock is not sped up.
		expect((await readingsOf(firingId)).length - kept).toBeLessThan(24);
		expect((await seen())?.predictedOpenS).toBe(settled?.predictedOpenS);
		expect((await seen())?.predictedEndS).toBe(settled?.predictedEndS);
		expect(settled?.predictedEndS).toBeLessThanOrEqual(before?.predictedOpenS ?? 0);
		await studio.act("openFiring", { firingId, earlyReason: "" });
	});

	it("goes on without losing a reading when the line drops, and shows the gap as a gap", async () => {
		const firingId = await started();
		await heated(firingId, 200);
		const before = await readingsOf(firingId);
		await standIn.close();
		await listen(800);
		aheadMs = SILENT_MS;
		await until(() => openAlarm(firingId, "noReading"));
		const { alarms: shown } = await studio.see("frame");
		expect(shown.some(({ kind }) => kind === "noReading")).toBe(true);
		const today = await studio.see("today");
		expect(today.doNow.some(({ what }) => what.includes("no reading"))).toBe(true);
		aheadMs = 0;
		standIn = await serveKilns(basePort, 2);
		listener.close();
		listener = new KilnListener(studio.db);
		await listener.catchUpStandIns();
		await listen(1500);
		const rows = await readingsOf(firingId);
		expect(rows.slice(0, before.length)).toEqual(before);
		expect(rows.length).toBeGreaterThan(before.length);
		const { points } = await studio.see("readings", { firing: firingId });
		expect(points.some(({ c }) => c === null)).toBe(true);
		expect(await openAlarm(firingId, "noReading")).toBeUndefined();
	});

	it("is only read by default; held and released where that was switched on; resumed only with somebody there", async () => {
		const firingId = await started();
		await heated(firingId, 100);
		const steer = (command: "hold" | "release" | "resume" | "extend" | "stop", somebodyThere = false) =>
			studio.act("steerKiln", { noteId: randomUUID(), firingId, command, sure: true, somebodyThere });
		await expect(steer("hold")).rejects.toThrow("may only be read from here");
		await studio.db
			.update(kiln)
			.set({ permissions: { steer: true, start: false } })
			.where(eq(kiln.id, kilnId));
		await expect(
			studio.act(
				"steerKiln",
				{ noteId: randomUUID(), firingId, command: "hold", sure: true, somebodyThere: true },
				{ role: "assistant" },
			),
		).rejects.toBeInstanceOf(Refusal);
		await steer("hold");
		await until(async () => (await readingsOf(firingId)).at(-1)?.status === "held");
		await expect(steer("resume", true)).rejects.toThrow("may only be read from here");
		await steer("release");
		await until(async () => (await readingsOf(firingId)).at(-1)?.status === "running");
		await studio.db
			.update(kiln)
			.set({ permissions: { steer: true, start: true } })
			.where(eq(kiln.id, kilnId));
		await expect(steer("resume")).rejects.toThrow("somebody has to be there");
		await steer("extend", true);
		await steer("stop");
		await until(async () => (await readingsOf(firingId)).at(-1)?.status === "complete");
		expect((await studio.see("readings", { firing: firingId })).notes.map(({ text }) => text).sort()).toEqual(
			["extend", "hold", "release", "stop"].map((command) => `${command} through the line`),
		);
		await studio.db
			.update(kiln)
			.set({ permissions: { steer: false, start: false } })
			.where(eq(kiln.id, kilnId));
	});
});

describe("a command to a kiln", () => {
	const asked = (firingId: string, command: "skip" | "hold" = "skip") => ({
		noteId: randomUUID(),
		firingId,
		command,
		sure: true as const,
		somebodyThere: false,
	});
	const allow = () =>
		studio.db
			.update(kiln)
			.set({ permissions: { steer: true, start: false } })
			.where(eq(kiln.id, kilnId));
	const noteOf = async (noteId: string) =>
		(await studio.db.select().from(firingNote).where(eq(firingNote.id, noteId)))[0];

	it("asked twice is sent once: a repeated skip skips one segment", async () => {
		await allow();
		const firingId = await started();
		await heated(firingId, 100);
		const skip = asked(firingId);
		const before = (await readingsOf(firingId)).at(-1)?.segment ?? 0;
		await studio.act("steerKiln", skip);
		await studio.act("steerKiln", skip);
		await listen(STEP_MS);
		expect((await readingsOf(firingId)).at(-1)?.segment).toBe(before + 1);
		expect(await noteOf(skip.noteId)).toMatchObject({
			command: "skip",
			outcome: "taken",
			text: "skip through the line",
		});
		const other = studio.act("steerKiln", { ...skip, command: "hold" });
		expect((await refusal(other)).message).toContain("This was asked already: skip through the line.");
	});

	it("that was not taken is noted, and the same asked again says so and sends nothing", async () => {
		await allow();
		const firingId = await started();
		await standIn.close();
		const hold = asked(firingId, "hold");
		expect((await refusal(studio.act("steerKiln", hold))).message).toContain("did not take it");
		expect((await noteOf(hold.noteId))?.outcome).toBe("refused");
		standIn = await serveKilns(basePort, 2);
		expect((await refusal(studio.act("steerKiln", hold))).message).toContain("not taken");
	});

	it("whose sender ended before an answer came is said to be unknown, and not sent again", async () => {
		await allow();
		const firingId = await started();
		const hold = asked(firingId, "hold");
		const [row] = [{ id: hold.noteId, firingId, command: "hold" as const, outcome: "asked" as const }];
		await studio.db.insert(firingNote).values({ ...row, at: new Date(), text: "hold asked through the line" });
		expect((await refusal(studio.act("steerKiln", hold))).message).toContain(
			"Look at Silo kiln before it is asked again",
		);
		await listener.settle(new Date(Date.now() + 30_000));
		expect((await noteOf(hold.noteId))?.outcome).toBe("asked");
		await listener.settle(new Date(Date.now() + 61_000));
		expect(await noteOf(hold.noteId)).toMatchObject({
			outcome: "unknown",
			text: "hold asked through the line; nobody knows whether it was taken",
		});
		expect((await refusal(studio.act("steerKiln", hold))).message).toContain("nobody knows");
	});
});

describe("the stand-in fails", () => {
	it("stuck relay: too hot is said at once, with how far", async () => {
		const firingId = await started();
		await heated(firingId, 300);
		await fail("stuckRelay");
		const alarm = await until(() => openAlarm(firingId, "overshoots"));
		expect(phraseText(alarm.sentence, METRIC)).toMatch(/above the \d+ °C that is asked for. A relay may be stuck/);
	});

	it("stuck relay on a controller that does not say its segment: told all the same, and over when the kiln is opened", async () => {
		const { segment: _, ...rest } = GENERIC_MAP;
		const line = { driver: "modbus" as const, host: "stand-in", port: 2, unit: 1, map: { ...rest, segment: null } };
		await studio.db.update(kiln).set({ line }).where(eq(kiln.id, kilnId));
		const firingId = await started();
		await heated(firingId, 400);
		const { controller, latest } = await studio.see("readings", { firing: firingId });
		expect(latest?.segment).toBeNull();
		expect(controller?.setC).toBeGreaterThan(300);
		await heated(firingId, 600);
		expect((await studio.see("readings", { firing: firingId })).controller?.segment).toBeGreaterThan(0);
		await fail("stuckRelay");
		await until(() => openAlarm(firingId, "overshoots"));
		await studio.act("openFiring", { firingId, earlyReason: "switched off at the wall" });
		expect(await openAlarm(firingId, "overshoots")).toBeUndefined();
	});

	it("stuck relay after the programme's end, and with nothing started at all: heating by itself is said, then the kiln's own limit", async () => {
		const firingId = await started();
		await until(async () => (await readingsOf(firingId)).at(-1)?.status === "complete");
		await until(async () => ((await readingsOf(firingId)).at(-1)?.airC ?? 999) < 200);
		await fail("stuckRelay");
		const alone = await until(() => openAlarm(firingId, "heatsAlone"));
		expect(phraseText(alone.sentence, METRIC)).toMatch(/^Rose by \d+ °C in .+ though its programme is over: \d+ °C/);
		await until(() => openAlarm(firingId, "aboveLimit"));
		expect((await studio.see("open")).firings.find(({ id }) => id === firingId)?.opening.may).toBe(false);
		await studio.act("openFiring", { firingId, earlyReason: "switched off at the wall" });
		expect(await openAlarm(firingId, "heatsAlone")).toBeUndefined();
		// No firing runs, and nobody knows how hot it is by now: it was hot when it was last heard.
		await listen(2 * 60_000);
		const now = (await studio.see("frame")).alarms.filter((one) => one.kilnId === kilnId && !one.endedAt);
		expect(now.map(({ kind, firing: its }) => [kind, its])).toContainEqual(["noSensor", null]);
	});

	it("a kiln that heats though nothing was started at all is told, on the kiln itself", async () => {
		await fail("stuckRelay");
		const open = async () =>
			(await studio.see("frame")).alarms.find(
				(one) => one.kilnId === kilnId && !one.endedAt && one.kind === "heatsAlone",
			);
		for (let min = 0; min < 20 && !(await open()); min++) {
			vi.setSystemTime(Date.now() + 60_000);
			await listener.round(new Date());
		}
		const alarm = await open();
		expect(alarm?.firing).toBeNull();
		expect(phraseText(alarm?.sentence ?? [], METRIC)).toContain("though nothing was started");
		await fail("none");
		for (let min = 0; min < 40 && (await open()); min++) {
			vi.setSystemTime(Date.now() + 60_000);
			await listener.round(new Date());
		}
		expect(await open()).toBeUndefined();
	});

	it.each(["shortedSensor", "stillSensor"] as const)(
		"%s: what it says is not believed, nothing is opened by it, and a person who reads another thermometer may",
		async (fault) => {
			const firingId = await started();
			await heated(firingId, 700);
			await until(async () => ((await readingsOf(firingId)).at(-1)?.airC ?? 999) < 420);
			const before = await studio.see("readings", { firing: firingId });
			await fail(fault);
			const alarm = await until(() => openAlarm(firingId, "sensorFault"));
			expect(phraseText(alarm.sentence, METRIC)).toMatch(/sensor is at fault|faster than a shut kiln can/);
			const { kilns } = await studio.see("kilnStrip");
			expect(kilns.find(({ id }) => id === kilnId)?.heat).toEqual({ how: "nothing", why: "sensorFault", last: null });
			const after = await studio.see("readings", { firing: firingId });
			expect(after.flowSoFar).toBeCloseTo(before.flowSoFar, 2);
			await listen(STEP_MS * 100); // more than a day of its own time
			const seen = (await studio.see("open")).firings.find(({ id }) => id === firingId);
			expect(seen?.opening).toMatchObject({ may: false, asksDisplay: true });
			const may = { role: "assistant" as const, now: new Date(Date.now()) };
			expect((await refusal(studio.act("openFiring", { firingId, earlyReason: "" }, may))).status).toBe(403);
			const hot = { firingId, earlyReason: "", display: { c: 140, readBy: "Ada Quill" } };
			expect((await refusal(studio.act("openFiring", hot, may))).message).toContain("read 140 °C off its display");
			await studio.act("openFiring", { ...hot, display: { c: 41, readBy: "Ada Quill" } }, may);
		},
	);

	it("open sensor: no temperature is made up, the kiln may not be opened, and it is over when it is mended", async () => {
		const firingId = await started();
		await heated(firingId, 200);
		await fail("openSensor");
		await until(() => openAlarm(firingId, "noSensor"));
		expect((await readingsOf(firingId)).at(-1)?.airC).toBeNull();
		const { kilns } = await studio.see("kilnStrip");
		expect(kilns.find(({ id }) => id === kilnId)?.heat).toMatchObject({ how: "nothing", why: "sensorOpen" });
		const much = new Date(Date.now() + 3_600_000);
		await expect(studio.act("openFiring", { firingId, earlyReason: "" }, { now: much })).rejects.toBeInstanceOf(
			Refusal,
		);
		await fail("none");
		await until(async () => !(await openAlarm(firingId, "noSensor")));
		const [known] = await studio.db
			.select()
			.from(kilnAlarm)
			.where(and(eq(kilnAlarm.firingId, firingId), isNotNull(kilnAlarm.endedAt)));
		await studio.act("seeAlarm", { alarmId: known?.id ?? "" }, { role: "assistant" });
		expect((await studio.see("frame")).alarms.some(({ id }) => id === known?.id)).toBe(false);
	});

	it("power cut: says how cold it got and what the glass bears; nothing goes on by itself", async () => {
		const firingId = await started();
		await heated(firingId, 400);
		await fail("powerCut", 150);
		await listen(300);
		aheadMs = SILENT_MS;
		await until(() => openAlarm(firingId, "noReading"));
		aheadMs = 0;
		listener.close();
		listener = new KilnListener(studio.db);
		const alarm = await until(() => openAlarm(firingId, "powerLost"));
		expect(phraseText(alarm.sentence, METRIC)).toMatch(/It fell from \d+ °C to \d+ °C/);
		const { cut, latest, controller } = await studio.see("readings", { firing: firingId });
		expect(cut?.heatAtMostCPerH).toBeGreaterThan(50);
		expect(controller).toBeNull();
		const coldC = latest?.airC ?? 0;
		await listen(1200);
		expect((await readingsOf(firingId)).at(-1)).toMatchObject({ status: "powerLost" });
		expect((await readingsOf(firingId)).at(-1)?.airC).toBeLessThan(coldC);
		await studio.db
			.update(kiln)
			.set({ permissions: { steer: false, start: true } })
			.where(eq(kiln.id, kilnId));
		await studio.act("steerKiln", {
			noteId: randomUUID(),
			firingId,
			command: "resume",
			sure: true,
			somebodyThere: true,
		});
		await until(async () => (await readingsOf(firingId)).at(-1)?.status === "running");
		await studio.db
			.update(kiln)
			.set({ permissions: { steer: false, start: false } })
			.where(eq(kiln.id, kilnId));
		await until(async () => !(await openAlarm(firingId, "powerLost")));
	});

	it("late readings: a late answer is never taken for the next one, and other kilns are read all the same", async () => {
		const firingId = await started();
		await heated(firingId, 200);
		await fail("lateReadings");
		const [hopper] = await studio.db.select().from(kiln).where(eq(kiln.name, "Hopper kiln"));
		const count = async () =>
			(
				await studio.db
					.select()
					.from(kilnReading)
					.where(and(eq(kilnReading.kilnId, hopper?.id ?? ""), isNull(kilnReading.firingId)))
			).length;
		const hoppers = await count();
		aheadMs = SILENT_MS;
		await until(() => openAlarm(firingId, "noReading"));
		aheadMs += 61_000;
		vi.setSystemTime(Date.now() + 1500); // another second: another reading
		await listen(STEP_MS);
		expect(await count()).toBeGreaterThan(hoppers);
		await fail("none").catch(() => {});
		aheadMs += 10_000;
		await until(async () => ((await readingsOf(firingId)).at(-1)?.at.getTime() ?? 0) > Date.now() - 1500);
		const elapsed = (await readingsOf(firingId)).map(({ elapsedS }) => elapsedS ?? 0);
		expect(elapsed).toEqual([...elapsed].sort((a, b) => a - b));
	});
});

describe("the stand-in’s own panel", () => {
	it("pressStandIn holds it, lets it go on, skips a segment and ends it", async () => {
		const firingId = await started();
		await heated(firingId, 100);
		const press = (button: "hold" | "release" | "skip" | "stop") => studio.act("pressStandIn", { kilnId, button });
		const newest = async () => (await readingsOf(firingId)).at(-1);
		await press("hold");
		await until(async () => (await newest())?.status === "held");
		await press("release");
		await until(async () => (await newest())?.status === "running");
		expect((await newest())?.segment).toBe(0);
		await press("skip");
		await until(async () => (await newest())?.segment === 1);
		await press("stop");
		await until(async () => (await newest())?.status === "complete");
	});

	it("is refused for a kiln that is none, with a sentence", async () => {
		await studio.db.update(kiln).set({ line: null }).where(eq(kiln.id, kilnId));
		await expect(studio.act("pressStandIn", { kilnId, button: "hold" })).rejects.toBeInstanceOf(Refusal);
	});
});
