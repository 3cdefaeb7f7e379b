import { connect } from "@db/connect";
import { pollKilns } from "../devices/poll-kilns";
import { isDriverFault } from "../house/driver-fault";
import { endWithParent } from "../house/end-with-parent";
import { logError } from "../house/log";
import { getSettings } from "../house/settings";
import { startQueue } from "./queue";

/**
 * The studio's second process: listens to the kilns and does what nobody waits for. Apart from the one that answers pages, so
 * that neither holds up the other; whoever starts the application starts this beside it, and again should it end.
 */
const { databaseUrl } = getSettings();
const connection = connect(databaseUrl, 4, { limited: true });
const stopPolling = pollKilns(connection.db);
/** Not there yet: started again after this, ms. The kilns are heard all the while. */
const QUEUE_REST_MS = 10_000;
let stopQueue: (() => Promise<void>) | undefined;
async function start(): Promise<void> {
	try {
		({ stop: stopQueue } = await startQueue(connection.db, databaseUrl));
	} catch (error) {
		logError("jobs", error);
		setTimeout(start, QUEUE_REST_MS).unref();
	}
}
void start();

async function end(): Promise<void> {
	stopPolling();
	await stopQueue?.().catch(() => {});
	await connection.close();
	process.exit(0);
}
for (const signal of ["SIGINT", "SIGTERM"] as const) process.once(signal, () => void end());
// Kilns are heard whatever becomes of the database's connection.
process.on("uncaughtException", (error: unknown) => {
	logError("jobs, uncaught", error);
	if (!isDriverFault(error)) process.exit(1);
});
endWithParent();
