import { sql } from "drizzle-orm";
import { index, jsonb, pgTable, text, uniqueIndex, uuid } from "drizzle-orm/pg-core";
import { ALARM_KINDS, type AlarmKind } from "../../core/kiln/watch";
import type { Phrase } from "../../core/units/phrase";
import { instant, oneOf } from "./columns";
import { firing } from "./firings";
import { kiln } from "./kilns";
import { user } from "./people";

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
		uniqueIndex("kiln_alarm_open").on(t.kilnId, t.kind).where(sql`${t.endedAt} is null`),
		oneOf("kiln_alarm_kind_known", t.kind, ALARM_KINDS),
	],
);
