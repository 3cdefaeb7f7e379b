import type { Database } from "@db/connect";
import { latestReading, storeReadings } from "@db/queries/readings";
import { firing, kiln, studio } from "@db/schema";
import { eq, isNotNull, sql } from "drizzle-orm";
import { CHANGED } from "../perform";
import { FiringWatch } from "../watch-firing";
import { type KilnLine, type LineReading, openLine } from "./kiln-line";
import { isStandIn, pressStart } from "./stand-in-panel";

const TICK_MS = 250;
/** Seconds of kiln time between readings of a hot kiln, of wall time for an idle one. */
const HOT_EVERY_S = 10;
const IDLE_EVERY_S = 60;
/** Open pages are told of new readings not more often than this. */
const TELL_EVERY_MS = 1000;

interface Listened {
	settings: string;
	line: KilnLine;
	lastMs: number;
	busy: boolean;
}

/** Listens to every kiln that has a line, each by itself, so that a silent one holds up no other. */
export class KilnListener {
	private readonly lines = new Map<string, Listened>();
	private readonly watch: FiringWatch;
	private toldMs = 0;

	constructor(private readonly db: Database) {
		this.watch = new FiringWatch(db);
	}

	/** Reads all kilns that are due. A kiln that does not answer is tried again when it is due again. */
	async round(now = new Date()): Promise<void> {
		const kilns = await this.db.select({ id: kiln.id, line: kiln.line }).from(kiln).where(isNotNull(kiln.line));
		const running = await this.db.select().from(firing).where(eq(firing.state, "running"));
		const [{ timeZone } = { timeZone: "UTC" }] = await this.db.select({ timeZone: studio.timeZone }).from(studio);
		await Promise.all(
			kilns.map(async ({ id, line: settings }) => {
				if (!settings) return;
				const listened = this.listened(id, JSON.stringify(settings), () => openLine(settings, timeZone));
				const hot = running.find(({ kilnId }) => kilnId === id);
				const everyMs = hot ? Math.max(TICK_MS, (HOT_EVERY_S / hot.speedUp) * 1000) : IDLE_EVERY_S * 1000;
				if (listened.busy || now.getTime() - listened.lastMs < everyMs) return;
				listened.lastMs = now.getTime();
				listened.busy = true;
				try {
					await this.readOne(id, listened.line, hot, now);
				} catch (error) {
					console.error("a kiln’s reading was not kept:", error instanceof Error ? error.message : error);
				} finally {
					listened.busy = false;
				}
			}),
		);
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
				console.error("a stand-in kiln does not answer:", error instanceof Error ? error.message : error);
			} finally {
				opened.close();
			}
		}
	}

	close(): void {
		for (const { line } of this.lines.values()) line.close();
		this.lines.clear();
	}

	private listened(id: string, settings: string, open: () => KilnLine): Listened {
		const known = this.lines.get(id);
		if (known?.settings === settings) return known;
		known?.line.close();
		const made = { settings, line: open(), lastMs: Number.NEGATIVE_INFINITY, busy: false };
		this.lines.set(id, made);
		return made;
	}

	private async readOne(kilnId: string, line: KilnLine, hot: FiringRow | undefined, now: Date) {
		const last = await latestReading(this.db, kilnId);
		const heard = await line.read(last?.at ?? null).catch((): LineReading[] => []);
		const rows = heard.map((reading) => rowOf(kilnId, reading, hot));
		const written = await storeReadings(this.db, rows);
		const changed = hot ? await this.watch.look(hot.id, now) : false;
		if (changed) await this.tell("kilns");
		else if (written > 0 && Date.now() - this.toldMs >= TELL_EVERY_MS) {
			this.toldMs = Date.now();
			await this.tell("readings");
		}
	}

	private tell(topic: string) {
		return this.db.execute(sql`select pg_notify(${CHANGED}, ${topic})`);
	}
}

type FiringRow = typeof firing.$inferSelect;

/** A controller's own clock is believed while it is about right: within this, s, or a tenth. */
const CLOCK_OFF_S = 900;

/** Instants are cut to the tick, so that two copies of the server write one row between them. */
function rowOf(kilnId: string, reading: LineReading, hot: FiringRow | undefined) {
	const { elapsedS, ...rest } = reading;
	const tickMs = (hot?.speedUp ?? 1) > 1 ? TICK_MS : 1000;
	const at = new Date(Math.floor(reading.at.getTime() / tickMs) * tickMs);
	const since = hot?.startedAt ? ((at.getTime() - hot.startedAt.getTime()) / 1000) * hot.speedUp : -1;
	if (!hot || since < 0 || reading.status === "idle") return { ...rest, kilnId, at, firingId: null, elapsedS: null };
	const off = Math.abs((elapsedS ?? since) - since);
	const believed = off <= Math.max(CLOCK_OFF_S, since / 10, 3 * hot.speedUp);
	return { ...rest, kilnId, at, firingId: hot.id, elapsedS: believed ? (elapsedS ?? since) : since };
}

/** Listens for ever; a round that fails is tried again at the next tick. Returns the stop. */
export function pollKilns(db: Database): () => void {
	const listener = new KilnListener(db);
	let stopped = false;
	const round = async () => {
		if (stopped) return;
		// Not waited for: a kiln that answers late must not hold up the others.
		void listener
			.round()
			.catch((error: unknown) => console.error("kiln readings:", error instanceof Error ? error.message : error));
		if (!stopped) setTimeout(round, TICK_MS).unref();
	};
	void listener.catchUpStandIns().finally(round);
	return () => {
		stopped = true;
		listener.close();
	};
}
