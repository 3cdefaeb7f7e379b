import type { Database } from "@db/connect";
import { beat, loadHeartbeats } from "@db/queries/heartbeats";
import { copyBook } from "./copy-book";

/** A start in the middle of the day makes no second one, s. */
const FRESH_S = 20 * 3600;

/** The copy of each night; none where whoever runs the program keeps the database, and its copies, elsewhere. */
export async function nightCopy(db: Database): Promise<number> {
	const { ZEPHYR_COPY_URL: url, ZEPHYR_COPY_PROGRAMS: programs, ZEPHYR_COPY_FOLDER: folder } = process.env;
	if (!url || !programs || !folder) return 0;
	const { backup } = await loadHeartbeats(db);
	if (backup && backup.agoS < FRESH_S) return 0;
	await copyBook({ url, programs, folder }, "night");
	await beat(db, "backup");
	return 1;
}
