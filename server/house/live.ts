import { TOPICS, type Topic } from "@contract/topics";
import { type ViewName, views } from "@contract/views";
import { CHANGED, type Change, readChange } from "@db/queries/changes";
import { Client } from "pg";
import { logError } from "./log";
import { getSettings } from "./settings";

type Listener = (change: Change) => void;

const listeners = new Set<Listener>();
const deaf = new Set<() => void>();

/** Between tries to hear again, ms. */
const REST_MS = 1000;
/** A connection that says nothing may be dead: it is asked so often, ms. */
const ASK_MS = 10_000;

let started = false;
let hears = false;

/** Hears of every change in the database, over one LISTEN for the whole process. Returns the way to stop hearing. */
export function onChange(listener: Listener): () => void {
	listeners.add(listener);
	startListening();
	return () => listeners.delete(listener);
}

/** Hears when changes are not heard of any more. */
export const onDeaf = (listener: () => void): void => void deaf.add(listener);

/** Whether changes are heard of just now. */
export const isListening = (): boolean => hears;

export function startListening(): void {
	if (started) return;
	started = true;
	void listenForEver();
}

const tell: Listener = (change) => {
	for (const each of listeners) each(change);
};

/** Listens, and again whenever the connection is lost; what was missed meanwhile nobody knows, so everything is asked again. */
async function listenForEver(): Promise<never> {
	for (let before = false; ; before = true) {
		await listenOnce(() => {
			hears = true;
			if (before) tell({ topics: TOPICS });
		}).catch((error: unknown) => logError("live updates", error));
		hears = false;
		for (const each of deaf) each();
		await new Promise((done) => setTimeout(done, REST_MS));
	}
}

/** Ends when the connection does. */
async function listenOnce(onListening: () => void): Promise<void> {
	const client = new Client({
		connectionString: getSettings().databaseUrl,
		application_name: "zephyr-flats live",
		connectionTimeoutMillis: ASK_MS,
		query_timeout: ASK_MS,
	});
	const over = new Promise<void>((done) => {
		client.once("end", done);
		client.on("error", () => done());
	});
	client.on("notification", ({ payload = "" }) => {
		const change = readChange(payload);
		if (change) tell(change);
	});
	let asking: NodeJS.Timeout | undefined;
	try {
		await client.connect();
		await client.query(`listen ${CHANGED}`);
		onListening();
		const dead = new Promise<never>((_, fail) => {
			asking = setInterval(() => void client.query("select 1").catch(fail), ASK_MS);
		});
		await Promise.race([over, dead]);
	} finally {
		clearInterval(asking);
		await client.end().catch(() => {});
	}
}

/** The views that show something of these topics. */
export const viewsShowing = (topics: readonly Topic[]): ViewName[] =>
	(Object.keys(views) as ViewName[]).filter((name) => views[name].topics.some((topic) => topics.includes(topic)));
