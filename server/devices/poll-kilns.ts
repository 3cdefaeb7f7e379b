import { statfsSync } from "node:fs";
import type { Database } from "@db/connect";
import { beat } from "@db/queries/heartbeats";
import { logError } from "../house/log";
import { KilnListener, TICK_MS } from "./kiln-listener";
import { Leases } from "./leases";

const SETTLE_EVERY_MS = 30_000;
const FAILED_REST_MS = 2000;
/** That rounds are made is said so often, ms. */
const BEAT_EVERY_MS = 5000;

/** Listens for ever, one round after another; a round that fails is tried again at the next tick. Returns the stop. */
export function pollKilns(db: Database): () => void {
	const listener = new KilnListener(db, new Leases(db));
	let stopped = false;
	let beatMs = Number.NEGATIVE_INFINITY;
	const said = (error: unknown) => logError("kiln readings", error);
	const settling = setInterval(() => void listener.settle().catch(said), SETTLE_EVERY_MS);
	const beatOnce = async () => {
		if (performance.now() - beatMs < BEAT_EVERY_MS) return;
		await beat(db, "kilns", freeSpace());
		beatMs = performance.now();
	};
	const round = async () => {
		if (stopped) return;
		let restMs = TICK_MS;
		try {
			await listener.begin();
			await beatOnce();
		} catch (error) {
			said(error);
			restMs = FAILED_REST_MS; // a database that is away fills no log
		}
		if (!stopped) setTimeout(round, restMs).unref();
	};
	void listener.catchUpStandIns().catch(said).finally(round);
	return () => {
		stopped = true;
		clearInterval(settling);
		listener.close();
	};
}

/** On the disk that the studio's data lie on, where that is this machine's. */
function freeSpace(): { freeBytes?: number } {
	const folder = process.env.ZEPHYR_DATA_FOLDER;
	if (!folder) return {};
	const { bavail, bsize } = statfsSync(folder);
	return { freeBytes: bavail * bsize };
}
