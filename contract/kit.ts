import { type KitDesign, LARGEST_KIT } from "@core/stack/kit";
import { z } from "zod";
import { count, lengthMm, level, placeMm, words } from "./fields";

export const cutShape = z.discriminatedUnion("kind", [
	z.strictObject({ kind: z.literal("rectangle"), widthMm: lengthMm("Width"), heightMm: lengthMm("Height") }),
	z.strictObject({ kind: z.literal("square"), sideMm: lengthMm("Side") }),
	z.strictObject({ kind: z.literal("strip"), lengthMm: lengthMm("Length"), widthMm: lengthMm("Width") }),
	z.strictObject({ kind: z.literal("triangle"), widthMm: lengthMm("Width"), heightMm: lengthMm("Height") }),
	z.strictObject({ kind: z.literal("circle"), diameterMm: lengthMm("Diameter") }),
]);

export const kitPart = z.strictObject({
	id: words("The part’s id", 40, 1),
	name: words("The part’s name", 60, 1),
	shape: cutShape,
	glassId: words("The part’s glass", 40, 1),
	layer: count("Layer", 0, LARGEST_KIT.layers - 1),
	xMm: placeMm("Across"),
	yMm: placeMm("Up"),
	turnDeg: z.number().min(-360, "Turn must be at least -360°.").max(360, "Turn must be at most 360°."),
});

export const routeStep = z.strictObject({ level, handWork: words("Hand work", 80) });

export const kitDesign = z.strictObject({
	name: words("The kit’s name", 80, 1),
	note: words("The note", 2000),
	parts: z
		.array(kitPart)
		.min(1, "A kit needs at least 1 cut of glass.")
		.max(LARGEST_KIT.parts, `A kit has at most ${LARGEST_KIT.parts} parts.`)
		.refine((parts) => new Set(parts.map((part) => part.id)).size === parts.length, "Two parts have the same id."),
	route: z
		.array(routeStep)
		.min(1, "The route needs at least 1 firing.")
		.max(LARGEST_KIT.firings, `The route has at most ${LARGEST_KIT.firings} firings.`),
}) satisfies z.ZodType<KitDesign>;
