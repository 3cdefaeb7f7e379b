import { z } from "zod";
import { id } from "./fields";
import type { Role } from "./people";
import type { Topic } from "./topics";

/** One thing to be seen: who may, what it is asked with, which changes it shows, and what it looks like. */
export interface View<S extends z.ZodObject = z.ZodObject, V = unknown> {
	/** The least role that may see it. */
	role: Role;
	/** Its parameters; all are text in an address. */
	schema: S;
	topics: readonly Topic[];
	/** As much as so many others of who asks. */
	cost: number;
	/** Shows what is their own to each who asks: made for one, given to nobody else. */
	own: boolean;
	/** Only a type. */
	view?: V;
}

const given =
	(role: Role) =>
	<P extends z.ZodRawShape>(params: P) => ({
		of: (...topics: Topic[]) => ({
			shows: <V>(cost = 1): View<z.ZodObject<P, z.core.$strict>, V> & { own: false } => ({
				role,
				schema: z.strictObject(params),
				topics,
				cost,
				own: false,
			}),
			/** To each their own. */
			showsThem: <V>(): View<z.ZodObject<P, z.core.$strict>, V> & { own: true } => ({
				role,
				schema: z.strictObject(params),
				topics,
				cost: 1,
				own: true,
			}),
		}),
	});

export const seenByInstructor = { given: given("instructor") };
export const seenByAssistant = { given: given("assistant") };

/** What a view costs that goes through a record or computes. */
export const HEAVY = 40;

/** Parameters that several views share. */
export const optionalId = id.optional();
export const idList = (most: number, sentence: string) =>
	z
		.string()
		.transform((text) => text.split(",").filter(Boolean))
		.pipe(z.array(id).max(most, sentence));
/** How many rows of a list that may grow long; a page asks for more. */
export const PAGE = 200;
/** A whole number as an address carries it. */
export const counted = (error: string, least: number, most: number) =>
	z
		.union([z.number(), z.string()], { error })
		.pipe(
			z.coerce
				.number<number | string>({ error })
				.int(error)
				.min(least, `At least ${least}.`)
				.max(most, `At most ${most}.`),
		);
export const most = counted("How many is a number.", 1, 10_000).optional();
export const instant = (name: string) => z.iso.datetime({ error: `${name} is not an instant.`, offset: true });
