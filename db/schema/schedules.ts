import { sql } from "drizzle-orm";
import { integer, jsonb, pgTable, text, unique, uuid } from "drizzle-orm/pg-core";
import type { ScheduleDocument } from "../../core/firing/document";
import { instant, retired, revision } from "./columns";

/** A schedule kept under a name: one draft that changes; versions that were fired keep what they were. */
export const schedule = pgTable("schedule", {
	id: uuid("id").primaryKey(),
	revision: revision(),
	name: text("name").notNull().generatedAlwaysAs(sql`(document->>'name')`),
	document: jsonb("document").$type<ScheduleDocument>().notNull(),
	retired: retired(),
	updatedAt: instant("updated_at").notNull(),
});

export const scheduleVersion = pgTable(
	"schedule_version",
	{
		id: uuid("id").primaryKey().defaultRandom(),
		keptId: uuid("schedule_id")
			.notNull()
			.references(() => schedule.id),
		version: integer("version").notNull(),
		revision: integer("revision").notNull(),
		name: text("name").notNull().generatedAlwaysAs(sql`(document->>'name')`),
		document: jsonb("document").$type<ScheduleDocument>().notNull(),
		frozenAt: instant("frozen_at").notNull(),
	},
	(t) => [unique().on(t.keptId, t.version), unique().on(t.keptId, t.revision)],
);
