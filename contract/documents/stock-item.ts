import { hasSides, isGlass, STOCK_KINDS, type StockItem } from "@core/stock/kinds";
import { z } from "zod";
import { id, lengthMm, words } from "../fields";

export const stockAmount = (name: string, least = 0) =>
	z
		.number({ error: `${name} must be a number.` })
		.min(least, least > 0 ? `${name} must be more than nothing.` : `${name} cannot be less than nothing.`)
		.max(1_000_000, `${name} is too much to be true.`);

/** Something the studio keeps: what it is, how large, where it stands, how it is bought. */
export const stockItem = z
	.strictObject({
		id,
		kind: z.enum(STOCK_KINDS, { error: "Choose what it is." }),
		glassId: words("The glass", 80, 1).nullable(),
		name: words("The name", 80),
		widthMm: lengthMm("The width", 5000, 1).nullable(),
		heightMm: lengthMm("The height", 5000, 1).nullable(),
		sizeMm: lengthMm("The size", 5000, 0.1).nullable(),
		madeOf: words("What it is made of", 120).nullable().optional(),
		place: words("The place", 60),
		low: stockAmount("The low line").nullable(),
		buyAmount: stockAmount("What is bought at once", 0.001),
		priceMinor: z
			.number({ error: "The price must be an amount of money." })
			.int("The price must be an amount of money.")
			.min(0, "A price is not negative.")
			.max(100_000_000, "The price is too high to be true.")
			.nullable(),
		supplier: words("The supplier’s note", 300),
		fromItemId: id.nullable(),
	})
	.superRefine((item, { addIssue }) => {
		const say = (path: string, message: string) => addIssue({ code: "custom", path: [path], message });
		if (isGlass(item.kind) && item.kind !== "component" && item.glassId === null) say("glassId", "Choose the glass.");
		if (!isGlass(item.kind) && item.glassId !== null) say("glassId", "Only glass of a known family has one.");
		if (item.glassId === null && item.name === "") say("name", "Say what it is.");
		if (hasSides(item.kind)) {
			if (item.widthMm === null) say("widthMm", "Say how wide it is.");
			if (item.heightMm === null) say("heightMm", "Say how high it is.");
		}
		if (item.kind === "thread" && item.sizeMm === null) say("sizeMm", "Say how long one is.");
	}) satisfies z.ZodType<StockItem>;
