import type { KeptPlan } from "@core/cutting/plan/kept";
import { say } from "@core/units/phrase";
import { written } from "@core/units/written";
import { z } from "zod";
import { count, id, lengthMm, words } from "../fields";

const side = (name: string) => lengthMm(name, 5000, 0.1);
const place = z
	.number({ error: "A place is a length." })
	.min(0, "Nothing lies before the edge.")
	.max(5000, written(say`At most ${{ mm: 5000 }}.`));

const sheet = z.strictObject({
	sheet: z.strictObject({ id: words("The sheet’s id", 60), widthMm: side("The sheet"), heightMm: side("The sheet") }),
	turned: z.boolean(),
	strips: z
		.array(
			z.strictObject({
				yMm: place,
				heightMm: side("A strip"),
				columns: z
					.array(
						z.strictObject({
							xMm: place,
							widthMm: side("A column"),
							heightMm: side("A part"),
							stack: count("Parts in a column", 1, 5000),
							blank: count("Which part", 0, 500),
							turned: z.boolean(),
						}),
					)
					.max(2000, "At most 2000 columns in a strip."),
			}),
		)
		.max(500, "At most 500 strips on a sheet."),
	from: z.discriminatedUnion("kind", [
		z.strictObject({ kind: z.literal("whole"), itemId: id.nullable() }),
		z.strictObject({ kind: z.literal("offcut"), itemId: id }),
		z.strictObject({ kind: z.literal("rest"), of: count("Whose rest", 0, 500) }),
	]),
	cleared: z.boolean(),
});

/** A coordinate of an outline or of its place. */
const at = z.number({ error: "A place is a length." }).min(-5000, "Too far out.").max(5000, "Too far out.");

const nest = z.strictObject({
	outline: z
		.array(z.strictObject({ x: at, y: at }))
		.min(3, "An outline has corners.")
		.max(2000, "At most 2000 corners."),
	turnDeg: z
		.number({ error: "A turn is in degrees." })
		.min(0, "A turn is not negative.")
		.max(360, "A turn is at most once round."),
	places: z
		.array(z.strictObject({ xMm: at, yMm: at, half: z.boolean() }))
		.min(1, "A blank holds an outline.")
		.max(6, "At most six outlines in a blank."),
});

/** A plan somebody cuts by. Whether it can be cut is for core/cutting/plan/plan-problem to say. */
export const cutPlan = z.strictObject({
	blanks: z
		.array(
			z.strictObject({
				key: words("The part", 200, 1),
				widthMm: side("A part"),
				heightMm: side("A part"),
				count: count("Parts", 0, 20_000),
				yields: count("Parts of a rectangle", 1, 6),
				mayTurn: z.boolean(),
				finish: z.enum(["none", "diagonal", "round", "outline", "nest"]),
				nest: nest.optional(),
			}),
		)
		.max(500, "At most 500 kinds of parts."),
	before: z.record(words("The part", 200, 1), count("Parts", 0, 40_000)),
	sheets: z.array(sheet).max(300, "At most 300 sheets."),
	rules: z.strictObject({
		kerfMm: z
			.number()
			.min(0, "A blade takes no less than nothing.")
			.max(10, written(say`A blade takes at most ${{ mm: 10 }}.`)),
		leastTrimMm: z
			.number()
			.min(0, "A trim is not negative.")
			.max(50, written(say`A trim is at most ${{ mm: 50 }}.`)),
		keepMm: z
			.number()
			.min(1, written(say`A rest is at least ${{ mm: 1 }}.`))
			.max(1000, written(say`A rest is at most ${{ mm: 1000 }}.`)),
	}),
}) satisfies z.ZodType<KeptPlan>;
