import { sql } from "drizzle-orm";
import { doublePrecision, index, integer, pgTable, primaryKey, real, smallint, text, uuid } from "drizzle-orm/pg-core";
import { LINE_STATUSES, type LineStatus } from "../../core/kiln/line-status";
import { instant, oneOf } from "./columns";
import { firing } from "./firings";
import { kiln } from "./kilns";
import { user } from "./people";

/** A log that was brought in: its readings come and go together. */
export const kilnImport = pgTable(
	"kiln_import",
	{
		id: uuid("id").primaryKey(),
		kilnId: uuid("kiln_id")
			.notNull()
			.references(() => kiln.id),
		at: instant("at").notNull(),
		actorId: text("actor_id").references(() => user.id),
		/** Of its first and last line. */
		from: instant("from").notNull(),
		to: instant("to").notNull(),
		/** Lines that it has, and those of them that were gone through so far: they are written in batches. */
		lines: integer("lines").notNull().default(0),
		written: integer("written").notNull().default(0),
		/** When the last batch was written. */
		wroteAt: instant("wrote_at"),
		/** Readings that were not there before. */
		added: integer("added").notNull(),
		takenBackAt: instant("taken_back_at"),
	},
	(t) => [index("kiln_import_kiln").on(t.kilnId, t.at)],
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
		/** The log it came from; null for what the kiln's own line said. Only that is live. */
		importId: uuid("import_id").references(() => kilnImport.id),
	},
	(t) => [
		primaryKey({ columns: [t.kilnId, t.at] }),
		index("kiln_reading_firing").on(t.firingId, t.elapsedS),
		index("kiln_reading_import").on(t.importId).where(sql`${t.importId} is not null`),
		oneOf("kiln_reading_status_known", t.status, LINE_STATUSES),
	],
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

/** A temperature that somebody read off the kiln’s own display, where no line says it. */
export const displayReading = pgTable(
	"display_reading",
	{
		id: uuid("id").primaryKey(),
		kilnId: uuid("kiln_id")
			.notNull()
			.references(() => kiln.id),
		firingId: uuid("firing_id").references(() => firing.id),
		at: instant("at").notNull(),
		c: doublePrecision("c").notNull(),
		/** Who read it, as it was said. */
		readBy: text("read_by").notNull(),
		actorId: text("actor_id").references(() => user.id),
	},
	(t) => [index("display_reading_kiln").on(t.kilnId, t.at)],
);
