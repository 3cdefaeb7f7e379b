import { doublePrecision, index, integer, jsonb, pgTable, text, uuid } from "drizzle-orm/pg-core";
import type { ConfirmedRecorder, KilnPermissions, LineSettings } from "../../contract/documents/kiln";
import type { KilnBody } from "../../core/kiln/kiln";
import {
	DOOR_SIDES,
	type DoorSide,
	KILN_KINDS,
	type KilnElements,
	type KilnFixture,
	type KilnKind,
	type KilnShelf,
	type KilnZone,
	NEW_ELEMENTS,
	type OutOfService,
	SHELF_SHAPES,
	type ShelfShape,
	type UpkeepTask,
	type UpperShelf,
} from "../../core/kiln/record";
import type { Phrase } from "../../core/units/phrase";
import { instant, oneOf, retired, revision } from "./columns";
import { user } from "./people";

export const kiln = pgTable(
	"kiln",
	{
		id: uuid("id").primaryKey().defaultRandom(),
		revision: revision(),
		name: text("name").notNull(),
		kind: text("kind").$type<KilnKind>().notNull(),
		sort: integer("sort").notNull(),
		body: jsonb("body").$type<KilnBody>().notNull(),
		shelfWidthMm: doublePrecision("shelf_width_mm").notNull(),
		shelfHeightMm: doublePrecision("shelf_height_mm").notNull(),
		marginMm: doublePrecision("margin_mm").notNull(),
		clearHeightMm: doublePrecision("clear_height_mm").notNull(),
		maxC: doublePrecision("max_c").notNull(),
		doorSide: text("door_side").$type<DoorSide>().notNull(),
		uses: integer("uses").notNull().default(0),
		shelfShape: text("shelf_shape").$type<ShelfShape>().notNull().default("rectangle"),
		maxSegments: integer("max_segments").notNull().default(12),
		/** Rated power from its plate, W. */
		plateW: doublePrecision("plate_w"),
		zones: jsonb("zones").$type<KilnZone[]>().notNull().default([]),
		fixtures: jsonb("fixtures").$type<KilnFixture[]>().notNull().default([]),
		elements: jsonb("elements").$type<KilnElements>().notNull().default(NEW_ELEMENTS),
		upkeep: jsonb("upkeep").$type<UpkeepTask[]>().notNull().default([]),
		shelves: jsonb("shelves").$type<KilnShelf[]>().notNull().default([]),
		/** Shelves that may stand over the lowest one, the lowest of them first. */
		upper: jsonb("upper_shelves").$type<UpperShelf[]>().notNull().default([]),
		/** How it is read; null for a kiln without a line. */
		line: jsonb("line").$type<LineSettings>(),
		/** Of a recorder: how its files are written, as a person confirmed it; null: not confirmed, so not read. */
		recorder: jsonb("recorder").$type<ConfirmedRecorder>(),
		permissions: jsonb("permissions").$type<KilnPermissions>().notNull().default({ steer: false, start: false }),
		/** Null: it may be fired. */
		outOfService: jsonb("out_of_service").$type<OutOfService>(),
		retired: retired(),
	},
	(t) => [
		index("kiln_name_trgm").using("gin", t.name.op("gin_trgm_ops")),
		oneOf("kiln_kind_known", t.kind, KILN_KINDS),
		oneOf("kiln_door_known", t.doorSide, DOOR_SIDES),
		oneOf("kiln_shelf_known", t.shelfShape, SHELF_SHAPES),
	],
);

/**
 * Which copy of the server listens to a kiln, and until when (the database's clock) that holds unless it listens on. A copy that
 * hangs loses its kilns by itself.
 */
export const kilnLease = pgTable("kiln_lease", {
	kilnId: uuid("kiln_id")
		.primaryKey()
		.references(() => kiln.id, { onDelete: "cascade" }),
	holder: uuid("holder").notNull(),
	until: instant("until").notNull(),
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
	(t) => [index("kiln_lesson_kiln").on(t.kilnId, t.at), oneOf("kiln_lesson_what_known", t.what, ["log", "offset"])],
);
