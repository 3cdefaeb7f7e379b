/** A key and what it does. */
export type KeyRow = readonly [key: string, what: string];

/** What a view is for, and the keys of its own. */
export interface Help {
	/** In three lines: what it is for, how it is worked with, what comes of it. */
	lines: readonly [string, string, string];
	/** The one thing to do here first; said once, at somebody's first visit. */
	first: string;
	keys?: readonly KeyRow[];
}
