import type { PieceToFire } from "@core/firing/demand";
import { SCHEDULE_LIMITS, SCHEDULE_VERSION, type ScheduleDocument } from "@core/firing/document";
import type { Segment, SegmentName } from "@core/firing/schedule";
import { COOLING_SCHOOLS, DOT_SCHOOLS, HEAT_SCHOOLS, type Schools, WARM_UP_SCHOOLS } from "@core/firing/schools";
import { SOAK_SCHOOLS } from "@core/glass/family";
import { say } from "@core/units/phrase";
import { written } from "@core/units/written";
import { z } from "zod";
import { celsius, lengthMm, level, words } from "../fields";

const { hottestC, coolestC, fastestCPerH, longestHoldMin } = SCHEDULE_LIMITS;

const NAMES = ["up", "peak", "drop", "down1", "down2", "down3"] as const satisfies readonly SegmentName[];

const TOO_SLOW = written(say`The rate must be at least ${{ cPerH: 1 }}.`);
const rate = z
	.number({ error: "The rate must be a number." })
	.min(1, TOO_SLOW)
	.max(fastestCPerH, written(say`The rate must be at most ${{ cPerH: fastestCPerH }}; choose full power instead.`));

export const segment = z.strictObject({
	name: z.enum(NAMES, { error: "This is no part of a schedule." }),
	rateCPerH: z.union([z.literal("full"), rate], { error: TOO_SLOW }),
	targetC: celsius("The target", coolestC, hottestC),
	holdMin: z
		.number({ error: "The hold must be a number." })
		.min(0, "The hold must be at least 0 min.")
		.max(longestHoldMin, `The hold must be at most ${longestHoldMin} min.`),
}) satisfies z.ZodType<Segment>;

export const segments = z
	.array(segment)
	.min(1, "A schedule has at least 1 segment.")
	.max(SCHEDULE_LIMITS.segments, `A schedule has at most ${SCHEDULE_LIMITS.segments} segments.`);

export const schools = z.strictObject({
	heat: z.enum(HEAT_SCHOOLS),
	soak: z.enum(SOAK_SCHOOLS),
	cooling: z.enum(COOLING_SCHOOLS),
	/** Schedules written before there were two kept half the difference. */
	warmUp: z.enum(WARM_UP_SCHOOLS).default("cautious"),
	dots: z.enum(DOT_SCHOOLS),
}) satisfies z.ZodType<Schools>;

const piece = z.strictObject({
	id: words("The piece", 60, 1),
	level,
	thickestMm: lengthMm("The thickest place", 200),
	effectiveMm: lengthMm("The thickness to anneal as", 500),
	acrossMm: lengthMm("Its longer side", 2000, 1),
	fired: z.boolean(),
	blackBesideWhite: z.boolean(),
	multiLevel: z.boolean(),
	trappedSpanMm: lengthMm("The trapped span", 2000, 0),
}) satisfies z.ZodType<PieceToFire>;

export const scheduleDocument = z.strictObject({
	version: z.literal(SCHEDULE_VERSION, { error: "This schedule was written by a newer version." }),
	name: words("The schedule’s name", 80, 1),
	familyId: words("The family", 40, 1),
	level,
	pieces: z
		.array(piece)
		.min(1, "A schedule is for at least 1 piece.")
		.max(SCHEDULE_LIMITS.pieces, `A schedule is for at most ${SCHEDULE_LIMITS.pieces} pieces.`),
	schools,
	aim: z
		.number()
		.min(0.0001, "The flow index must be more than 0.")
		.max(1000, "The flow index must be at most 1000.")
		.nullable(),
	mouldMaxC: celsius("What the mould bears", 20, 1300).nullable(),
	segments,
	note: words("The note", 1000),
}) satisfies z.ZodType<ScheduleDocument>;

/** The published JSON Schema of a schedule file; docs/formats keeps a copy. */
export const scheduleFileSchema = () => ({
	$id: "schedule.schema.json",
	title: "Zephyr Flats schedule",
	...z.toJSONSchema(scheduleDocument, { io: "input" }),
});
