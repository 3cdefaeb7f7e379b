import { boolean, doublePrecision, integer, jsonb, pgTable, text } from "drizzle-orm/pg-core";
import {
	COOLING_SCHOOLS,
	type CoolingSchool,
	DOT_SCHOOLS,
	type DotSchool,
	HEAT_SCHOOLS,
	type HeatSchool,
	WARM_UP_SCHOOLS,
	type WarmUpSchool,
} from "../../core/firing/schools";
import { SOAK_SCHOOLS, type SoakSchool } from "../../core/glass/family";
import { type Customs, USUAL_CUSTOMS } from "../../core/studio/customs";
import type { LengthUnit } from "../../core/units/length";
import type { TemperatureUnit } from "../../core/units/temperature";
import { instant, oneOf, revision } from "./columns";

/** One row: this database is one studio. */
export const studio = pgTable(
	"studio",
	{
		revision: revision(),
		id: integer("id").primaryKey().default(1),
		name: text("name").notNull(),
		timeZone: text("time_zone").notNull(),
		coolingSchool: text("cooling_school").$type<CoolingSchool>().notNull().default("usual"),
		warmUpSchool: text("warm_up_school").$type<WarmUpSchool>().notNull().default("usual"),
		soakSchool: text("soak_school").$type<SoakSchool>().notNull().default("lower"),
		heatSchool: text("heat_school").$type<HeatSchool>().notNull().default("usual"),
		dotSchool: text("dot_school").$type<DotSchool>().notNull().default("asOthers"),
		clearanceMm: doublePrecision("clearance_mm").notNull().default(5),
		/** ISO 4217 code of the money prices are in. */
		currency: text("currency").notNull().default("EUR"),
		/** Units of who has not chosen any. */
		lengthUnit: text("length_unit").$type<LengthUnit>().notNull().default("mm"),
		temperatureUnit: text("temperature_unit").$type<TemperatureUnit>().notNull().default("C"),
		/** The made-up studio that the program brings along. */
		isDemo: boolean("is_demo").notNull().default(false),
		/** Whoever has the address with this in it reads the calendar; null: nobody does. */
		calendarKey: text("calendar_key"),
		/** How the studio does things where the trade leaves it to them. */
		customs: jsonb("customs").$type<Customs>().notNull().default(USUAL_CUSTOMS),
		nextPieceNumber: integer("next_piece_number").notNull().default(0),
	},
	(t) => [
		oneOf("studio_cooling_known", t.coolingSchool, COOLING_SCHOOLS),
		oneOf("studio_warm_up_known", t.warmUpSchool, WARM_UP_SCHOOLS),
		oneOf("studio_soak_known", t.soakSchool, SOAK_SCHOOLS),
		oneOf("studio_heat_known", t.heatSchool, HEAT_SCHOOLS),
		oneOf("studio_length_known", t.lengthUnit, ["mm", "in"]),
		oneOf("studio_temperature_known", t.temperatureUnit, ["C", "F"]),
		oneOf("studio_dots_known", t.dotSchool, DOT_SCHOOLS),
	],
);

/** What the house does over and over, and when it last did; by the database's own clock. */
export const heartbeat = pgTable("heartbeat", {
	name: text("name").primaryKey(),
	at: instant("at").notNull().defaultNow(),
	facts: jsonb("facts").$type<HeartbeatFacts>().notNull().default({}),
});

export interface HeartbeatFacts {
	/** Free on the disk that the database lies on, bytes. */
	freeBytes?: number;
}
