import { CHANGED } from "./perform";
import { database } from "./database";

type Listener = (topic: string) => void;
const listeners = new Set<Listener>();
let listening: Promise<unknown> | undefined;

/** Hears of every change in the database, over one LISTEN for the whole process. Returns the way to stop hearing. */
export function onChange(listener: Listener): () => void {
	listeners.add(listener);
	listening ??= database()
		.sql.listen(CHANGED, (topic) => {
			for (const each of listeners) each(topic);
		})
		.catch((error: unknown) => {
			listening = undefined;
			console.error("live updates:", error instanceof Error ? error.message : error);
		});
	return () => listeners.delete(listener);
}
