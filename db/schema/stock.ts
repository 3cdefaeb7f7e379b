import { index, integer, pgTable, primaryKey, text, unique, uuid } from "drizzle-orm/pg-core";
import { classSession } from "./classes";
import { instant } from "./columns";
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

/** Parts of a cut that were done or broke, as a device said it. `id` is the device's own: a repeated tap counts once. */
export const cutEvent = pgTable(
	"cut_event",
	{
		id: uuid("id").primaryKey(),
		cutRunId: uuid("cut_run_id")
			.notNull()
			.references(() => cutRun.id),
		lineKey: text("line_key").notNull(),
		/** So many more; fewer where some broke. */
		more: integer("more").notNull(),
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
	},
	(t) => [primaryKey({ columns: [t.cutRunId, t.lineKey] })],
);
