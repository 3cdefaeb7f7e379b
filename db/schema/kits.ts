import { sql } from "drizzle-orm";
import { index, integer, jsonb, pgTable, text, unique, uuid } from "drizzle-orm/pg-core";
import type { KitDesign } from "../../core/kit/kit";
import type { PacedHours } from "../../core/stack/outlook";
import type { KitReading } from "../../core/stack/read-kit";
import { instant, retired, revision } from "./columns";

export const kitDesign = pgTable(
	"kit_design",
	{
		id: uuid("id").primaryKey().defaultRandom(),
		revision: revision(),
		name: text("name").notNull().generatedAlwaysAs(sql`(document->>'name')`),
		document: jsonb("document").$type<KitDesign>().notNull(),
		reading: jsonb("reading").$type<KitReading>().notNull(),
		/** Mark of the core and of the books it was read with. */
		readWith: text("read_with").notNull().default(""),
		/** Hours of all its firings at every pace a studio may have; empty until it is read again. */
		hoursAt: jsonb("hours_at").$type<PacedHours[]>().notNull().default([]),
		retired: retired(),
		updatedAt: instant("updated_at").notNull(),
	},
	(t) => [index("kit_design_name_trgm").using("gin", t.name.op("gin_trgm_ops"))],
);

/** What was issued keeps the version it had: frozen copies of the draft. */
export const kitVersion = pgTable(
	"kit_version",
	{
		id: uuid("id").primaryKey().defaultRandom(),
		keptId: uuid("kit_id")
			.notNull()
			.references(() => kitDesign.id),
		version: integer("version").notNull(),
		/** Pieces that were issued of it; counted when they are. */
		issued: integer("issued").notNull().default(0),
		revision: integer("revision").notNull(),
		name: text("name").notNull().generatedAlwaysAs(sql`(document->>'name')`),
		document: jsonb("document").$type<KitDesign>().notNull(),
		reading: jsonb("reading").$type<KitReading>().notNull(),
		/** Mark of the core and of the books it was read with. */
		readWith: text("read_with").notNull().default(""),
		hoursAt: jsonb("hours_at").$type<PacedHours[]>().notNull().default([]),
		frozenAt: instant("frozen_at").notNull(),
		/** When pieces were issued of it last. */
		issuedAt: instant("issued_at"),
	},
	(t) => [unique().on(t.keptId, t.version), unique().on(t.keptId, t.revision)],
);
