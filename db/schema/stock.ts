import { integer, pgTable, primaryKey, text, unique, uuid } from "drizzle-orm/pg-core";
import { classSession } from "./classes";
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
