import { randomBytes, randomUUID } from "node:crypto";
import type { ActionInput, ActionName } from "@contract/actions";
import { byId } from "@core/by-id";
import { minuteOf, timeOf } from "@core/calendar/house-hours";
import type { FuseLevel } from "@core/firing/level";
import type { Glue, NextStep } from "@core/journey/events";
import type { Database, Transaction } from "@db/connect";
import { storeReadings } from "@db/queries/readings";
import { loadStudio } from "@db/queries/studio";
import * as tables from "@db/schema";
import { kitSvg } from "@formats/kit-svg";
import { dayOf } from "@formats/time";
import type { Context, UseCase } from "@server/house/context";
import { reencode } from "@server/house/uploads";
import { useCases } from "@server/use-cases";
import { recordOf } from "@standins/kiln-physics";
import { hashPassword } from "better-auth/crypto";
import { and, eq, inArray, sql } from "drizzle-orm";
import sharp from "sharp";
import { keptPlanOf } from "../core/cutting/plan/keep-plan";
import { searchPlans } from "../core/cutting/plan/search";
import { USUAL_CUT_RULES } from "../core/cutting/plan/types";
import { cutLists } from "./cut-lists";
import { BLOCK_RUNS, OVENS, PAST_TESTS, SCHEDULES } from "./fire";
import { Hours } from "./hours";
import { KITS, SAMPLES } from "./kits";
import { STOCK } from "./stock";
import {
	COMING_COURSE,
	FAMILIES,
	FIRST_STUDENTS,
	GLASSES,
	KILNS,
	MOULDS,
	PEOPLE,
	SIGN_UPS,
	SPOTS,
	STUDIO,
	TODAYS_STUDENTS,
	TUESDAY_STUDENTS,
} from "./studio";

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

/**
 * Fills an empty database with the demo studio, as it would have come about: every piece goes through the application's
 * own use cases, at times counted back from `now`. Returns the sign-ins it made.
 */
export async function seedDemo(db: Database, now: Date): Promise<{ email: string; password: string; role: string }[]> {
	return db.transaction(async (tx) => {
		const signIns = await seedPeople(tx);
		await seedBooks(tx);
		const demo = new DemoStudio(tx, now, await firstUserId(tx));
		await demo.live();
		return signIns;
	});
}

async function seedPeople(tx: Transaction) {
	const signIns = [];
	for (const { name, email, role } of PEOPLE) {
		const password = `${randomBytes(4).toString("hex")}-${randomBytes(4).toString("hex")}`;
		const id = randomUUID();
		const hash = await hashPassword(password);
		const person = { id, name, email, role, emailVerified: true, demoPassword: true, demoHash: hash };
		await tx.insert(tables.user).values(person);
		await tx.insert(tables.account).values({
			id: randomUUID(),
			accountId: id,
			providerId: "credential",
			userId: id,
			password: hash,
		});
		signIns.push({ email, password, role });
	}
	return signIns;
}

async function seedBooks(tx: Transaction): Promise<void> {
	await tx.insert(tables.studio).values(STUDIO);
	await tx.insert(tables.glassFamily).values(FAMILIES);
	await tx.insert(tables.glass).values(GLASSES);
	await tx.insert(tables.mould).values(MOULDS);
	await tx.insert(tables.kiln).values(KILNS);
	await tx.insert(tables.pickupSpot).values(SPOTS.map((label, sort) => ({ label, sort })));
}

async function firstUserId(tx: Transaction): Promise<string> {
	const [row] = await tx.select({ id: tables.user.id }).from(tables.user).where(eq(tables.user.role, "instructor"));
	return row?.id ?? "";
}

interface Made {
	id: string;
	seq: number;
}

/** Lives through the demo's last ten days. */
class DemoStudio {
	constructor(
		private readonly tx: Transaction,
		private readonly now: Date,
		private readonly actorId: string,
	) {}

	private async act<N extends ActionName>(name: N, input: ActionInput<N>, ago: number) {
		const context: Context = {
			tx: this.tx,
			studio: await loadStudio(this.tx),
			actor: { id: this.actorId, sessionId: "", name: PEOPLE[0]?.name ?? "", role: "instructor" },
			now: new Date(this.now.getTime() - ago),
			headers: new Headers(),
			afterwards: [],
			upload: undefined,
			prepared: undefined,
		};
		const does = useCases[name] as UseCase<N>;
		context.prepared = await does.prepare?.({ ...context, db: this.tx as unknown as Database }, input);
		return does(context, input);
	}

	private get hours(): Hours {
		return new Hours(this.now, STUDIO.timeZone);
	}

	private day(ago: number): string {
		return dayOf(new Date(this.now.getTime() - ago), STUDIO.timeZone);
	}

	async live(): Promise<void> {
		const [coaster, wheel, dish] = await this.kits();
		const kilns = await this.tx.select().from(tables.kiln).orderBy(tables.kiln.sort);
		await this.samples(kilns[0]?.id ?? null);
		const [hopper, silo] = [kilns[0]?.id ?? "", kilns[1]?.id ?? ""];
		await this.schedules();
		const { hours } = this;
		for (const [i, name] of ["Full fuse, double", "Wind-vane tack", "Full fuse, double", "Dots"].entries())
			await this.test(hopper, name, PAST_TESTS[i] ?? "test tiles", 72 - 17 * i);
		await this.test(silo, "Full fuse, double", "first firing after the new lid seal", 55);
		await this.test(silo, "Map dish slump", "two practice bowls", 26);
		await this.microwave(kilns[2]?.id ?? "");

		const first = await this.session(
			"First fusings",
			hours.ago(10, "18:30"),
			["18:30", "21:00"],
			-2 * DAY,
			FIRST_STUDENTS,
		);
		const early = await this.issue(first, coaster, FIRST_STUDENTS.length, hours.ago(10, "18:35"));
		for (const piece of early)
			await this.handIn(piece, [96, 96, 6.2, 5.9, 137], "whiteGlue", "full", hours.ago(10, "20:40"));
		await this.fire(hopper, early, hours.ago(9, "16:30"), hours.ago(8, "17:00"));
		const outcomes: NextStep[] = ["ready", "ready", "ready", "coldWork", "refire"];
		for (const [i, piece] of early.entries()) await this.judge(piece, outcomes[i] ?? "ready", hours.ago(8, "17:20"));
		for (const [i, spot] of ["A1", "A2"].entries())
			await this.step("shelve", early[i], { spot }, hours.ago(7, "11:15"));
		await this.step("collect", early[0], { by: "the owner" }, hours.ago(3, "17:40"));

		const second = await this.session(
			"Quilts and maps",
			hours.ago(4, "18:30"),
			["18:30", "21:00"],
			-8 * DAY,
			TUESDAY_STUDENTS,
		);
		const dishes = await this.issue(second, dish, 4, hours.ago(4, "18:35"));
		const wheels = await this.issue(second, wheel, 6, hours.ago(4, "18:40"));
		const handedIn = hours.ago(4, "20:45");
		for (const [i, piece] of dishes.entries())
			await this.handIn(piece, [141, 140, 6.4 + i * 0.1, 5.8, null], "whiteGlue", "full", handedIn);
		for (const [i, piece] of wheels.entries())
			await this.handIn(piece, [111, 110, i < 3 ? 9.2 : 9, 3.1, 151], "whiteGlue", "contour", handedIn);
		const coasters = await this.issue(second, coaster, 6, hours.ago(4, "18:45"));
		for (const [i, piece] of coasters.entries())
			await this.handIn(piece, [96 - (i % 2), 96, 6 + (i % 4) * 0.1, 5.9, null], "whiteGlue", "full", handedIn);
		const thisMorning = hours.ago(0, "09:10");
		const opened = thisMorning > HOUR ? thisMorning : hours.ago(1, "09:10");
		await this.fire(silo, dishes, hours.ago(3, "16:00"), opened);
		await this.judge(dishes[0], "coldWork", opened - 0.2 * HOUR);
		await this.fire(hopper, wheels.slice(0, 3), hours.startAgo(5), undefined);

		for (const { amount, ...item } of STOCK)
			await this.act("saveStock", { item: { ...item, id: randomUUID() }, revision: 0, amount }, hours.ago(30, "10:00"));

		const lesson = hours.classToday();
		const ends = timeOf(minuteOf(lesson.startsAt) + 150);
		const today = await this.session("Wind and weather", 0, [lesson.startsAt, ends], -10 * DAY, TODAYS_STUDENTS);
		const { cutRunId } = await this.act(
			"planCut",
			{ sessionId: today, kitId: coaster, kits: 8 },
			hours.ago(2, "14:00"),
		);
		const more = (n: number) => ({ eventId: randomUUID(), more: n });
		await this.act("tickCut", { cutRunId, lineKey: "clear:rectangle:96x96", ...more(10) }, hours.ago(1, "15:00"));
		for (const glassId of ["stubble", "dusk"]) await this.cutBy(cutRunId, today, glassId);
		await this.act("tickCut", { cutRunId, lineKey: "stubble:rectangle:32x32", ...more(31) }, hours.ago(1, "15:30"));
		await this.signed(today, 7, lesson.handsAgo - 5 * MINUTE);
		const tonight = await this.issue(today, coaster, 6, lesson.handsAgo - 10 * MINUTE);
		for (const [i, piece] of tonight.slice(0, 2).entries()) {
			await this.handIn(
				piece,
				[96, 96, 6 + i * 3, 6, null],
				i === 0 && lesson.isNow ? "whiteGlue" : "thinnedWhiteGlue",
				"full",
				lesson.handsAgo - 45 * MINUTE,
			);
		}
		const next = await this.session("Roofs and night sky", -5 * DAY, ["10:00", "13:00"], -18 * DAY, [
			...FIRST_STUDENTS,
			"Benno Harrowgate",
		]);
		await this.act("planCut", { sessionId: next, kitId: wheel, kits: 6 }, hours.ago(1, "14:00"));
		await this.offered(next, [coaster, dish], wheel);
	}

	/** Somebody began to cut a glass of a list by a plan. */
	private async cutBy(cutRunId: string, sessionId: string, glassId: string): Promise<void> {
		const list = await cutLists(this.tx, sessionId, glassId);
		const task = { blanks: list.wanted, offcuts: [], sheet: list.sheet, rules: USUAL_CUT_RULES };
		const [found] = [...searchPlans(task, 40)].slice(-1);
		const plan = keptPlanOf(
			found?.best.fewestSheets.plan ?? { sheets: [], short: [] },
			...([list.wanted, list.wanted, USUAL_CUT_RULES, list.stock] as const),
		);
		await this.act(
			"saveCutPlan",
			{ planId: randomUUID(), revision: 0, glassId, runIds: [cutRunId], plan },
			this.hours.ago(1, "14:30"),
		);
	}

	/** The coming course as strangers see it, and who asked for a place in it. */
	private async offered(sessionId: string, small: string[], large: string): Promise<void> {
		const [session] = await this.tx.select().from(tables.classSession).where(eq(tables.classSession.id, sessionId));
		const courseId = session?.courseId ?? "";
		await this.tx.update(tables.course).set(COMING_COURSE).where(eq(tables.course.id, courseId));
		await this.tx
			.insert(tables.courseKit)
			.values([...small, large].map((kitId) => ({ courseId, kitId, isLarge: kitId === large })));
		await this.act("makeSignUpLink", { courseId, on: true }, this.hours.ago(6, "11:00"));
		await this.tx.insert(tables.signUp).values(
			SIGN_UPS.map(({ large: chose, ...one }, i) => ({
				...one,
				courseId,
				at: new Date(this.now.getTime() - this.hours.ago(1, i === 0 ? "12:10" : "19:45")),
				kitIds: chose ? [large] : small,
				state: "asked" as const,
			})),
		);
	}

	private async kits(): Promise<[string, string, string]> {
		const ids: string[] = [];
		for (const document of KITS) {
			const kitId = randomUUID();
			await this.act("saveKit", { kitId, revision: 0, document }, this.hours.ago(20, "11:00"));
			ids.push(kitId);
		}
		return ids as [string, string, string];
	}

	private async schedules(): Promise<void> {
		for (const document of SCHEDULES)
			await this.act("saveSchedule", { scheduleId: randomUUID(), revision: 0, document }, this.hours.ago(80, "10:30"));
	}

	/** What the block did in two ovens. */
	private async microwave(blockId: string): Promise<void> {
		const ovens = OVENS.map((one) => ({ ...one, id: randomUUID() }));
		for (const oven of ovens) await this.act("saveOven", { oven, revision: 0 }, this.hours.ago(70, "10:00"));
		for (const [i, { oven, steps, looks, coolingMin, ...rest }] of BLOCK_RUNS.entries()) {
			const runId = randomUUID();
			const ago = this.hours.ago(60 - 9 * i, timeOf(minuteOf("14:10") + 20 * i));
			const heatMs = steps.reduce((sum, { seconds }) => sum + seconds * 1000, 0) + 60_000;
			await this.act(
				"startMicrowave",
				{
					runId,
					blockId,
					ovenId: ovens[oven]?.id ?? "",
					what: rest.what,
					wanted: rest.wanted,
					fired: rest.fired,
					plan: steps,
				},
				ago,
			);
			for (const [s, seen] of looks)
				await this.act("lookMicrowave", { lookId: randomUUID(), runId, s, seen }, ago - s * 1000);
			await this.act("endMicrowave", { runId, steps }, ago - heatMs);
			await this.act(
				"openMicrowave",
				{ runId, outcome: rest.outcome, note: rest.note },
				ago - heatMs - coolingMin * 60_000,
			);
		}
	}

	/** Samples with a picture each: the kit's own drawing stands in for a photo. */
	private async samples(kilnId: string | null): Promise<void> {
		const glasses = byId(GLASSES);
		for (const [i, one] of SAMPLES.entries()) {
			const sampleId = randomUUID();
			const firedOn = this.day((30 + 9 * i) * DAY);
			await this.act(
				"saveSample",
				{ sampleId, revision: 0, ...one, kilnId, holdMin: 10, firedOn },
				this.hours.ago(29, "16:00"),
			);
			const drawing = await sharp(Buffer.from(kitSvg(one.document, glasses)), { density: 200 })
				.png()
				.toBuffer();
			const { image } = await reencode(drawing, "picture");
			await this.tx.update(tables.sample).set({ picture: image }).where(eq(tables.sample.id, sampleId));
		}
	}

	/** A class `ago` before now, promised for a day `promisedAgo` before now (negative: still to come). */
	private async session(
		title: string,
		ago: number,
		[startsAt, endsAt]: [string, string],
		promisedAgo: number,
		names: string[],
	): Promise<string> {
		const [course] = await this.tx.insert(tables.course).values({ title }).returning();
		const [session] = await this.tx
			.insert(tables.classSession)
			.values({
				courseId: course?.id ?? "",
				day: this.day(ago),
				startsAt,
				endsAt,
				promisedDay: this.day(promisedAgo),
			})
			.returning();
		const known = await this.tx.select().from(tables.student).where(inArray(tables.student.name, names));
		for (const [i, name] of names.entries()) {
			const student =
				known.find((one) => one.name === name) ??
				(await this.tx.insert(tables.student).values({ name }).returning())[0];
			await this.tx
				.insert(tables.enrolment)
				.values({ sessionId: session?.id ?? "", studentId: student?.id ?? "", seat: i + 1 });
		}
		return session?.id ?? "";
	}

	private async seats(sessionId: string) {
		return this.tx
			.select()
			.from(tables.enrolment)
			.where(eq(tables.enrolment.sessionId, sessionId))
			.orderBy(tables.enrolment.seat);
	}

	private async signed(sessionId: string, count: number, ago: number): Promise<void> {
		const seats = await this.seats(sessionId);
		await this.act(
			"signSafety",
			{ sessionId, studentIds: seats.slice(0, count).map(({ studentId }) => studentId) },
			ago,
		);
	}

	private async issue(sessionId: string, kitId: string, count: number, ago: number): Promise<Made[]> {
		const seats = (await this.seats(sessionId)).slice(0, count);
		const [session] = await this.tx.select().from(tables.classSession).where(eq(tables.classSession.id, sessionId));
		const issues = seats.map(({ studentId }) => ({ pieceId: randomUUID(), eventId: randomUUID(), studentId }));
		await this.act("issueKits", { sessionId, kitId, promisedDay: session?.promisedDay ?? null, issues }, ago);
		return issues.map(({ pieceId }) => ({ id: pieceId, seq: 1 }));
	}

	private async step<N extends "handIn" | "judge" | "shelve" | "collect">(
		name: N,
		piece: Made | undefined,
		rest: Omit<ActionInput<N>, "pieceId" | "eventId" | "seq">,
		ago: number,
	): Promise<void> {
		if (!piece) return;
		const input = { pieceId: piece.id, eventId: randomUUID(), seq: await this.seqOf(piece), ...rest };
		await this.act(name, input as unknown as ActionInput<N>, ago);
	}

	private async seqOf(piece: Made): Promise<number> {
		const [row] = await this.tx
			.select({ seq: tables.piece.seq })
			.from(tables.piece)
			.where(eq(tables.piece.id, piece.id));
		return row?.seq ?? 0;
	}

	private async handIn(
		piece: Made,
		[widthMm, heightMm, thickestMm, thinnestMm, massG]: [number, number, number, number, number | null],
		glue: Glue,
		level: FuseLevel,
		ago: number,
	) {
		await this.step(
			"handIn",
			piece,
			{
				asMade: {
					widthMm,
					heightMm,
					thickestMm,
					thinnestMm,
					massG,
					changed: thickestMm > 8.9 && level === "full" ? "one patch doubled" : "",
				},
				glue,
				level,
			},
			ago,
		);
	}

	/** Loads and starts a firing `ago`; opens it `openedAgo`, or leaves it running. Readings come from the stand-in. */
	private async fire(kilnId: string, pieces: Made[], ago: number, openedAgo: number | undefined): Promise<void> {
		const firingId = randomUUID();
		const chosen = await Promise.all(
			pieces.map(async (piece) => ({ pieceId: piece.id, seq: await this.seqOf(piece) })),
		);
		await this.act("acceptLoad", { firingId, kilnId, pieces: chosen }, ago + HOUR / 4);
		await this.run(kilnId, firingId, ago, openedAgo);
		if (openedAgo !== undefined) await this.act("openFiring", { firingId, earlyReason: "" }, openedAgo);
	}

	private async run(kilnId: string, firingId: string, ago: number, openedAgo: number | undefined): Promise<void> {
		await this.act("startFiring", { firingId, speedUp: 1, somebodyThere: true }, ago);
		const [firing] = await this.tx.select().from(tables.firing).where(eq(tables.firing.id, firingId));
		const startedAtMs = this.now.getTime() - ago;
		const untilMs = this.now.getTime() - (openedAgo ?? 0);
		const line = await this.kilnNumber(kilnId);
		const rows = recordOf(line, firing?.schedule.segments ?? [], (untilMs - startedAtMs) / 1000, 120).map(
			({ s, segment, ...values }) => ({
				...values,
				kilnId,
				firingId,
				elapsedS: s,
				segment: segment === null ? null : segment - 1,
				at: new Date(startedAtMs + s * 1000),
			}),
		);
		await storeReadings(this.tx, rows);
	}

	/** Which of the stand-in's kilns this is. */
	private async kilnNumber(kilnId: string): Promise<number> {
		const [row] = await this.tx.select({ line: tables.kiln.line }).from(tables.kiln).where(eq(tables.kiln.id, kilnId));
		return row?.line?.driver === "modbus" ? row.line.port : 1;
	}

	/** A firing without pieces of students, weeks ago. */
	private async test(kilnId: string, name: string, what: string, days: number): Promise<void> {
		const document = SCHEDULES.find((one) => one.name === name);
		if (!document) throw new Error(`The demo has no schedule “${name}”.`);
		const firingId = randomUUID();
		const [kept] = await this.tx
			.select({ id: tables.schedule.id })
			.from(tables.schedule)
			.where(sql`${tables.schedule.document}->>'name' = ${name}`);
		const [started, opened] = [this.hours.ago(days, "16:00"), this.hours.ago(days - 1, "16:30")];
		await this.act("planFiring", { firingId, kilnId, scheduleId: kept?.id ?? null, document, what }, started + HOUR);
		await this.run(kilnId, firingId, started, opened);
		await this.act("openFiring", { firingId, earlyReason: "" }, opened);
	}

	private async judge(piece: Made | undefined, next: NextStep, ago: number): Promise<void> {
		if (!piece) return;
		const [row] = await this.tx
			.select({ firingId: tables.firingPlace.firingId, level: tables.firingPlace.expectedLevel })
			.from(tables.firingPlace)
			.where(and(eq(tables.firingPlace.pieceId, piece.id)));
		const faults =
			next === "refire" ? (["notJoined"] as const) : next === "coldWork" ? (["needlePoints"] as const) : [];
		await this.step(
			"judge",
			piece,
			{ firingId: row?.firingId ?? "", level: row?.level ?? "full", faults: [...faults], next, note: "" },
			ago,
		);
	}
}
