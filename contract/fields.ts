import { FUSE_LEVELS } from "@core/firing/level";
import { FAULTS, GLUES, NEXT_STEPS } from "@core/journey/events";
import { LARGEST_KIT } from "@core/kit/kit";
import { type Figure, say } from "@core/units/phrase";
import { written } from "@core/units/written";
import { z } from "zod";

/** Pieces of schemas that several forms share. Each limit's sentence names the field and the limit. */
const between = (name: string, least: number, most: number, figure: (n: number) => Figure | string) =>
	z
		.number({ error: `${name} must be a number.` })
		.min(least, written(say`${name} must be at least ${figure(least)}.`))
		.max(most, written(say`${name} must be at most ${figure(most)}.`));
const asLength = (mm: number) => ({ mm });

export const lengthMm = (name: string, most: number = LARGEST_KIT.sideMm, least = 0.5) =>
	between(name, least, most, asLength);
export const placeMm = (name: string) => between(name, -LARGEST_KIT.sideMm, LARGEST_KIT.sideMm, asLength);
export const count = (name: string, least: number, most: number) =>
	between(name, least, most, String).int(`${name} must be a whole number.`);
export const grams = (name: string) => between(name, 0.1, 50_000, (g) => ({ g }));

/** Neither control characters, but for line ends and tabs, nor halves of a sign: no database keeps those. */
const isReadable = (text: string): boolean => !/[\p{Cc}\p{Cs}]/u.test(text.replace(/[\n\r\t]/g, ""));

export const words = (name: string, most: number, least = 0) =>
	z
		.string({ error: `${name} must be text.` })
		.trim()
		.min(least, `${name} must not be empty.`)
		.max(most, `${name} must be at most ${most} characters.`)
		.refine(isReadable, `${name} has signs in it that cannot be kept.`);

export const isDistinct = (all: readonly string[]): boolean => new Set(all).size === all.length;

export const id = z.uuid("This is not an id of this studio.");
export const day = z.iso
	.date("A day is written like 2031-03-08.")
	.refine((text) => text >= "1900-01-01" && text <= "2199-12-31", "A day lies between 1900 and 2199.");
export const level = z.enum(FUSE_LEVELS, { error: "Choose a fuse level." });
export const glue = z.enum(GLUES, { error: "Choose how it was glued." });
export const fault = z.enum(FAULTS, { error: "This is not a fault we know." });
export const nextStep = z.enum(NEXT_STEPS, { error: "Choose what happens next." });
/** What was typed on this revision; 0 is new. */
export const revision = count("Revision", 0, 1_000_000);
export const seq = count("The piece’s state", 0, 100_000);

export const celsius = (name: string, least: number, most: number) => between(name, least, most, (c) => ({ c }));

/** What a list brings into the book at once. */
export const entries = <S extends z.ZodType>(entry: S, most = 500) =>
	z.array(entry).min(1, "There is nothing in this list.").max(most, `At most ${most} at once.`);

/** A time of the wall clock, "18:30". */
export const clockTime = (name: string) =>
	z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, `${name} is written like 18:30.`);
