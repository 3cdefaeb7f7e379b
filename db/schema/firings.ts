import { sql } from "drizzle-orm";
import { doublePrecision, index, integer, jsonb, pgTable, text, uuid } from "drizzle-orm/pg-core";
import { FUSE_LEVELS, type FuseLevel } from "../../core/firing/level";
import type { MergedDemand } from "../../core/firing/merge";
import type { Schedule } from "../../core/firing/schedule";
import type { Misfit } from "../../core/kiln/learn";
import { KILN_COMMANDS, type KilnCommand } from "../../core/kiln/register-map";
import type { Distrust } from "../../core/kiln/sensor";
import { STEER_OUTCOMES, type SteerOutcome } from "../../core/kiln/steer";
import type { LoadHeat } from "../../core/loading/load-heat";
import { instant, oneOf } from "./columns";
import { glassFamily } from "./glass";
import { kiln } from "./kilns";
import { user } from "./people";
import { scheduleVersion } from "./schedules";

/** What a firing became by its measured curve, beside what was simulated. */
export interface FiringCame {
	flow: number;
	kwh: number | null;
	misfit: Misfit | null;
}

export const FIRING_STATES = ["planned", "running", "opened", "cancelled"] as const;
export type FiringState = (typeof FIRING_STATES)[number];

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
		/** When it is to be started; null: as soon as the kiln is free. */
		startsAt: instant("starts_at"),
		startedAt: instant("started_at"),
		finishedAt: instant("finished_at"),
		/** How many times faster the stand-in's clock runs; 1 for a real kiln. */
		speedUp: integer("speed_up").notNull().default(1),
		/** Seconds of kiln time from the start until it may be opened, as simulated. */
		openS: doublePrecision("open_s").notNull(),
		kwh: doublePrecision("kwh").notNull(),
		flow: doublePrecision("flow").notNull(),
		/** As corrected while it runs, from what was measured, s. */
		predictedEndS: doublePrecision("predicted_end_s"),
		predictedOpenS: doublePrecision("predicted_open_s"),
		scheduleVersionId: uuid("schedule_version_id").references(() => scheduleVersion.id),
		/** Thickest glass of a bare firing, mm; null where pieces say it. */
		thicknessMm: doublePrecision("thickness_mm"),
		/** Stretches in which its sensor or its line said what this kiln cannot do. */
		distrust: jsonb("distrust").$type<Distrust[]>().notNull().default([]),
		/** What was measured, kept when it is opened. */
		came: jsonb("came").$type<FiringCame>(),
		/** What lay in it, kept when it is opened: its pieces go on to other firings and become others. */
		lay: jsonb("lay").$type<LoadHeat>(),
		/** What a bare firing is for. */
		what: text("what").notNull().default(""),
		note: text("note").notNull().default(""),
	},
	(t) => [
		index("firing_state").on(t.state),
		index("firing_kiln").on(t.kilnId, t.number),
		index("firing_finished").on(t.finishedAt),
		index("firing_schedule").on(t.scheduleVersionId),
		oneOf("firing_state_known", t.state, FIRING_STATES),
		oneOf("firing_level_known", t.level, FUSE_LEVELS),
	],
);

export const firingNote = pgTable(
	"firing_note",
	{
		id: uuid("id").primaryKey(),
		firingId: uuid("firing_id")
			.notNull()
			.references(() => firing.id),
		at: instant("at").notNull(),
		elapsedS: doublePrecision("elapsed_s"),
		text: text("text").notNull(),
		/** Of a note that something was sent to the kiln: what, and what came of it. */
		command: text("command").$type<KilnCommand>(),
		outcome: text("outcome").$type<SteerOutcome>(),
		actorId: text("actor_id").references(() => user.id),
	},
	(t) => [
		index("firing_note_firing").on(t.firingId, t.at),
		index("firing_note_asked").on(t.at).where(sql`${t.outcome} = 'asked'`),
		oneOf("firing_note_command_known", t.command, KILN_COMMANDS),
		oneOf("firing_note_outcome_known", t.outcome, STEER_OUTCOMES),
	],
);
