import type { TodayLine } from "@contract/studio";

/** One line of today's page, due unless it says otherwise. */
export const line = (
	key: string,
	what: string,
	detail: string,
	href: string,
	action: string,
	rest: Partial<TodayLine> = {},
): TodayLine => ({ key, what, detail, at: null, href, action, urgency: "due", ...rest });
