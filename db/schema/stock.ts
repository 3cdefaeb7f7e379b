import {
	type AnyPgColumn,
	doublePrecision,
	index,
	integer,
	jsonb,
	pgTable,
	primaryKey,
	text,
	unique,
	uuid,
} from "drizzle-orm/pg-core";
import type { KeptPlan } from "../../core/cutting/plan/kept";
import type { FuseLevel } from "../../core/firing/level";
import { STOCK_KINDS, STOCK_REASONS, type StockKind, type StockReason } from "../../core/stock/kinds";
import { classSession } from "./classes";
import { instant, oneOf, retired, revision } from "./columns";
import { firing } from "./firings";
import { glass, glassFamily } from "./glass";
import { kitVersion } from "./kits";

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
		/** In which of the kit's colours; none: as it was drawn. */
		paletteId: text("palette_id").notNull().default(""),
		/** Spares of a cut, by its key, where somebody wants other than the studio's usual: a fiddly one breaks more often. */
		spares: jsonb("spares").$type<Record<string, number>>().notNull().default({}),
		/** Fired parts that come from the drawer, by what they are made of: nothing is cut and fired for so many. */
		fromDrawer: jsonb("from_drawer").$type<Record<string, number>>().notNull().default({}),
	},
	(t) => [unique().on(t.sessionId, t.kitVersionId, t.paletteId)],
);

/** Parts of a cut that were done or broke, as a device said it. `id` is the device's own: a repeated tap counts once. */
export const cutEvent = pgTable(
	"cut_event",
	{
		id: uuid("id").primaryKey(),
		cutRunId: uuid("cut_run_id")
			.notNull()
			.references(() => cutRun.id),
		lineKey: text("line_key").notNull(),
		/** So many more are done; fewer where some were counted wrongly or broke afterwards. */
		more: integer("more").notNull(),
		/** So many broke: glass was cut for them, and they are cut again. */
		broke: integer("broke").notNull().default(0),
		at: instant("at").notNull(),
		actorName: text("actor_name").notNull(),
	},
	(t) => [index("cut_event_run").on(t.cutRunId, t.lineKey)],
);

/** How many of a cut are done: the sum of its events and of what was counted before there were any, never below none. */
export const cutTick = pgTable(
	"cut_tick",
	{
		cutRunId: uuid("cut_run_id")
			.notNull()
			.references(() => cutRun.id),
		lineKey: text("line_key").notNull(),
		done: integer("done").notNull(),
		broken: integer("broken").notNull().default(0),
	},
	(t) => [primaryKey({ columns: [t.cutRunId, t.lineKey] })],
);

/** How a glass is cut for one class or several, from the day somebody began to cut by it. */
export const cutPlan = pgTable("cut_plan", {
	id: uuid("id").primaryKey(),
	revision: revision(),
	glassId: text("glass_id")
		.notNull()
		.references(() => glass.id),
	document: jsonb("document").$type<KeptPlan>().notNull(),
	startedAt: instant("started_at").notNull(),
	actorName: text("actor_name").notNull(),
});

/** Which cuts a plan is for: of each glass a cut has one plan. */
export const cutPlanRun = pgTable(
	"cut_plan_run",
	{
		planId: uuid("plan_id")
			.notNull()
			.references(() => cutPlan.id, { onDelete: "cascade" }),
		cutRunId: uuid("cut_run_id")
			.notNull()
			.references(() => cutRun.id),
		glassId: text("glass_id").notNull(),
	},
	(t) => [primaryKey({ columns: [t.cutRunId, t.glassId] }), index("cut_plan_run_plan").on(t.planId)],
);

/** What the studio has so and so much of. How much follows from its records. */
export const stockItem = pgTable(
	"stock_item",
	{
		id: uuid("id").primaryKey(),
		revision: revision(),
		retired: retired(),
		kind: text("kind").$type<StockKind>().notNull(),
		glassId: text("glass_id").references(() => glass.id),
		name: text("name").notNull(),
		widthMm: doublePrecision("width_mm"),
		heightMm: doublePrecision("height_mm"),
		sizeMm: doublePrecision("size_mm"),
		place: text("place").notNull(),
		low: doublePrecision("low"),
		buyAmount: doublePrecision("buy_amount").notNull(),
		priceMinor: integer("price_minor"),
		supplier: text("supplier").notNull(),
		/** Of a fired part that is no dot: what it is made of. */
		madeOf: text("made_of"),
		fromItemId: uuid("from_item_id").references((): AnyPgColumn => stockItem.id),
	},
	(t) => [index("stock_item_glass").on(t.glassId), oneOf("stock_item_kind_known", t.kind, STOCK_KINDS)],
);

/** Every change of an amount, only ever added to. `id` is the device's own: a repeated press counts once. */
export const stockRecord = pgTable(
	"stock_record",
	{
		id: uuid("id").primaryKey(),
		itemId: uuid("item_id")
			.notNull()
			.references(() => stockItem.id),
		reason: text("reason").$type<StockReason>().notNull(),
		/** Pieces or grams, less than none where they were taken. */
		change: doublePrecision("change").notNull(),
		at: instant("at").notNull(),
		actorName: text("actor_name").notNull(),
		note: text("note").notNull(),
	},
	(t) => [
		index("stock_record_item").on(t.itemId, t.change),
		index("stock_record_at").on(t.at),
		oneOf("stock_record_reason_known", t.reason, STOCK_REASONS),
	],
);

/** A kit's bag for somebody of a class: made when its label is printed or the first thing is put in. */
export const kitBag = pgTable(
	"kit_bag",
	{
		id: uuid("id").primaryKey().defaultRandom(),
		serial: integer("serial").notNull().generatedAlwaysAsIdentity().unique(),
		cutRunId: uuid("cut_run_id")
			.notNull()
			.references(() => cutRun.id),
		/** From 1 to as many as kits are cut. */
		number: integer("number").notNull(),
		packedAt: instant("packed_at"),
		packedBy: text("packed_by"),
		/** What the stock gave for it when it was closed: pieces or grams, by the thing. */
		taken: jsonb("taken").$type<Record<string, number>>().notNull().default({}),
	},
	(t) => [unique().on(t.cutRunId, t.number)],
);

/** What is in a bag. */
export const kitBagLine = pgTable(
	"kit_bag_line",
	{
		bagId: uuid("bag_id")
			.notNull()
			.references(() => kitBag.id),
		lineKey: text("line_key").notNull(),
		at: instant("at").notNull(),
		actorName: text("actor_name").notNull(),
	},
	(t) => [primaryKey({ columns: [t.bagId, t.lineKey] })],
);

/** Parts that are fired before they can be packed: so many dots of one glass and size, so many of a kit's petals. */
export const componentLot = pgTable(
	"component_lot",
	{
		id: uuid("id").primaryKey(),
		name: text("name").notNull(),
		/** Null where they are of several glasses. */
		glassId: text("glass_id").references(() => glass.id),
		sizeMm: doublePrecision("size_mm"),
		count: integer("count").notNull(),
		/** To which level they are fired. */
		level: text("level").$type<FuseLevel>().notNull().default("full"),
		/** What they are made of; none for loose ones that nobody drew. */
		madeOf: text("made_of"),
		/** The kit, its colours and the component they are drawn in; none for dots. */
		kitVersionId: uuid("kit_version_id").references(() => kitVersion.id),
		paletteId: text("palette_id").notNull().default(""),
		componentId: text("component_id"),
		/** Of a strain test: the family whose glass it is fired on. Null: parts. */
		onFamilyId: text("on_family_id").references(() => glassFamily.id),
		wantedAt: instant("wanted_at").notNull(),
		/** The class they are for first. */
		sessionId: uuid("session_id").references(() => classSession.id),
		/** Once they came out of the kiln, and how many were good. */
		firedAt: instant("fired_at"),
		made: integer("made"),
		/** The firing it lies in or is planned for: one of its own, or what fills another. */
		firingId: uuid("firing_id").references(() => firing.id),
	},
	(t) => [index("component_lot_open").on(t.firedAt), index("component_lot_firing").on(t.firingId)],
);
