import type { Database } from "@db/connect";
import { sweepAttempts } from "@db/queries/attempts";
import { loadStudio } from "@db/queries/studio";
import PgBoss from "pg-boss";
import { logError } from "../house/log";
import { nightCopy } from "./night-copy";
import { QUEUE_SCHEMA } from "./queue-schema";
import { readKitsAgain } from "./read-kits-again";

/** What is done apart from anybody's request. Each may be run at any time, any number of times. */
const JOBS: Record<string, (db: Database) => Promise<number>> = {
	readKitsAgain,
	sweepAttempts,
	nightCopy,
};

/** Each night of the studio besides the start, for what an interrupted one left. */
const NIGHTLY = "23 3 * * *";

/**
 * The queue in the database's own schema `jobs`: every job once now, and once a night. A job that fails is tried again; of two
 * that were asked for at once one runs.
 */
export async function startQueue(db: Database, databaseUrl: string): Promise<{ stop(): Promise<void> }> {
	const boss = new PgBoss({ connectionString: databaseUrl, schema: QUEUE_SCHEMA, max: 2 });
	boss.on("error", (error) => logError("jobs", error));
	await boss.start();
	const { timeZone } = await loadStudio(db);
	for (const [name, job] of Object.entries(JOBS)) {
		await boss.createQueue(name, { name, policy: "stately", retryLimit: 3, retryBackoff: true });
		await boss.work(name, async () => {
			try {
				return { done: await job(db) };
			} catch (error) {
				logError(`job ${name}`, error);
				throw error; // tried again by the queue
			}
		});
		await boss.schedule(name, NIGHTLY, {}, { tz: timeZone });
		await boss.send(name, {});
	}
	return { stop: () => boss.stop({ graceful: true, timeout: 3000 }) };
}
