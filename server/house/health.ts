import { type Connection, connect } from "@db/connect";
import { loadHeartbeats } from "@db/queries/heartbeats";
import { isListening, startListening } from "./live";
import { getSettings } from "./settings";

/** A database that does not answer a question of health for so long is away, ms. */
const PATIENCE_MS = 2000;

let own: Connection | undefined;

export interface Health {
	/** Requests can be answered. */
	ok: boolean;
	database: boolean;
	/** Changes are heard of, so open pages are told. */
	changes: boolean;
	/** Since the kilns were last listened to, s; null where nobody ever did. */
	kilnsAgoS: number | null;
	freeBytes: number | null;
	/** Since the studio's book was last copied, s. */
	backupAgoS: number | null;
}

/** How the house is, over a connection of its own: a pool that is used up is no reason not to answer this. */
export async function health(): Promise<Health> {
	startListening();
	own ??= connect(getSettings().databaseUrl, 1, { limited: true });
	let timer: NodeJS.Timeout | undefined;
	const late = new Promise<undefined>((done) => {
		timer = setTimeout(done, PATIENCE_MS, undefined);
	});
	const beats = await Promise.race([loadHeartbeats(own.db).catch(() => undefined), late]);
	clearTimeout(timer);
	const changes = isListening();
	return {
		ok: beats !== undefined && changes,
		database: beats !== undefined,
		changes,
		kilnsAgoS: beats?.kilns?.agoS ?? null,
		freeBytes: beats?.kilns?.freeBytes ?? null,
		backupAgoS: beats?.backup?.agoS ?? null,
	};
}
