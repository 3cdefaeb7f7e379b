import type { KilnPermissions, LineSettings, LineStatus } from "@contract/kiln";
import type { CoolingSchool } from "@core/firing/demand";
import type { ScheduleDocument } from "@core/firing/document";
import type { FuseLevel } from "@core/firing/level";
import type { MergedDemand } from "@core/firing/merge";
import type { Schedule } from "@core/firing/schedule";
import type { DotSchool, HeatSchool } from "@core/firing/schools";
import type { GlassFamily, SoakSchool } from "@core/glass/family";
import type { Chemistry, Coating, FritGrade, Glass, GlassForm } from "@core/glass/glass";
import type { Fault, NextStep, PieceEventData } from "@core/journey/events";
import type { Journey, JourneyState } from "@core/journey/journey";
import type { KilnBody } from "@core/kiln/kiln";
import type { Misfit } from "@core/kiln/learn";
import {
	type KilnElements,
	type KilnShelf,
	type KilnZone,
	NEW_ELEMENTS,
	type ShelfShape,
	type UpkeepTask,
} from "@core/kiln/record";
import type { AlarmKind } from "@core/kiln/watch";
import type { KitDesign } from "@core/kit/kit";
import type { Mould, MouldKind, Release } from "@core/kit/mould";
import type { Look, MicrowaveStep } from "@core/microwave/programme";
import type { KitReading } from "@core/stack/read-kit";
import type { Phrase } from "@core/units/phrase";
import { sql } from "drizzle-orm";
import {
	boolean,
	customType,
	date,
	doublePrecision,
	index,
	integer,
	jsonb,
	pgTable,
	primaryKey,
	real,
	smallint,
	text,
	time,
	timestamp,
	unique,
	uniqueIndex,
	uuid,
} from "drizzle-orm/pg-core";

export * from "./auth-schema";

import { user } from "./auth-schema";

const instant = (name: string) => timestamp(name, { withTimezone: true, mode: "date" });
const bytes = customType<{ data: Buffer }>({ dataType: () => "bytea" });

/** One row: this database is one studio. */
export const studio = pgTable("studio", {
	id: integer("id").primaryKey().default(1),
	name: text("name").notNull(),
	timeZone: text("time_zone").notNull(),
	coolingSchool: text("cooling_school").$type<CoolingSchool>().notNull().default("usual"),
	soakSchool: text("soak_school").$type<SoakSchool>().notNull().default("lower"),
	heatSchool: text("heat_school").$type<HeatSchool>().notNull().default("usual"),
	dotSchool: text("dot_school").$type<DotSchool>().notNull().default("asOthers"),
	clearanceMm: doublePrecision("clearance_mm").notNull().default(5),
	/** ISO 4217 code of the money prices are in. */
	currency: text("currency").notNull().default("EUR"),
	nextPieceNumber: integer("next_piece_number").notNull().default(0),
});

export const student = pgTable("student", {
	id: uuid("id").primaryKey().defaultRandom(),
	name: text("name").notNull(),
	email: text("email"),
});

export const course = pgTable("course", {
	id: uuid("id").primaryKey().defaultRandom(),
	title: text("title").notNull(),
});

export const classSession = pgTable(
	"class_session",
	{
		id: uuid("id").primaryKey().defaultRandom(),
		courseId: uuid("course_id")
			.notNull()
			.references(() => course.id),
		day: date("day", { mode: "string" }).notNull(),
		startsAt: time("starts_at").notNull(),
		endsAt: time("ends_at").notNull(),
		promisedDay: date("promised_day", { mode: "string" }),
	},
	(t) => [index("class_session_day").on(t.day)],
);

export const enrolment = pgTable(
	"enrolment",
	{
		sessionId: uuid("session_id")
			.notNull()
			.references(() => classSession.id),
		studentId: uuid("student_id")
			.notNull()
			.references(() => student.id),
		seat: integer("seat").notNull(),
		safetySignedAt: instant("safety_signed_at"),
	},
	(t) => [primaryKey({ columns: [t.sessionId, t.studentId] }), unique().on(t.sessionId, t.seat)],
);

export const glassFamily = pgTable("glass_family", {
	id: text("id").primaryKey(),
	label: text("label").notNull(),
	expansionE7PerK: doublePrecision("expansion_e7_per_k").notNull(),
	annealingC: doublePrecision("annealing_c").notNull(),
	softeningC: doublePrecision("softening_c").notNull(),
	workingC: doublePrecision("working_c").notNull(),
	tested: boolean("tested").notNull(),
	soakSchool: text("soak_school").$type<SoakSchool>(),
});

export const glass = pgTable("glass", {
	id: text("id").primaryKey(),
	name: text("name").notNull(),
	familyId: text("family_id")
		.notNull()
		.references(() => glassFamily.id),
	form: text("form").$type<GlassForm>().notNull(),
	thicknessMm: doublePrecision("thickness_mm").notNull(),
	widthMm: doublePrecision("width_mm"),
	grade: text("grade").$type<FritGrade>(),
	opacity: text("opacity").$type<Glass["opacity"]>().notNull(),
	tone: text("tone").$type<Glass["tone"]>().notNull(),
	coating: text("coating").$type<Coating>().notNull().default("none"),
	roughFace: boolean("rough_face").notNull().default(false),
	directed: boolean("directed").notNull().default(false),
	chemistry: jsonb("chemistry").$type<Chemistry[]>().notNull().default([]),
	boughtColour: text("bought_colour").notNull(),
	firedColour: text("fired_colour").notNull(),
	priceMinor: integer("price_minor"),
});

/** Moulds, and frames whose opening a piece has to cover. */
export const mould = pgTable("mould", {
	id: text("id").primaryKey(),
	name: text("name").notNull(),
	kind: text("kind").$type<MouldKind>().notNull(),
	opening: text("opening").$type<Mould["opening"]>().notNull(),
	widthMm: doublePrecision("width_mm").notNull(),
	heightMm: doublePrecision("height_mm").notNull(),
	depthMm: doublePrecision("depth_mm").notNull(),
	texture: text("texture").notNull().default(""),
	vented: boolean("vented").notNull(),
	release: text("release").$type<Release>().notNull(),
	usesSince: integer("uses_since").notNull().default(0),
	maxC: doublePrecision("max_c").notNull(),
});

/** What was tried: the stack, the kiln, the schedule, and what came of it. */
export const sample = pgTable(
	"sample",
	{
		id: uuid("id").primaryKey().defaultRandom(),
		name: text("name").notNull(),
		/** The stack that was tried; a kit can be opened from it. */
		document: jsonb("document").$type<KitDesign>().notNull(),
		stackCode: text("stack_code").notNull(),
		kilnId: uuid("kiln_id").references(() => kiln.id),
		level: text("level").$type<FuseLevel>().notNull(),
		peakC: doublePrecision("peak_c").notNull(),
		holdMin: doublePrecision("hold_min").notNull(),
		firedOn: date("fired_on", { mode: "string" }).notNull(),
		result: text("result").notNull(),
		/** Codes of findings it bears out. */
		shows: jsonb("shows").$type<string[]>().notNull().default([]),
		picture: bytes("picture"),
	},
	(t) => [index("sample_day").on(t.firedOn)],
);

export const kitDesign = pgTable("kit_design", {
	id: uuid("id").primaryKey().defaultRandom(),
	/** Raised by every save of the draft: who saves on an older one is told. */
	revision: integer("revision").notNull().default(1),
	document: jsonb("document").$type<KitDesign>().notNull(),
	reading: jsonb("reading").$type<KitReading>().notNull(),
	updatedAt: instant("updated_at").notNull(),
});

/** What was issued keeps the version it had: frozen copies of the draft. */
export const kitVersion = pgTable(
	"kit_version",
	{
		id: uuid("id").primaryKey().defaultRandom(),
		kitId: uuid("kit_id")
			.notNull()
			.references(() => kitDesign.id),
		version: integer("version").notNull(),
		revision: integer("revision").notNull(),
		document: jsonb("document").$type<KitDesign>().notNull(),
		reading: jsonb("reading").$type<KitReading>().notNull(),
		frozenAt: instant("frozen_at").notNull(),
	},
	(t) => [unique().on(t.kitId, t.version), unique().on(t.kitId, t.revision)],
);

/** A kit cut for a class. */
export const cutRun = pgTable(
	"cut_run",
	{
		id: uuid("id").primaryKey().defaultRandom(),
		sessionId: uuid("session_id")
			.notNull()
			.references(() => classSession.id),
		kitVersionId: uuid("kit_version_id")
			.notNull()
			.references(() => kitVersion.id),
		kits: integer("kits").notNull(),
	},
	(t) => [unique().on(t.sessionId, t.kitVersionId)],
);

export const cutTick = pgTable(
	"cut_tick",
	{
		cutRunId: uuid("cut_run_id")
			.notNull()
			.references(() => cutRun.id),
		lineKey: text("line_key").notNull(),
		done: integer("done").notNull(),
	},
	(t) => [primaryKey({ columns: [t.cutRunId, t.lineKey] })],
);

/** The journey's present state, written in the transaction of the event it follows from; `seq` is the last event counted. */
export const piece = pgTable(
	"piece",
	{
		id: uuid("id").primaryKey().defaultRandom(),
		code: text("code").notNull().unique(),
		kind: text("kind").$type<"student" | "lot" | "sample" | "outside">().notNull(),
		studentId: uuid("student_id").references(() => student.id),
		sessionId: uuid("session_id").references(() => classSession.id),
		kitVersionId: uuid("kit_version_id").references(() => kitVersion.id),
		familyId: text("family_id")
			.notNull()
			.references(() => glassFamily.id),
		promisedDay: date("promised_day", { mode: "string" }),
		state: text("state").$type<JourneyState>().notNull(),
		seq: integer("seq").notNull(),
		journey: jsonb("journey").$type<Journey>().notNull(),
		readyFrom: instant("ready_from"),
		spot: text("spot"),
		/** Who took it, where it was not the owner: here and not in the events, so that it can be erased. */
		collectedBy: text("collected_by"),
		since: instant("since").notNull(),
	},
	(t) => [
		index("piece_state").on(t.state),
		index("piece_student").on(t.studentId),
		index("piece_session").on(t.sessionId),
	],
);

/** Append-only. `id` is the device's own event id: a repeated scan or a retried request counts once. */
export const pieceEvent = pgTable(
	"piece_event",
	{
		id: uuid("id").primaryKey(),
		pieceId: uuid("piece_id")
			.notNull()
			.references(() => piece.id),
		seq: integer("seq").notNull(),
		payloadVersion: integer("payload_version").notNull().default(1),
		data: jsonb("data").$type<PieceEventData>().notNull(),
		happenedAt: instant("happened_at").notNull(),
		recordedAt: instant("recorded_at").notNull(),
		actorId: text("actor_id").references(() => user.id),
	},
	(t) => [unique().on(t.pieceId, t.seq)],
);

export const photo = pgTable(
	"photo",
	{
		id: uuid("id").primaryKey(),
		pieceId: uuid("piece_id")
			.notNull()
			.references(() => piece.id),
		image: bytes("image").notNull(),
		thumbnail: bytes("thumbnail").notNull(),
		widthPx: integer("width_px").notNull(),
		heightPx: integer("height_px").notNull(),
		takenAt: instant("taken_at").notNull(),
	},
	(t) => [index("photo_piece").on(t.pieceId)],
);

export const kiln = pgTable("kiln", {
	id: uuid("id").primaryKey().defaultRandom(),
	name: text("name").notNull(),
	kind: text("kind").$type<"electric" | "microwaveBlock">().notNull(),
	sort: integer("sort").notNull(),
	body: jsonb("body").$type<KilnBody>().notNull(),
	shelfWidthMm: doublePrecision("shelf_width_mm").notNull(),
	shelfHeightMm: doublePrecision("shelf_height_mm").notNull(),
	marginMm: doublePrecision("margin_mm").notNull(),
	clearHeightMm: doublePrecision("clear_height_mm").notNull(),
	maxC: doublePrecision("max_c").notNull(),
	doorSide: text("door_side").$type<"front" | "top">().notNull(),
	uses: integer("uses").notNull().default(0),
	shelfShape: text("shelf_shape").$type<ShelfShape>().notNull().default("rectangle"),
	maxSegments: integer("max_segments").notNull().default(12),
	/** Rated power from its plate, W. */
	plateW: doublePrecision("plate_w"),
	zones: jsonb("zones").$type<KilnZone[]>().notNull().default([]),
	elements: jsonb("elements").$type<KilnElements>().notNull().default(NEW_ELEMENTS),
	upkeep: jsonb("upkeep").$type<UpkeepTask[]>().notNull().default([]),
	shelves: jsonb("shelves").$type<KilnShelf[]>().notNull().default([]),
	/** How it is read; null for a kiln without a line. */
	line: jsonb("line").$type<LineSettings>(),
	permissions: jsonb("permissions").$type<KilnPermissions>().notNull().default({ steer: false, start: false }),
});

/** What was changed in a kiln's model, on what evidence: learned from a log, or offset from judged firings. */
export const kilnLesson = pgTable(
	"kiln_lesson",
	{
		id: uuid("id").primaryKey(),
		kilnId: uuid("kiln_id")
			.notNull()
			.references(() => kiln.id),
		at: instant("at").notNull(),
		what: text("what").$type<"log" | "offset">().notNull(),
		before: jsonb("before").$type<KilnBody>().notNull(),
		after: jsonb("after").$type<KilnBody>().notNull(),
		because: jsonb("because").$type<Phrase[]>().notNull(),
		actorId: text("actor_id").references(() => user.id),
	},
	(t) => [index("kiln_lesson_kiln").on(t.kilnId, t.at)],
);

/** A schedule kept under a name: one draft that changes; versions that were fired keep what they were. */
export const schedule = pgTable("schedule", {
	id: uuid("id").primaryKey(),
	revision: integer("revision").notNull().default(1),
	document: jsonb("document").$type<ScheduleDocument>().notNull(),
	updatedAt: instant("updated_at").notNull(),
});

export const scheduleVersion = pgTable(
	"schedule_version",
	{
		id: uuid("id").primaryKey().defaultRandom(),
		scheduleId: uuid("schedule_id")
			.notNull()
			.references(() => schedule.id),
		version: integer("version").notNull(),
		revision: integer("revision").notNull(),
		document: jsonb("document").$type<ScheduleDocument>().notNull(),
		frozenAt: instant("frozen_at").notNull(),
	},
	(t) => [unique().on(t.scheduleId, t.version), unique().on(t.scheduleId, t.revision)],
);

/** What a firing became by its measured curve, beside what was simulated. */
export interface FiringCame {
	flow: number;
	kwh: number | null;
	misfit: Misfit | null;
}

export type FiringState = "planned" | "running" | "opened" | "cancelled";

export const firing = pgTable(
	"firing",
	{
		id: uuid("id").primaryKey(),
		number: integer("number").generatedAlwaysAsIdentity(),
		kilnId: uuid("kiln_id")
			.notNull()
			.references(() => kiln.id),
		state: text("state").$type<FiringState>().notNull(),
		familyId: text("family_id")
			.notNull()
			.references(() => glassFamily.id),
		level: text("level").$type<FuseLevel>().notNull(),
		schedule: jsonb("schedule").$type<Schedule>().notNull(),
		setBy: jsonb("set_by").$type<MergedDemand["setBy"]>().notNull(),
		airMin: doublePrecision("air_min").notNull(),
		plannedAt: instant("planned_at").notNull(),
		startedAt: instant("started_at"),
		finishedAt: instant("finished_at"),
		/** How many times faster the stand-in's clock runs; 1 for a real kiln. */
		speedUp: integer("speed_up").notNull().default(1),
		/** Seconds of kiln time from the start until it may be opened, as simulated. */
		openS: doublePrecision("open_s").notNull(),
		kwh: doublePrecision("kwh").notNull(),
		flow: doublePrecision("flow").notNull(),
		/** As corrected while it runs, from what was measured, s. */
		predictedEndS: doublePrecision("predicted_end_s"),
		predictedOpenS: doublePrecision("predicted_open_s"),
		scheduleVersionId: uuid("schedule_version_id").references(() => scheduleVersion.id),
		/** Thickest glass of a bare firing, mm; null where pieces say it. */
		thicknessMm: doublePrecision("thickness_mm"),
		/** What was measured, kept when it is opened. */
		came: jsonb("came").$type<FiringCame>(),
		/** What a bare firing is for. */
		what: text("what").notNull().default(""),
		note: text("note").notNull().default(""),
	},
	(t) => [index("firing_state").on(t.state), index("firing_kiln").on(t.kilnId)],
);

/** One piece in one firing: where it lies, what was expected, what came. */
export const firingPlace = pgTable(
	"firing_place",
	{
		firingId: uuid("firing_id")
			.notNull()
			.references(() => firing.id),
		pieceId: uuid("piece_id")
			.notNull()
			.references(() => piece.id),
		xMm: doublePrecision("x_mm").notNull(),
		yMm: doublePrecision("y_mm").notNull(),
		widthMm: doublePrecision("width_mm").notNull(),
		heightMm: doublePrecision("height_mm").notNull(),
		turned: boolean("turned").notNull(),
		costHours: doublePrecision("cost_hours").notNull(),
		expectedLevel: text("expected_level").$type<FuseLevel>().notNull(),
		judgedLevel: text("judged_level").$type<FuseLevel | "none">(),
		faults: jsonb("faults").$type<Fault[]>(),
		next: text("next").$type<NextStep>(),
	},
	(t) => [primaryKey({ columns: [t.firingId, t.pieceId] }), index("firing_place_piece").on(t.pieceId)],
);

export const kilnReading = pgTable(
	"kiln_reading",
	{
		kilnId: uuid("kiln_id")
			.notNull()
			.references(() => kiln.id),
		at: instant("at").notNull(),
		firingId: uuid("firing_id").references(() => firing.id),
		/** Seconds of kiln time since the start of the firing. */
		elapsedS: doublePrecision("elapsed_s"),
		/** Null where the sensor gave nothing. */
		airC: doublePrecision("air_c"),
		setC: doublePrecision("set_c"),
		/** Share of full power, 0–1. */
		duty: real("duty"),
		kwh: real("kwh"),
		segment: smallint("segment"),
		status: text("status").$type<LineStatus>(),
	},
	(t) => [primaryKey({ columns: [t.kilnId, t.at] }), index("kiln_reading_firing").on(t.firingId, t.elapsedS)],
);

/** Readings by ten minutes, written with them: months of a record open from these. */
export const kilnReadingSpan = pgTable(
	"kiln_reading_span",
	{
		kilnId: uuid("kiln_id")
			.notNull()
			.references(() => kiln.id),
		at: instant("at").notNull(),
		n: integer("n").notNull(),
		lowC: real("low_c").notNull(),
		highC: real("high_c").notNull(),
	},
	(t) => [primaryKey({ columns: [t.kilnId, t.at] })],
);

export const kilnAlarm = pgTable(
	"kiln_alarm",
	{
		id: uuid("id").primaryKey().defaultRandom(),
		kilnId: uuid("kiln_id")
			.notNull()
			.references(() => kiln.id),
		firingId: uuid("firing_id").references(() => firing.id),
		kind: text("kind").$type<AlarmKind>().notNull(),
		sentence: jsonb("sentence").$type<Phrase>().notNull(),
		startedAt: instant("started_at").notNull(),
		endedAt: instant("ended_at"),
		seenAt: instant("seen_at"),
		seenById: text("seen_by_id").references(() => user.id),
	},
	(t) => [
		index("kiln_alarm_firing").on(t.firingId),
		index("kiln_alarm_started").on(t.startedAt),
		// Two copies of the server raise one alarm between them.
		uniqueIndex("kiln_alarm_open").on(t.firingId, t.kind).where(sql`${t.endedAt} is null`),
	],
);

export const firingNote = pgTable(
	"firing_note",
	{
		id: uuid("id").primaryKey(),
		firingId: uuid("firing_id")
			.notNull()
			.references(() => firing.id),
		at: instant("at").notNull(),
		elapsedS: doublePrecision("elapsed_s"),
		text: text("text").notNull(),
		actorId: text("actor_id").references(() => user.id),
	},
	(t) => [index("firing_note_firing").on(t.firingId, t.at)],
);

export const oven = pgTable("oven", {
	id: uuid("id").primaryKey(),
	name: text("name").notNull(),
	/** Powers it can be set to, W, least first. */
	watts: jsonb("watts").$type<number[]>().notNull(),
});

/** One firing of a microwave block: the record is the model. */
export const microwaveRun = pgTable(
	"microwave_run",
	{
		id: uuid("id").primaryKey(),
		blockId: uuid("block_id")
			.notNull()
			.references(() => kiln.id),
		ovenId: uuid("oven_id")
			.notNull()
			.references(() => oven.id),
		pieceId: uuid("piece_id").references(() => piece.id),
		what: text("what").notNull().default(""),
		wanted: text("wanted").$type<Look>().notNull(),
		fired: boolean("fired").notNull(),
		plan: jsonb("plan").$type<MicrowaveStep[]>().notNull(),
		/** As it was really given. */
		steps: jsonb("steps").$type<MicrowaveStep[]>().notNull().default([]),
		looks: jsonb("looks").$type<{ s: number; seen: Look; at: string }[]>().notNull().default([]),
		startedAt: instant("started_at").notNull(),
		heatedAt: instant("heated_at"),
		openedAt: instant("opened_at"),
		outcome: text("outcome").$type<Look>(),
		note: text("note").notNull().default(""),
	},
	(t) => [index("microwave_run_block").on(t.blockId, t.startedAt)],
);

export const pickupSpot = pgTable("pickup_spot", {
	label: text("label").primaryKey(),
	sort: integer("sort").notNull(),
});

/** Rows of the books are what the core works with. */
const _rowsAreCore: [
	typeof glassFamily.$inferSelect extends GlassFamily ? true : never,
	typeof glass.$inferSelect extends Glass ? true : never,
	typeof mould.$inferSelect extends Mould ? true : never,
] = [true, true, true];
void _rowsAreCore;
