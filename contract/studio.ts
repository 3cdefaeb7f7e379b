import type { Units } from "@core/units/phrase";
import { words } from "./fields";
import type { AlarmBrief, KilnCell } from "./kilns";
import type { Role } from "./people";
import { seenByAssistant } from "./view";

/** What the stations show. Instants are ISO strings, days "2031-03-08", lengths mm, temperatures °C. */

export const STATIONS = ["kits", "cut", "bench", "dry", "load", "fire", "open", "handOver"] as const;

export type Station = (typeof STATIONS)[number];

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
	now: string;
	person: { name: string; role: Role };
	/** Kept free between pieces on a shelf, mm. */
	clearanceMm: number;
	stations: Record<Station, StationCount>;
	kilns: KilnCell[];
	alarms: AlarmBrief[];
	/** What is wrong with the house itself: listening, disk, copies. */
	house: string[];
}

export interface TodayLine {
	key: string;
	what: string;
	detail: string;
	at: string | null;
	href: string;
	action: string;
	urgency: "late" | "atRisk" | "due" | "calm";
}

export interface TodayView {
	doNow: TodayLine[];
	waiting: TodayLine[];
	promised: (TodayLine & { day: string })[];
}

export interface FoundThing {
	kind: "piece" | "kit" | "glass" | "kiln";
	label: string;
	detail: string;
	href: string;
}

export interface FindView {
	exact: string | null;
	found: FoundThing[];
}

export const views = {
	frame: seenByAssistant
		.given({})
		.of("studio", "kits", "stock", "classes", "pieces", "loads", "kilns", "firings", "readings", "alarms", "live")
		.shows<FrameView>(),
	today: seenByAssistant
		.given({})
		.of("kits", "glass", "stock", "classes", "pieces", "loads", "kilns", "firings", "readings", "alarms")
		.shows<TodayView>(),
	find: seenByAssistant
		.given({ q: words("What is looked for", 200).optional() })
		.of("pieces")
		.shows<FindView>(),
};
