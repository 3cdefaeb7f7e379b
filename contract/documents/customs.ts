import { GLUES } from "@core/journey/events";
import { WISH_STEPS, WISHES } from "@core/loading/plan/wishes";
import { CODES_FOR, type Customs, PAPER_SIZES } from "@core/studio/customs";
import { STATIONS } from "@core/studio/stations";
import { z } from "zod";
import { clockTime, count, lengthMm, words } from "../fields";

const span = z.strictObject({ from: clockTime("The beginning"), to: clockTime("The end") });

/** Hours of a day with an end after their beginning. */
const open = span.refine(({ from, to }) => from < to, { path: ["to"], message: "It ends before it begins." });

const hours = (name: string, most: number, least = 0) =>
	z
		.number({ error: `${name} must be a number of hours.` })
		.min(least, `${name} is at least ${least} h.`)
		.max(most, `${name} is at most ${most} h.`);

const minutes = count("The drying time", 0, 7 * 24 * 60);

const each = <K extends string, S extends z.ZodType>(keys: readonly K[], schema: S) =>
	z.strictObject(Object.fromEntries(keys.map((key) => [key, schema])) as Record<K, S>);

/** How a studio does things where the trade leaves it to them. */
export const customs = z.strictObject({
	spares: z.strictObject({
		share: z
			.number({ error: "Spares are a number of per cent." })
			.min(0, "Spares cannot be less than none.")
			.max(1, "At most as many spares as parts."),
		least: count("The least number of spares", 0, 50),
	}),
	sheet: z.strictObject({
		widthMm: lengthMm("The sheet’s width", 3000, 50),
		heightMm: lengthMm("The sheet’s height", 3000, 50),
	}),
	dryMin: each(GLUES, minutes),
	week: z.array(open.nullable()).length(7, "A week has seven days."),
	assistantsMay: z.strictObject({ load: z.boolean(), open: z.boolean() }),
	earlyByTwo: z.boolean(),
	codesFor: z.enum(CODES_FOR, { error: "Choose of whom a code is asked." }),
	quiet: span.refine(({ from, to }) => from !== to, { path: ["to"], message: "It ends when it begins." }).nullable(),
	aloneHours: hours("With nobody there", 240).nullable(),
	paper: z.enum(PAPER_SIZES, { error: "Choose a paper." }),
	tariff: z.strictObject({
		kwhMinor: z
			.number({ error: "The price of a kWh must be a number." })
			.min(0, "A price is not negative.")
			.max(100_000, "The price of a kWh is too high to be true.")
			.nullable(),
		shelfHourMinor: count("The price of kiln time", 0, 10_000_000).nullable(),
	}),
	planWishes: each(WISHES, z.enum(WISH_STEPS, { error: "Choose how much it counts." })),
	mixFamilies: z.boolean(),
	usualHours: z.strictObject({
		queue: hours("Until it is loaded", 1000),
		firing: hours("A firing", 240, 1),
		judge: hours("Until it is judged", 1000),
		coldWork: hours("Cold work", 1000),
		wrap: hours("Wrapping", 1000),
	}),
	cautions: each(STATIONS, words("The cautions", 1000)),
}) satisfies z.ZodType<Customs>;
