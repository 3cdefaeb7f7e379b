import type { KilnCell } from "@contract/kilns";
import type { TodayLine, TodayView } from "@contract/today";
import type { ViewContext } from "../../house/view";

/** What a word is asked with when it says what there is to do. */
export interface Desk {
	context: ViewContext;
	/** The studio's day, "2031-03-08". */
	day: string;
	kilns: readonly KilnCell[];
}

/** What one word has to do, what it waits for, and what it promised. */
export type ToDo = (desk: Desk) => Promise<Partial<TodayView>>;

/** One line of today's page: now, and due, unless it says otherwise. */
export const line = (
	given: Pick<TodayLine, "key" | "what" | "detail" | "href" | "action"> & Partial<TodayLine>,
): TodayLine => ({ at: null, urgency: "due", ...given });

/** The first dozen of a long row, and how many more there are. */
export const someOf = (words: readonly string[], most = 12): string =>
	words.length > most ? `${words.slice(0, most).join(", ")} and ${words.length - most} more` : words.join(", ");
