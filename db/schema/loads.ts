import { sql } from "drizzle-orm";
import { doublePrecision, index, integer, jsonb, pgTable, primaryKey, text, uuid } from "drizzle-orm/pg-core";
import { FUSE_LEVELS, type FuseLevel } from "../../core/firing/level";
import type { Ring } from "../../core/geometry/region";
import { type Fault, NEXT_STEPS, type NextStep } from "../../core/journey/events";
import { instant, oneOf } from "./columns";
import { firing } from "./firings";
import { piece } from "./pieces";

/** One piece in one firing: where it lies, what was expected, what came. */
export const firingPlace = pgTable(
	"firing_place",
	{
		firingId: uuid("firing_id")
			.notNull()
			.references(() => firing.id),
		pieceId: uuid("piece_id")
			.notNull()
			.references(() => piece.id),
		/** The middle of its box, from the shelf's lower left; sizes before it is turned. */
		xMm: doublePrecision("x_mm").notNull(),
		yMm: doublePrecision("y_mm").notNull(),
		widthMm: doublePrecision("width_mm").notNull(),
		heightMm: doublePrecision("height_mm").notNull(),
		turnDeg: doublePrecision("turn_deg").notNull().default(0),
		/** On which of the kiln’s shelves, counted from the lowest, 0. */
		shelf: integer("shelf").notNull().default(0),
		/** What it covers after firing, round the middle of its box; null: all of its box. */
		outline: jsonb("outline").$type<Ring>(),
		/** When somebody saw it lie there; null: not yet. */
		loadedAt: instant("loaded_at"),
		costHours: doublePrecision("cost_hours").notNull(),
		expectedLevel: text("expected_level").$type<FuseLevel>().notNull(),
		judgedLevel: text("judged_level").$type<FuseLevel | "none">(),
		faults: jsonb("faults").$type<Fault[]>(),
		next: text("next").$type<NextStep>(),
	},
	(t) => [
		primaryKey({ columns: [t.firingId, t.pieceId] }),
		index("firing_place_piece").on(t.pieceId),
		index("firing_place_unjudged").on(t.firingId).where(sql`${t.judgedLevel} is null`),
		oneOf("firing_place_expected_known", t.expectedLevel, FUSE_LEVELS),
		oneOf("firing_place_judged_known", t.judgedLevel, [...FUSE_LEVELS, "none"]),
		oneOf("firing_place_next_known", t.next, NEXT_STEPS),
	],
);
