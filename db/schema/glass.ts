import { boolean, date, doublePrecision, index, integer, jsonb, pgTable, text, uuid } from "drizzle-orm/pg-core";
import type { FuseLevel } from "../../core/firing/level";
import { FUSE_LEVELS } from "../../core/firing/level";
import type { GlassFamily, SoakSchool } from "../../core/glass/family";
import { SOAK_SCHOOLS } from "../../core/glass/family";
import type { Chemistry, Coating, FritGrade, Glass, GlassForm } from "../../core/glass/glass";
import { COATINGS, FRIT_GRADES, GLASS_FORMS, OPACITIES, TONES } from "../../core/glass/glass";
import type { KitDesign } from "../../core/kit/kit";
import type { Mould, MouldKind, Release } from "../../core/kit/mould";
import { MOULD_KINDS, OPENINGS, RELEASES } from "../../core/kit/mould";
import type { FindingCode } from "../../core/stack/findings/titles";
import { bytes, oneOf, retired, revision } from "./columns";
import { kiln } from "./kilns";

export const glassFamily = pgTable(
	"glass_family",
	{
		revision: revision(),
		id: text("id").primaryKey(),
		label: text("label").notNull(),
		expansionE7PerK: doublePrecision("expansion_e7_per_k").notNull(),
		annealingC: doublePrecision("annealing_c").notNull(),
		softeningC: doublePrecision("softening_c").notNull(),
		workingC: doublePrecision("working_c").notNull(),
		tested: boolean("tested").notNull(),
		soakSchool: text("soak_school").$type<SoakSchool>(),
	},
	(t) => [oneOf("glass_family_soak_known", t.soakSchool, SOAK_SCHOOLS)],
);

export const glass = pgTable(
	"glass",
	{
		revision: revision(),
		id: text("id").primaryKey(),
		name: text("name").notNull(),
		familyId: text("family_id")
			.notNull()
			.references(() => glassFamily.id),
		form: text("form").$type<GlassForm>().notNull(),
		thicknessMm: doublePrecision("thickness_mm").notNull(),
		widthMm: doublePrecision("width_mm"),
		grade: text("grade").$type<FritGrade>(),
		opacity: text("opacity").$type<Glass["opacity"]>().notNull(),
		tone: text("tone").$type<Glass["tone"]>().notNull(),
		coating: text("coating").$type<Coating>().notNull().default("none"),
		roughFace: boolean("rough_face").notNull().default(false),
		directed: boolean("directed").notNull().default(false),
		fused: boolean("fused").notNull().default(false),
		chemistry: jsonb("chemistry").$type<Chemistry[]>().notNull().default([]),
		boughtColour: text("bought_colour").notNull(),
		firedColour: text("fired_colour").notNull(),
		priceMinor: integer("price_minor"),
		retired: retired(),
	},
	(t) => [
		index("glass_name_trgm").using("gin", t.name.op("gin_trgm_ops")),
		oneOf("glass_form_known", t.form, GLASS_FORMS),
		oneOf("glass_grade_known", t.grade, FRIT_GRADES),
		oneOf("glass_opacity_known", t.opacity, OPACITIES),
		oneOf("glass_tone_known", t.tone, TONES),
		oneOf("glass_coating_known", t.coating, COATINGS),
	],
);

/** Moulds, and frames whose opening a piece has to cover. */
export const mould = pgTable(
	"mould",
	{
		revision: revision(),
		id: text("id").primaryKey(),
		name: text("name").notNull(),
		kind: text("kind").$type<MouldKind>().notNull(),
		opening: text("opening").$type<Mould["opening"]>().notNull(),
		widthMm: doublePrecision("width_mm").notNull(),
		heightMm: doublePrecision("height_mm").notNull(),
		depthMm: doublePrecision("depth_mm").notNull(),
		texture: text("texture").notNull().default(""),
		vented: boolean("vented").notNull(),
		release: text("release").$type<Release>().notNull(),
		usesSince: integer("uses_since").notNull().default(0),
		renewAfter: integer("renew_after"),
		count: integer("count").notNull().default(1),
		maxC: doublePrecision("max_c").notNull(),
		retired: retired(),
	},
	(t) => [
		oneOf("mould_kind_known", t.kind, MOULD_KINDS),
		oneOf("mould_opening_known", t.opening, OPENINGS),
		oneOf("mould_release_known", t.release, RELEASES),
	],
);

/** What was tried: the stack, the kiln, the schedule, and what came of it. */
export const sample = pgTable(
	"sample",
	{
		id: uuid("id").primaryKey().defaultRandom(),
		revision: revision(),
		name: text("name").notNull(),
		/** The stack that was tried; a kit can be opened from it. */
		document: jsonb("document").$type<KitDesign>().notNull(),
		stackCode: text("stack_code").notNull(),
		kilnId: uuid("kiln_id").references(() => kiln.id),
		level: text("level").$type<FuseLevel>().notNull(),
		peakC: doublePrecision("peak_c").notNull(),
		holdMin: doublePrecision("hold_min").notNull(),
		firedOn: date("fired_on", { mode: "string" }).notNull(),
		result: text("result").notNull(),
		/** Codes of findings it bears out. */
		shows: jsonb("shows").$type<FindingCode[]>().notNull().default([]),
		picture: bytes("picture"),
		retired: retired(),
	},
	(t) => [index("sample_day").on(t.firedOn), oneOf("sample_level_known", t.level, FUSE_LEVELS)],
);

/** Rows of the books are what the core works with. */
const _rowsAreCore: [
	typeof glassFamily.$inferSelect extends GlassFamily ? true : never,
	typeof glass.$inferSelect extends Glass ? true : never,
	typeof mould.$inferSelect extends Mould ? true : never,
] = [true, true, true];

void _rowsAreCore;
