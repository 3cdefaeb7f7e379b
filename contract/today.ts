import { seenByAssistant } from "./view";

/** One line of today's page: what, where, and what to press. Instants are ISO strings, days "2031-03-08". */
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

export const views = {
	today: seenByAssistant
		.given({})
		.of("kits", "glass", "stock", "classes", "pieces", "people", "loads", "kilns", "firings", "readings", "alarms")
		.shows<TodayView>(),
};
