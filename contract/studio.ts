import type { Schools } from "@core/firing/schools";
import type { Customs } from "@core/studio/customs";
import type { Station } from "@core/studio/stations";
import type { Phrase, Units } from "@core/units/phrase";
import { z } from "zod";
import { instructor } from "./action";
import { currency, timeZone, units } from "./begin";
import { customs } from "./documents/customs";
import { schools } from "./documents/schedule";
import { count, isDistinct, lengthMm, revision, words } from "./fields";
import type { AlarmBrief } from "./kilns";
import { seenByAssistant, seenByInstructor } from "./view";

/** What the stations show. Instants are ISO strings, days "2031-03-08", lengths mm, temperatures °C. */

export const settings = z.strictObject({
	name: words("The studio’s name", 80, 1),
	timeZone,
	currency,
	units,
	/** Kept free between pieces on a shelf. */
	clearanceMm: lengthMm("The clearance", 100, 0),
	/** Of the pickup shelf, in their order. */
	spots: z
		.array(words("A spot", 12, 1))
		.min(1, "The pickup shelf needs at least 1 spot.")
		.max(120, "At most 120 spots.")
		.refine(isDistinct, "A spot stands here twice."),
	customs,
	/** The next firing bears this number; it cannot be one that was given already. */
	nextFiring: count("The next firing’s number", 1, 1_000_000_000),
});
export type Settings = z.infer<typeof settings>;

export interface StationCount {
	count: number;
	late: number;
	line: string;
}

export interface FrameView {
	studio: string;
	/** The made-up studio that the program brings along. */
	isDemo: boolean;
	/** Of who has not chosen any. */
	units: Units;
	timeZone: string;
	/** Kept free between pieces on a shelf, mm. */
	clearanceMm: number;
	customs: Omit<Customs, "tariff">;
	/** ISO 4217; null for who may not see money. */
	currency: string | null;
	/** What stands at each that no kiln decides. */
	stations: Record<Exclude<Station, "fire" | "open">, StationCount>;
	/** Pieces out of the kiln that nobody has judged. */
	unjudged: number;
	alarms: AlarmBrief[];
	/** What is wrong with the house itself: listening, disk, copies. */
	house: string[];
}

export interface FoundThing {
	kind: "piece" | "kit" | "glass" | "kiln";
	label: string;
	detail: Phrase;
	href: string;
}

export interface FindView {
	exact: string | null;
	found: FoundThing[];
}

export interface SettingsView {
	settings: Settings;
	schools: Schools;
	revision: number;
	/** What may be chosen, as this server knows it: browsers know others. */
	zones: string[];
	currencies: { code: string; name: string }[];
}

export const actions = {
	saveSettings: instructor
		.asks(z.strictObject({ settings, schools, revision: revision.min(1, "The studio is there already.") }))
		.touches("studio", "kits", "schedules", "pieces", "stock", "loads")
		.answers<{ revision: number }>(),
};

export const views = {
	settings: seenByInstructor
		.given({ tab: words("The tab", 20).optional() })
		.of("studio", "pieces", "firings")
		.shows<SettingsView>(),
	frame: seenByAssistant
		.given({})
		.of("studio", "kits", "stock", "classes", "pieces", "people", "loads", "kilns", "firings", "alarms")
		.shows<FrameView>(),
	find: seenByAssistant
		.given({ q: words("What is looked for", 200).optional() })
		.of("pieces", "people", "kits", "glass", "kilns")
		.shows<FindView>(),
};
