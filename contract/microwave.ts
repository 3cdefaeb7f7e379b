import { LOOKS } from "@core/microwave/programme";
import { z } from "zod";
import { count, id, words } from "./fields";

export const microwaveSteps = z
	.array(
		z.strictObject({
			watts: count("The power", 50, 2500),
			seconds: count("The time", 1, 3600),
		}),
	)
	.min(1, "A programme has at least 1 step.")
	.max(60, "A programme has at most 60 steps.");

export const look = z.enum(LOOKS, { error: "Choose what was seen." });

export const oven = z.strictObject({
	id,
	name: words("The oven’s name", 40, 1),
	watts: z
		.array(count("A power", 50, 2500))
		.min(1, "An oven has at least 1 power.")
		.max(12, "At most 12 powers."),
});
