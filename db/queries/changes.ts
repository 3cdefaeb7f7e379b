import type { Topic } from "@contract/topics";
import { sql } from "drizzle-orm";
import type { Reader } from "../connect";

/** The channel on which the database says that something changed. */
export const CHANGED = "zephyr_changed";

/** What changed, and the mark of the page that did it: it already knows. */
export interface Change {
	topics: readonly Topic[];
	mark?: string | undefined;
}

/** Says so once the transaction is kept, to every copy of the server. */
export const tellChange = (reader: Reader, change: Change) =>
	reader.execute(sql`select pg_notify(${CHANGED}, ${JSON.stringify(change)})`);

/** What {@link tellChange} said; a text from elsewhere is no change. */
export function readChange(text: string): Change | undefined {
	try {
		const { topics, mark } = JSON.parse(text) as Partial<Change>;
		return Array.isArray(topics) ? { topics, ...(typeof mark === "string" && { mark }) } : undefined;
	} catch {
		return undefined;
	}
}
