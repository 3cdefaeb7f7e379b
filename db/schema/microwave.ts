import { boolean, index, jsonb, pgTable, text, uuid } from "drizzle-orm/pg-core";
import type { Look, MicrowaveStep } from "../../core/microwave/programme";
import { LOOKS } from "../../core/microwave/programme";
import { instant, oneOf, retired, revision } from "./columns";
import { kiln } from "./kilns";
import { piece } from "./pieces";

export const oven = pgTable("oven", {
	revision: revision(),
	id: uuid("id").primaryKey(),
	name: text("name").notNull(),
	/** Powers it can be set to, W, least first. */
	watts: jsonb("watts").$type<number[]>().notNull(),
	retired: retired(),
});

/** One firing of a microwave block: the record is the model. */
export const microwaveRun = pgTable(
	"microwave_run",
	{
		id: uuid("id").primaryKey(),
		blockId: uuid("block_id")
			.notNull()
			.references(() => kiln.id),
		ovenId: uuid("oven_id")
			.notNull()
			.references(() => oven.id),
		pieceId: uuid("piece_id").references(() => piece.id),
		what: text("what").notNull().default(""),
		wanted: text("wanted").$type<Look>().notNull(),
		fired: boolean("fired").notNull(),
		plan: jsonb("plan").$type<MicrowaveStep[]>().notNull(),
		/** As it was really given. */
		steps: jsonb("steps").$type<MicrowaveStep[]>().notNull().default([]),
		looks: jsonb("looks").$type<{ id?: string; s: number; seen: Look; at: string }[]>().notNull().default([]),
		startedAt: instant("started_at").notNull(),
		heatedAt: instant("heated_at"),
		openedAt: instant("opened_at"),
		/** It was opened before it could be touched: a warning, and no measure of how long it takes. */
		early: boolean("early").notNull().default(false),
		outcome: text("outcome").$type<Look>(),
		note: text("note").notNull().default(""),
	},
	(t) => [
		index("microwave_run_block").on(t.blockId, t.startedAt),
		oneOf("microwave_run_wanted_known", t.wanted, LOOKS),
		oneOf("microwave_run_outcome_known", t.outcome, LOOKS),
	],
);
