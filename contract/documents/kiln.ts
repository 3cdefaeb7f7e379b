import type { KilnBody } from "@core/kiln/kiln";
import { LINE_STATUSES } from "@core/kiln/line-status";
import { DELIMITERS, type LogMapping, type RecorderForm, TIME_FORMS } from "@core/kiln/log";
import {
	DOOR_SIDES,
	FIXTURE_KINDS,
	KILN_KINDS,
	type KilnFixture,
	type KilnZone,
	type OutOfService,
	type Recount,
	SHELF_SHAPES,
	type TypedRecord,
	type UpperShelf,
} from "@core/kiln/record";
import { KILN_COMMANDS, type Register, type RegisterMap } from "@core/kiln/register-map";
import { RELEASES } from "@core/kit/mould";
import { SHELF_COUNTS } from "@core/loading/tiers";
import { z } from "zod";
import { celsius, count, day, id, isDistinct, lengthMm, words } from "../fields";

/** One value in a controller's registers: where it stands, how it is written, and what one step of it means. */
const register = z.strictObject({
	table: z.enum(["holding", "input"]),
	address: count("The register", 0, 65_535),
	type: z.enum(["u16", "s16", "u32"]),
	/** The value is the register times this. */
	scale: z.number({ error: "The scale must be a number." }).min(0.0001).max(1000),
	/** The register's content that means "nothing". */
	none: z.number().int().min(-32_768).max(4_294_967_295).nullable(),
}) satisfies z.ZodType<Register>;

const coded = z.strictObject({ address: count("The register", 0, 65_535), value: count("The value", 0, 65_535) });

/** Where a generic ramp controller keeps what we read, and what is written to it. Edited per kiln. */
export const registerMap = z.strictObject({
	airC: register,
	setC: register.nullable(),
	duty: register.nullable(),
	segment: register.nullable(),
	elapsedS: register.nullable(),
	kwh: register.nullable(),
	status: register.nullable(),
	/** What the status register's numbers mean. */
	statusWords: z.partialRecord(z.enum(LINE_STATUSES), count("The status", 0, 65_535)),
	commands: z.partialRecord(z.enum(KILN_COMMANDS), coded),
}) satisfies z.ZodType<RegisterMap>;

export const lineSettings = z.discriminatedUnion("driver", [
	z.strictObject({
		driver: z.literal("modbus"),
		host: z
			.string()
			.trim()
			.regex(/^[a-z0-9][a-z0-9.:-]{0,99}$/i, "The address is a name or number of the network, like 192.168.1.40."),
		/** For the stand-in: which of its kilns, from 1. */
		port: count("The port", 1, 65_535),
		unit: count("The unit", 0, 247),
		map: registerMap,
	}),
	z.strictObject({
		driver: z.literal("folder"),
		/** Below the folder for kiln logs. */
		folder: z
			.string()
			.trim()
			.regex(/^[a-z0-9][a-z0-9_-]{0,39}$/i, "The folder is one word of letters, digits, - and _."),
	}),
]);

export type LineSettings = z.infer<typeof lineSettings>;

export interface KilnPermissions {
	/** The studio may hold, release, skip and stop. */
	steer: boolean;
	/** It may also start, resume and extend, with somebody there. */
	start: boolean;
}

const body = z.strictObject({
	powerW: z.number({ error: "The power must be a number." }).min(50, "The power must be at least 50 W.").max(60_000),
	lossWPerK: z
		.number({ error: "The loss must be a number." })
		.min(0.05, "The loss must be at least 0.05 W/K.")
		.max(200),
	capacityJPerK: z
		.number({ error: "The heat it holds must be a number." })
		.min(100, "The heat it holds must be at least 0.1 kJ/K.")
		.max(5_000_000),
	roomC: celsius("The room", -10, 50),
}) satisfies z.ZodType<KilnBody>;

const zone = z.strictObject({
	name: words("The zone’s name", 40, 1),
	xMm: lengthMm("Its place", 3000, 0),
	yMm: lengthMm("Its place", 3000, 0),
	widthMm: lengthMm("Its width", 3000, 5),
	heightMm: lengthMm("Its depth", 3000, 5),
	offsetK: z.number({ error: "The offset must be a number." }).min(-60).max(60),
}) satisfies z.ZodType<KilnZone>;

const fixture = z.strictObject({
	kind: z.enum(FIXTURE_KINDS, { error: "Choose what it is." }),
	xMm: lengthMm("Its place", 3000, 0),
	yMm: lengthMm("Its place", 3000, 0),
	acrossMm: lengthMm("Across it", 200, 2),
}) satisfies z.ZodType<KilnFixture>;

const upperShelf = z.strictObject({
	postMm: lengthMm("The posts’ length", 1000, 5),
	offsetK: z.number({ error: "The offset must be a number." }).min(-60).max(60),
}) satisfies z.ZodType<UpperShelf>;

/** Shelves above the lowest. */
export const MOST_UPPER = SHELF_COUNTS.length - 1;

export const outOfService = z.strictObject({
	fromDay: day,
	untilDay: day.nullable(),
	why: words("Why", 120),
}) satisfies z.ZodType<OutOfService>;

const elements = z.strictObject({
	fittedOn: day.nullable(),
	dueFirings: count("Firings", 1, 10_000),
}) satisfies z.ZodType<TypedRecord["elements"]>;

const task = z.strictObject({
	what: words("The task", 80, 1),
	everyFirings: count("The interval", 1, 10_000),
}) satisfies z.ZodType<TypedRecord["upkeep"][number]>;

const shelf = z.strictObject({
	name: words("The shelf’s name", 40, 1),
	release: z.enum(RELEASES),
}) satisfies z.ZodType<TypedRecord["shelves"][number]>;

const counted = count("Firings since", 0, 100_000);

/** Where a person counted anew; what is left out goes on as the studio counts it. */
export const kilnRecount = z.strictObject({
	elements: z
		.strictObject({ firings: counted, hours: z.number().min(0).max(1_000_000) })
		.partial()
		.optional(),
	upkeep: z.record(words("The task", 80, 1), counted).optional(),
	shelves: z.record(words("The shelf’s name", 40, 1), counted).optional(),
}) satisfies z.ZodType<Recount>;

/** A kiln as it is written down. */
export const kilnForm = z.strictObject({
	id,
	name: words("The kiln’s name", 40, 1),
	kind: z.enum(KILN_KINDS, { error: "Choose a kind." }),
	doorSide: z.enum(DOOR_SIDES),
	shelfShape: z.enum(SHELF_SHAPES),
	shelfWidthMm: lengthMm("The shelf’s width", 3000, 20),
	shelfHeightMm: lengthMm("The shelf’s depth", 3000, 20),
	marginMm: lengthMm("The margin", 200, 0),
	clearHeightMm: lengthMm("The clear height", 2000, 5),
	maxC: celsius("The highest temperature", 200, 1300),
	maxSegments: count("Segments", 1, 99),
	body,
	plateW: z.number().min(50, "The plate’s power must be at least 50 W.").max(60_000).nullable(),
	zones: z.array(zone).max(16, "At most 16 zones."),
	fixtures: z.array(fixture).max(16, "At most 16 posts and the like."),
	upper: z.array(upperShelf).max(MOST_UPPER, `At most ${MOST_UPPER} upper shelves.`).default([]),
	elements,
	upkeep: z
		.array(task)
		.max(20, "At most 20 tasks.")
		.refine((all) => isDistinct(all.map(({ what }) => what)), "Two tasks have the same words."),
	shelves: z
		.array(shelf)
		.max(20, "At most 20 shelves.")
		.refine((all) => isDistinct(all.map(({ name }) => name)), "Two shelves have the same name."),
	line: lineSettings.nullable(),
	permissions: z.strictObject({ steer: z.boolean(), start: z.boolean() }) satisfies z.ZodType<KilnPermissions>,
});

export type KilnForm = z.infer<typeof kilnForm>;

/** How a log's columns are to be read. */
export const logMapping = z.strictObject({
	time: z.strictObject({
		column: count("The time column", 0, 200),
		/** A clock time needs a day; counted times need a start. */
		as: z.enum(TIME_FORMS),
		/** Instant the log starts at, for counted times and clocks. */
		startsAt: z.iso.datetime("A start is an instant.").nullable(),
	}),
	air: count("The temperature column", 0, 200),
	set: count("The set-point column", 0, 200).nullable(),
	duty: count("The duty column", 0, 200).nullable(),
	kwh: count("The energy column", 0, 200).nullable(),
	unit: z.enum(["C", "F"]),
	dutyIn: z.enum(["share", "percent"]),
	decimal: z.enum([".", ","]),
}) satisfies z.ZodType<LogMapping>;

/** How a recorder's files are written: what no later file may differ from. */
export const recorderForm = z.strictObject({
	delimiter: z.enum(DELIMITERS),
	header: z.array(z.string().max(200)).max(200).nullable(),
	columns: count("The columns", 2, 200),
	mapping: logMapping,
}) satisfies z.ZodType<RecorderForm>;

/** What the display says, and who read it. */
export const displayReading = z.strictObject({
	c: celsius("The temperature", -30, 1400),
	readBy: words("Who read it", 80, 1),
});

/** What was confirmed of a recorder: of which folder, by whom and when. */
export interface ConfirmedRecorder {
	folder: string;
	form: RecorderForm;
	at: string;
	byId: string;
}

export const LARGEST_LOG_CHARACTERS = 12_000_000;
