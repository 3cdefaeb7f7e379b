import { z } from "zod";
import { instructor } from "./action";
import { isDistinct, words } from "./fields";
import { password } from "./people";
import { seenByInstructor } from "./view";

export const UNIT_CHOICES = ["mm.C", "in.F"] as const;

const oneOfList = (kind: "timeZone" | "currency", sentence: string) =>
	z.string({ error: sentence }).refine((value) => isKnown(kind, value), sentence);

/** Names that this JavaScript engine knows. Sources: IANA time zones, ISO 4217. */
function isKnown(kind: "timeZone" | "currency", value: string): boolean {
	if (kind === "currency") return Intl.supportedValuesOf("currency").includes(value);
	try {
		new Intl.DateTimeFormat("en", { timeZone: value });
		return true;
	} catch {
		return false;
	}
}

export const timeZone = oneOfList("timeZone", "Choose a time zone of the list.");
export const currency = oneOfList("currency", "Choose a currency of the list.");
export const units = z.enum(UNIT_CHOICES, { error: "Choose millimetres or inches." });

export const email = z
	.string({ error: "This is not an e-mail address." })
	.trim()
	.toLowerCase()
	.pipe(z.email("This is not an e-mail address.").max(200, "An e-mail address has at most 200 characters."));

/** A studio of one's own, on its first page. */
export const beginForm = z.strictObject({
	studio: words("The studio’s name", 80, 1),
	timeZone,
	currency,
	units,
	name: words("Your name", 80, 1),
	email,
	password,
});
export type BeginForm = z.infer<typeof beginForm>;

export interface FirstStepsView {
	kilns: { id: string; name: string }[];
	blocks: { id: string; name: string }[];
	/** Ids of all glass in the book. */
	glassIds: string[];
	families: { id: string; label: string }[];
	classes: number;
}

export const actions = {
	/** From the starter list, by their ids; what is in the book already stays as it is. */
	addStarterGlass: instructor
		.asks(
			z.strictObject({
				ids: z
					.array(words("A glass", 40, 1))
					.min(1, "Choose at least 1 glass.")
					.max(200, "At most 200 glasses at once.")
					.refine(isDistinct, "A glass stands here twice."),
			}),
		)
		.touches("glass")
		.answers<{ added: number }>(),
};

export const views = {
	firstSteps: seenByInstructor
		.given({ step: words("The step", 20).optional() })
		.of("kilns", "glass", "classes")
		.shows<FirstStepsView>(),
};
