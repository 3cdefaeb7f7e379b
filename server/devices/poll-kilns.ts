import { statfsSync } from "node:fs";
import { plausible } from "@core/kiln/plausible";
import type { Alarm } from "@core/kiln/watch";
import { say } from "@core/units/phrase";
import type { Database } from "@db/connect";
import { tellChange } from "@db/queries/changes";
import { type FiringRow, settleSteering } from "@db/queries/firings";
import { beat } from "@db/queries/heartbeats";
import { AHEAD_MS, latestLive, storeReadings } from "@db/queries/readings";
import { firing, kiln, studio } from "@db/schema";
import { and, eq, isNotNull } from "drizzle-orm";
import { FiringWatch } from "../firings/models/watch-firing";
import { logError } from "../house/log";
import { type KilnLine, type LineReading, openLine } from "./kiln-line";
import { Leases } from "./leases";
import { isStandIn, pressStart } from "./stand-in-panel";

const TICK_MS = 250;
const SETTLE_EVERY_MS = 30_000;
const FAILED_REST_MS = 2000;
/** Seconds of kiln time between readings of a hot kiln, of wall time for an idle one. */
const HOT_EVERY_S = 10;
const IDLE_EVERY_S = 60;
/** Open pages are told of new readings not more often than this. */
const TELL_EVERY_MS = 1000;

interface Listened {
	settings: string;
	line: KilnLine;
	lastMs: number;
	/** It is being read, or looked after: never twice at once. */
	busy: boolean;
	looking: boolean;
	/** What could not be kept; over once something is kept again. */
	unkept?: Alarm | undefined;
}

/** Listens to every kiln that has a line, each by itself, so that a silent one holds up no other. */
export class KilnListener {
	private readonly lines = new Map<string, Listened>();
	private readonly watch: FiringWatch;
	private toldMs = 0;

	/** @param leases which kilns are this copy's; all where nothing is said */
	constructor(
		private readonly db: Database,
		private readonly leases?: Leases,
	) {
		this.watch = new FiringWatch(db);
	}

	/** Reads all kilns that are due, and ends when they have answered. */
	async round(now = new Date()): Promise<void> {
		await Promise.all(await this.begin(now));
	}

	/**
	 * Begins to read all kilns that are due; each by itself, for one that answers late holds up no other. A kiln that does not
	 * answer is tried again when it is due again.
	 */
	async begin(now = new Date()): Promise<Promise<void>[]> {
		const kilns = await this.db
			.select({ id: kiln.id, line: kiln.line })
			.from(kiln)
			.where(and(isNotNull(kiln.line), eq(kiln.retired, false)));
		const running = await this.db.select().from(firing).where(eq(firing.state, "running"));
		const [{ timeZone } = { timeZone: "UTC" }] = await this.db.select({ timeZone: studio.timeZone }).from(studio);
		const ours = await this.leases?.hold(kilns.map(({ id }) => id));
		return kilns.map(async ({ id, line: settings }) => {
			if (!settings || ours?.has(id) === false) return;
			const listened = this.listened(id, JSON.stringify(settings), () => openLine(settings, timeZone));
			const hot = running.find(({ kilnId }) => kilnId === id);
			const everyMs = hot ? Math.max(TICK_MS, (HOT_EVERY_S / hot.speedUp) * 1000) : IDLE_EVERY_S * 1000;
			const sinceMs = now.getTime() - listened.lastMs;
			if (sinceMs >= 0 && sinceMs < everyMs) return; // a clock that stepped back makes nobody wait for it
			listened.lastMs = now.getTime();
			try {
				const written = await this.keep(id, listened, hot, now);
				// Whatever became of the readings: a kiln that is not heard is one to look for.
				if (listened.looking) return;
				listened.looking = true;
				await this.lookAfter(hot, now, written, listened.unkept).finally(() => {
					listened.looking = false;
				});
			} catch (error) {
				logError("a kiln was not looked after", error);
			}
		});
	}

	/**
	 * A stand-in that was started again has forgotten its programme; a kiln would not have. What runs on it by the book is
	 * pressed in again as long ago as it began. Once, when listening begins.
	 */
	async catchUpStandIns(now = new Date()): Promise<void> {
		const running = await this.db
			.select({ firing, line: kiln.line })
			.from(firing)
			.innerJoin(kiln, eq(kiln.id, firing.kilnId))
			.where(eq(firing.state, "running"));
		for (const { firing: hot, line } of running) {
			if (!isStandIn(line) || !hot.startedAt) continue;
			const opened = openLine(line, "UTC");
			try {
				const [reading] = await opened.read(null);
				const behindS = ((now.getTime() - hot.startedAt.getTime()) / 1000) * hot.speedUp;
				if (reading?.status === "idle") await pressStart(line.port, hot.schedule.segments, hot.speedUp, behindS);
			} catch (error) {
				logError("a stand-in kiln does not answer", error);
			} finally {
				opened.close();
			}
		}
	}

	/** Says of commands that nobody knows what came of them, where their sender ended. */
	async settle(now = new Date()): Promise<void> {
		if ((await settleSteering(this.db, now)) > 0) await tellChange(this.db, { topics: ["firings"] });
	}

	close(): void {
		for (const { line } of this.lines.values()) line.close();
		this.lines.clear();
	}

	private listened(id: string, settings: string, open: () => KilnLine): Listened {
		const known = this.lines.get(id);
		if (known?.settings === settings) return known;
		known?.line.close();
		const made = { settings, line: open(), lastMs: Number.NEGATIVE_INFINITY, busy: false, looking: false };
		this.lines.set(id, made);
		return made;
	}

	private async lookAfter(hot: FiringRow | undefined, now: Date, written: number, unkept: Alarm | undefined) {
		const changed = hot ? await this.watch.look(hot.id, now, unkept) : false;
		if (changed) await tellChange(this.db, { topics: ["firings", "alarms", "live"] });
		else if (written > 0 && Date.now() - this.toldMs >= TELL_EVERY_MS) {
			this.toldMs = Date.now();
			await tellChange(this.db, { topics: ["live"] });
		}
	}

	/**
	 * Reads a line, keeps what can be true of what it says, and remembers what cannot be kept. Returns how many readings were new;
	 * none at once where the line is still being read. Never fails.
	 */
	private async keep(kilnId: string, listened: Listened, hot: FiringRow | undefined, now: Date): Promise<number> {
		if (listened.busy) return 0;
		listened.busy = true;
		try {
			const last = await latestLive(this.db, kilnId, now);
			const heard = await listened.line.read(last?.at ?? null).catch((): LineReading[] => []);
			const ranIt = last !== undefined && last.firingId === hot?.id;
			const live = heard.filter(({ at }) => at.getTime() <= now.getTime() + AHEAD_MS);
			const written = await storeReadings(
				this.db,
				live.map((reading) => rowOf(kilnId, plausible(reading), hot, ranIt)),
			);
			listened.line.kept?.();
			const ahead = heard.find(({ at }) => at.getTime() > now.getTime() + AHEAD_MS);
			if (ahead) listened.unkept = aheadOf(ahead.at, now);
			else if (live.length > 0) listened.unkept = undefined;
			return written;
		} catch (error) {
			logError("a kiln’s readings were not kept", error);
			listened.unkept = NOT_KEPT;
			return 0;
		} finally {
			listened.busy = false;
		}
	}
}

const NOT_KEPT: Alarm = {
	kind: "notKept",
	sentence: say`What this kiln says cannot be kept, so nobody here sees how hot it is. It goes on by itself: look at it.`,
};

const aheadOf = (at: Date, now: Date): Alarm => ({
	kind: "notKept",
	sentence: say`Readings dated ${{ min: (at.getTime() - now.getTime()) / 60_000 }} ahead are not kept: the clock of this kiln’s recorder is wrong. Look at the kiln.`,
});

/** A controller's own clock is believed while it is about right: within this, s, or a tenth. */
const CLOCK_OFF_S = 900;

/**
 * Instants are cut to the tick, so that two copies of the server write one row between them. A controller that is idle has not
 * begun this firing yet, unless it ran it before (`ranIt`): then it is through.
 */
function rowOf(kilnId: string, reading: LineReading, hot: FiringRow | undefined, ranIt: boolean) {
	const { elapsedS, ...rest } = reading;
	const tickMs = (hot?.speedUp ?? 1) > 1 ? TICK_MS : 1000;
	const at = new Date(Math.floor(reading.at.getTime() / tickMs) * tickMs);
	const since = hot?.startedAt ? ((at.getTime() - hot.startedAt.getTime()) / 1000) * hot.speedUp : -1;
	if (!hot || since < 0 || (reading.status === "idle" && !ranIt))
		return { ...rest, kilnId, at, firingId: null, elapsedS: null };
	const off = Math.abs((elapsedS ?? since) - since);
	const believed = off <= Math.max(CLOCK_OFF_S, since / 10, 3 * hot.speedUp);
	return { ...rest, kilnId, at, firingId: hot.id, elapsedS: believed ? (elapsedS ?? since) : since };
}

/** That rounds are made is said so often, ms. */
const BEAT_EVERY_MS = 5000;

/** Listens for ever, one round after another; a round that fails is tried again at the next tick. Returns the stop. */
export function pollKilns(db: Database, databaseUrl: string): () => void {
	const leases = new Leases(databaseUrl);
	const listener = new KilnListener(db, leases);
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
		void leases.close();
	};
}

/** On the disk that the studio's data lie on, where that is this machine's. */
function freeSpace(): { freeBytes?: number } {
	const folder = process.env.ZEPHYR_DATA_FOLDER;
	if (!folder) return {};
	const { bavail, bsize } = statfsSync(folder);
	return { freeBytes: bavail * bsize };
}
