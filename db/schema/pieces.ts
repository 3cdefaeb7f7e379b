import { sql } from "drizzle-orm";
import { date, doublePrecision, index, integer, jsonb, pgTable, text, unique, uuid } from "drizzle-orm/pg-core";
import { FUSE_LEVELS, type FuseLevel } from "../../core/firing/level";
import type { PieceEventData } from "../../core/journey/events";
import type { Journey, JourneyState } from "../../core/journey/journey";
import { PIECE_KINDS, type PieceKind, STATES } from "../../core/journey/journey";
import { classSession } from "./classes";
import { bytes, instant, oneOf } from "./columns";
import { firing } from "./firings";
import { glassFamily } from "./glass";
import { kitVersion } from "./kits";
import { student, user } from "./people";

/** The journey's present state, written in the transaction of the event it follows from; `seq` is the last event counted. */
export const piece = pgTable(
	"piece",
	{
		id: uuid("id").primaryKey().defaultRandom(),
		code: text("code").notNull().unique(),
		kind: text("kind").$type<PieceKind>().notNull(),
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
		/** Parts of the journey that lists are found by; they cannot disagree with it. */
		firingId: uuid("firing_id")
			.generatedAlwaysAs(sql`((journey->>'firingId')::uuid)`)
			.references(() => firing.id),
		level: text("level").$type<FuseLevel>().generatedAlwaysAs(sql`(journey->>'level')`),
		thickestMm: doublePrecision("thickest_mm").generatedAlwaysAs(
			sql`((journey->'asMade'->>'thickestMm')::double precision)`,
		),
		thinnestMm: doublePrecision("thinnest_mm").generatedAlwaysAs(
			sql`((journey->'asMade'->>'thinnestMm')::double precision)`,
		),
		readyFrom: instant("ready_from"),
		spot: text("spot"),
		/** Who took it, where it was not the owner: here and not in the events, so that it can be erased. */
		collectedBy: text("collected_by"),
		since: instant("since").notNull(),
	},
	(t) => [
		index("piece_state").on(t.state),
		index("piece_student").on(t.studentId, t.since),
		index("piece_session").on(t.sessionId),
		index("piece_firing").on(t.firingId),
		index("piece_code_trgm").using("gin", t.code.op("gin_trgm_ops")),
		oneOf("piece_kind_known", t.kind, PIECE_KINDS),
		oneOf("piece_state_known", t.state, STATES),
		oneOf("piece_level_known", t.level, FUSE_LEVELS),
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
		/** The name they had then. */
		actorName: text("actor_name"),
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

export const pickupSpot = pgTable("pickup_spot", {
	label: text("label").primaryKey(),
	sort: integer("sort").notNull(),
});
