import type { Topic } from "@contract/topics";
import { type ViewName, views } from "@contract/views";
import { CHANGED, type Change, readChange } from "@db/queries/changes";
import { database } from "./database";

type Listener = (change: Change) => void;

const listeners = new Set<Listener>();

let listening = false;

/** Hears of every change in the database, over one LISTEN for the whole process. Returns the way to stop hearing. */
export function onChange(listener: Listener): () => void {
	listeners.add(listener);
	if (!listening) {
		listening = true;
		void listen();
	}
	return () => listeners.delete(listener);
}

async function listen(): Promise<void> {
	try {
		await database().sql.listen(CHANGED, (text) => {
			const change = readChange(text);
			if (change) for (const each of listeners) each(change);
		});
	} catch (error) {
		listening = false;
		console.error("live updates:", error instanceof Error ? error.message : error);
	}
}

/** The views that show something of these topics. */
export const viewsShowing = (topics: readonly Topic[]): ViewName[] =>
	(Object.keys(views) as ViewName[]).filter((name) => views[name].topics.some((topic) => topics.includes(topic)));
