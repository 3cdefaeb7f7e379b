import { type Alarm, IDLE_SILENT_S, RECORDER_SILENT_S, silentAfterS } from "@core/kiln/watch";
import { alarmsAlways } from "@core/kiln/watch-always";
import { say } from "@core/units/phrase";
import type { Database } from "@db/connect";
import type { FiringRow } from "@db/queries/firings";
import type { KilnRow } from "@db/queries/kilns";
import { latestLive, livesSince } from "@db/queries/readings";
import { FiringWatch } from "../firings/models/watch-firing";
import { keepAlarms, raiseAlarm } from "../kilns/models/keep-alarms";

export type WatchedKiln = Pick<KilnRow, "id" | "line" | "recorder" | "maxC">;

/** So long (ms) an idle kiln is looked back on, for what heats by itself. */
const LOOK_BACK_MS = 2 * RECORDER_SILENT_S * 1000;
/** A kiln that was hotter than this (°C) when it was last heard is one to look for, with a firing or without. */
const HOT_C = 100;

/** A kiln that was hot and that nobody heard is cold by then, whatever it was, ms. */
const COLD_AFTER_MS = 36 * 3_600_000;

/** Looks after every kiln that is heard, at all times: with a firing and without, with a set point and without. */
export class KilnWatch {
	private readonly firings: FiringWatch;

	constructor(private readonly db: Database) {
		this.firings = new FiringWatch(db);
	}

	/**
	 * @param wrong what is wrong with the line itself: alarms of their own
	 * @returns whether something that screens show has changed
	 */
	async look(kiln: WatchedKiln, hot: FiringRow | undefined, now: Date, wrong: readonly Alarm[]): Promise<boolean> {
		const looked = hot ? await this.firings.look(hot.id, now) : await this.lookAtIdle(kiln, now);
		const always = alarmsAlways(looked.heard, kiln.maxC, looked.because, looked.perS);
		const alarms = distinct([...always, ...looked.alarms, ...wrong]);
		const told = await keepAlarms(this.db, { kilnId: kiln.id, firingId: hot?.id ?? null }, alarms, now);
		return told || looked.changed;
	}

	/** Of a kiln that another copy listens to: nobody hears it, whoever should. */
	async lookForSilence(kiln: WatchedKiln, hot: FiringRow, now: Date): Promise<boolean> {
		const last = await latestLive(this.db, kiln.id, now);
		const sinceMs = Math.max(last?.at.getTime() ?? 0, hot.startedAt?.getTime() ?? 0);
		const silentS = (now.getTime() - sinceMs) / 1000;
		if (silentS <= (silentAfterS(kiln.line?.driver) ?? Number.POSITIVE_INFINITY)) return false;
		return raiseAlarm(this.db, { kilnId: kiln.id, firingId: hot.id }, silence(silentS, last?.airC ?? null), now);
	}

	private async lookAtIdle(kiln: WatchedKiln, now: Date) {
		const since = new Date(now.getTime() - LOOK_BACK_MS);
		const [before, rows] = [await this.lastHeard(kiln, since, now), await livesSince(this.db, kiln.id, since, now)];
		const heard = [
			...(before ? [before] : []),
			...rows.map(({ at, airC }) => ({ atMs: at.getTime(), airC, idle: true })),
		];
		const last = heard.at(-1);
		const wasHot = (heard.findLast(({ airC }) => airC !== null)?.airC ?? 0) > HOT_C;
		const silentS = last ? (now.getTime() - last.atMs) / 1000 : 0;
		const limitS = Math.max(silentAfterS(kiln.line?.driver) ?? 0, IDLE_SILENT_S);
		const lost = last && (last.airC ?? 0) > HOT_C && silentS > limitS;
		const alarms = lost ? [silence(silentS, last.airC)] : last?.airC === null && wasHot ? [NO_SENSOR] : [];
		return { heard, alarms, because: "nothing" as const, perS: 1, changed: false };
	}

	/** Before it is looked back on; not for ever, for a kiln cools by itself. */
	private async lastHeard({ id }: WatchedKiln, before: Date, now: Date) {
		const last = await latestLive(this.db, id, before);
		if (!last || now.getTime() - last.at.getTime() > COLD_AFTER_MS) return undefined;
		return { atMs: last.at.getTime(), airC: last.airC, idle: true };
	}
}

const NO_SENSOR: Alarm = {
	kind: "noSensor",
	sentence: say`The kiln was hot, and its sensor gives nothing now: nobody knows how hot it is. Look at it.`,
};

const silence = (silentS: number, lastC: number | null): Alarm => ({
	kind: "noReading",
	sentence: say`No reading for ${{ min: silentS / 60 }}; the last was ${lastC === null ? "none" : { c: lastC }}. The kiln goes on by itself: look at it.`,
});

/** One of a kind. */
const distinct = (alarms: readonly Alarm[]): Alarm[] => [
	...new Map(alarms.toReversed().map((one) => [one.kind, one])).values(),
];
