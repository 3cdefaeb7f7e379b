import { isSettled } from "@core/kiln/line-status";
import { plausible } from "@core/kiln/plausible";
import type { Alarm } from "@core/kiln/watch";
import { type Phrase, say } from "@core/units/phrase";
import type { Database } from "@db/connect";
import { tellChange } from "@db/queries/changes";
import { type FiringRow, settleSteering } from "@db/queries/firings";
import { AHEAD_MS, latestLive, ofKnownFirings, type ReadingRow, storeReadings } from "@db/queries/readings";
import { firing, kiln, studio } from "@db/schema";
import { and, eq, isNotNull } from "drizzle-orm";
import { logError } from "../house/log";
import { type Heard, type KilnLine, openLine, type Unread } from "./kiln-line";
import { KilnWatch, type WatchedKiln } from "./kiln-watch";
import type { Leases } from "./leases";
import { Reachable } from "./reachable";
import { readingRow } from "./reading-row";
import { isStandIn, pressStart } from "./stand-in-panel";
import { Unkept } from "./unkept";

/** The kilns are gone round so often, ms. */
export const TICK_MS = 250;
/** Seconds of kiln time between readings of a hot kiln, of wall time for an idle one. */
const HOT_EVERY_S = 10;
const IDLE_EVERY_S = 60;
/** Open pages are told of new readings not more often than this. */
const TELL_EVERY_MS = 1000;

/** A line that has not answered for so long hangs, ms: another copy may take its kiln. */
const HANGS_MS = 15_000;
/** How often a kiln that another copy has is looked for, ms. */
const OTHERS_EVERY_MS = 10_000;

interface Listened {
	settings: string;
	line: KilnLine;
	unkept: Unkept;
	lastMs: number;
	/** The newest that was heard. */
	newest: ReadingRow | undefined;
	/** Since when it is being read; it is never read or looked after twice at once. */
	busySinceMs: number | undefined;
	looking: boolean;
	/** What is wrong with the line itself; over once something is read and kept again. */
	wrong: Alarm[];
}

/** What the book says of kilns: read each round, and remembered while the book is away. */
interface Known {
	kilns: (WatchedKiln & { name: string })[];
	running: FiringRow[];
	timeZone: string;
}

/**
 * Listens to every kiln that has a line, each by itself, so that a silent one holds up no other. While the database is away it goes on
 * with the kilns it knew; what they say waits in a file.
 */
export class KilnListener {
	private readonly lines = new Map<string, Listened>();
	private readonly watch: KilnWatch;
	private known: Known | undefined;
	private ours: ReadonlySet<string> | undefined;
	private readonly book = new Reachable();
	private saidAway = false;
	private toldMs = 0;
	private othersMs = Number.NEGATIVE_INFINITY;

	/** @param leases which kilns are this copy's; all where nothing is said */
	constructor(
		private readonly db: Database,
		private readonly leases?: Leases,
	) {
		this.watch = new KilnWatch(db);
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
		const { kilns, running, timeZone } = await this.lookUp();
		const hotIn = (id: string) => running.find(({ kilnId }) => kilnId === id);
		await this.lookForOthers(kilns, hotIn, now);
		return kilns.map(async (kiln) => {
			const { id, line, recorder } = kiln;
			if (!line || this.ours?.has(id) === false) return;
			const listened = this.listened(id, JSON.stringify([line, recorder]), () =>
				openLine({ line, recorder }, timeZone),
			);
			const hot = hotIn(id);
			const everyMs = readEveryMs(hot, listened.newest);
			const sinceMs = now.getTime() - listened.lastMs;
			if (sinceMs >= 0 && sinceMs < everyMs) return; // a clock that stepped back makes nobody wait for it
			listened.lastMs = now.getTime();
			try {
				const written = await this.keep(id, listened, hot, now);
				// Whatever became of the readings: a kiln that is not heard is one to look for.
				if (listened.looking || this.book.isAway) return;
				listened.looking = true;
				await this.lookAfter(kiln, hot, now, written, listened.wrong).finally(() => {
					listened.looking = false;
				});
			} catch (error) {
				logError("a kiln was not looked after", error);
			}
		});
	}

	/** What the book says now, and which kilns are ours; as it was said last where the book is away. */
	private async lookUp(): Promise<Known> {
		try {
			this.known = await this.book.ask(() => this.ask());
			return this.known;
		} catch (error) {
			if (!this.known) throw error;
			if (!this.saidAway) logError("the book is away; kilns are heard all the same", error);
			this.saidAway = true;
			return this.known;
		}
	}

	private async ask(): Promise<Known> {
		const kilns = await this.db
			.select({ id: kiln.id, name: kiln.name, line: kiln.line, recorder: kiln.recorder, maxC: kiln.maxC })
			.from(kiln)
			.where(and(isNotNull(kiln.line), eq(kiln.retired, false)));
		const running = await this.db.select().from(firing).where(eq(firing.state, "running"));
		const [{ timeZone } = { timeZone: "UTC" }] = await this.db.select({ timeZone: studio.timeZone }).from(studio);
		this.ours = await this.leases?.hold(kilns.filter(({ id }) => !this.hangs(id)).map(({ id }) => id));
		this.saidAway = false;
		return { kilns, running, timeZone };
	}

	private hangs(kilnId: string): boolean {
		const since = this.lines.get(kilnId)?.busySinceMs;
		return since !== undefined && performance.now() - since > HANGS_MS;
	}

	/** Every copy says that a kiln is not heard, whoever should hear it. */
	private async lookForOthers(
		kilns: readonly WatchedKiln[],
		hotIn: (kilnId: string) => FiringRow | undefined,
		now: Date,
	): Promise<void> {
		if (!this.ours || this.book.isAway || performance.now() - this.othersMs < OTHERS_EVERY_MS) return;
		this.othersMs = performance.now();
		for (const kiln of kilns) {
			const hot = hotIn(kiln.id);
			if (!hot || this.ours.has(kiln.id)) continue;
			if (await this.watch.lookForSilence(kiln, hot, now).catch(() => false))
				await tellChange(this.db, { topics: ["firings", "alarms"] });
		}
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
			const opened = openLine({ line, recorder: null }, "UTC");
			try {
				const [reading] = (await opened.read(null)).readings;
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
		const made: Listened = {
			settings,
			line: open(),
			unkept: known?.unkept ?? new Unkept(id),
			lastMs: Number.NEGATIVE_INFINITY,
			newest: undefined,
			busySinceMs: undefined,
			looking: false,
			wrong: [],
		};
		this.lines.set(id, made);
		return made;
	}

	private async lookAfter(
		kiln: WatchedKiln,
		hot: FiringRow | undefined,
		now: Date,
		written: number,
		wrong: readonly Alarm[],
	): Promise<void> {
		const changed = await this.watch.look(kiln, hot, now, wrong);
		if (changed) await tellChange(this.db, { topics: ["firings", "alarms", "live"] });
		else if (written > 0 && Date.now() - this.toldMs >= TELL_EVERY_MS) {
			this.toldMs = Date.now();
			await tellChange(this.db, { topics: ["live"] });
		}
	}

	/**
	 * Reads a line, keeps what can be true of what it says, and remembers what is wrong with it. Returns how many readings were new;
	 * none at once where the line is still being read. Never fails.
	 */
	private async keep(kilnId: string, listened: Listened, hot: FiringRow | undefined, now: Date): Promise<number> {
		if (listened.busySinceMs !== undefined) return 0;
		listened.busySinceMs = performance.now();
		try {
			const last = await this.book.ask(() => latestLive(this.db, kilnId, now)).catch(() => undefined);
			const before = newer(last, listened.newest);
			const heard = await listened.line.read(before?.at ?? null).catch(() => undefined);
			// A line that is silent says nothing new of itself: what was wrong with it goes on.
			if (!heard) return await this.store(listened, []);
			const ranIt = before !== undefined && before.firingId === hot?.id;
			const live = heard.readings.filter(({ at }) => at.getTime() <= now.getTime() + AHEAD_MS);
			const rows = live.map((reading) => readingRow(kilnId, plausible(reading), hot, ranIt));
			const ahead = heard.readings.find(({ at }) => at.getTime() > now.getTime() + AHEAD_MS);
			listened.wrong = wrongWith(heard, ahead && aheadOf(ahead.at, now), listened.wrong);
			return await this.store(listened, rows);
		} catch (error) {
			if (!this.book.isAway) logError("a kiln’s readings were not kept", error);
			listened.wrong = [...listened.wrong.filter((one) => one.kind !== NOT_KEPT.kind), NOT_KEPT];
			return 0;
		} finally {
			listened.busySinceMs = undefined;
		}
	}

	/** In the book, with all that waits; or to what waits, where the book does not take them. Returns how many were new in the book. */
	private async store(listened: Listened, rows: readonly ReadingRow[]): Promise<number> {
		const { line, unkept } = listened;
		const waiting = await unkept.waiting();
		try {
			const written = await this.book.ask(async () =>
				storeReadings(this.db, [...(await ofKnownFirings(this.db, waiting)), ...rows]),
			);
			await unkept.clear();
			listened.wrong = listened.wrong.filter((one) => one !== NOT_KEPT);
			return written;
		} catch (error) {
			await unkept.add(rows);
			throw error;
		} finally {
			line.kept?.();
			listened.newest = rows.at(-1) ?? listened.newest;
		}
	}
}

/** How often a kiln is read, ms: a firing that is through and cold is one to open, whatever its clock. */
function readEveryMs(hot: FiringRow | undefined, newest: ReadingRow | undefined): number {
	if (!hot) return IDLE_EVERY_S * 1000;
	if (newest && newest.firingId === hot.id && isSettled(newest)) return HOT_EVERY_S * 1000;
	return Math.max(TICK_MS, (HOT_EVERY_S / hot.speedUp) * 1000);
}

/** The later of two; the one there is. */
const newer = <A extends { at: Date }, B extends { at: Date }>(
	a: A | undefined,
	b: B | undefined,
): A | B | undefined => (a && b ? (a.at > b.at ? a : b) : (a ?? b));

const NOT_KEPT: Alarm = {
	kind: "notKept",
	sentence: say`What this kiln says cannot be kept, so nobody here sees how hot it is. It goes on by itself: look at it.`,
};

const aheadOf = (at: Date, now: Date): Alarm => ({
	kind: "notKept",
	sentence: say`Readings dated ${{ min: (at.getTime() - now.getTime()) / 60_000 }} ahead are not kept: the clock of this kiln’s recorder is wrong. Look at the kiln.`,
});

const UNREAD: Record<Unread, Phrase> = {
	unconfirmed: say`Nobody has confirmed what this kiln’s recorder writes, so it is not read: look at its lines on the kiln’s page.`,
	header: say`The recorder writes other columns than those that were confirmed: it is not read. Look at its lines on the kiln’s page.`,
	columns: say`The recorder writes more or fewer columns than were confirmed: it is not read. Look at its lines on the kiln’s page.`,
	time: say`The recorder writes its times in another form than was confirmed: it is not read. Look at its lines on the kiln’s page.`,
	number: say`The recorder writes numbers that could mean two things, or with another decimal sign than was confirmed: they are not read. Look at its lines on the kiln’s page.`,
	unit: say`The recorder writes another unit than was confirmed: it is not read. Look at its lines on the kiln’s page.`,
};

/** What is wrong with the line itself; what was wrong goes on while nothing new is heard. */
function wrongWith({ readings, unread }: Heard, ahead: Alarm | undefined, before: readonly Alarm[]): Alarm[] {
	const form: Alarm[] = unread ? [{ kind: "unconfirmed", sentence: UNREAD[unread] }] : [];
	if (ahead) return [...form, ahead];
	const clock = readings.length === 0 ? before.filter(({ kind }) => kind === "notKept") : [];
	return [...form, ...clock];
}
