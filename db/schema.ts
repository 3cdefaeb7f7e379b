import type { CoolingSchool } from "@core/firing/demand";
import type { FuseLevel } from "@core/firing/level";
import type { MergedDemand } from "@core/firing/merge";
import type { Schedule } from "@core/firing/schedule";
import type { GlassFamily, SoakSchool } from "@core/glass/family";
import type { Chemistry, Coating, FritGrade, Glass, GlassForm } from "@core/glass/glass";
import type { Fault, NextStep, PieceEventData } from "@core/journey/events";
import type { Journey, JourneyState } from "@core/journey/journey";
import type { KilnBody } from "@core/kiln/kiln";
import type { KitDesign } from "@core/kit/kit";
import type { Mould, MouldKind, Release } from "@core/kit/mould";
import type { KitReading } from "@core/stack/read-kit";
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
	text,
	time,
	timestamp,
	unique,
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
});

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
		airC: doublePrecision("air_c").notNull(),
		setC: doublePrecision("set_c"),
	},
	(t) => [primaryKey({ columns: [t.kilnId, t.at] }), index("kiln_reading_firing").on(t.firingId, t.elapsedS)],
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
