import { database } from "./database";
import { CHANGED } from "./perform";

type Listener = (topic: string) => void;
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
		await database().sql.listen(CHANGED, (topic) => {
			for (const each of listeners) each(topic);
		});
	} catch (error) {
		listening = false;
		console.error("live updates:", error instanceof Error ? error.message : error);
	}
}
