import { type Phrase, say } from "../units/phrase";

/** What can be wrong with a kiln, or with what is heard of it. */
export const ALARM_KINDS = [
	"aboveLimit",
	"heatsAlone",
	"overshoots",
	"noReading",
	"unconfirmed",
	"noSensor",
	"sensorFault",
	"lags",
	"powerLost",
	"notKept",
] as const;
export type AlarmKind = (typeof ALARM_KINDS)[number];

export const ALARM_WORDS: Record<AlarmKind, string> = {
	aboveLimit: "above its limit",
	heatsAlone: "heats by itself",
	noReading: "no reading",
	unconfirmed: "recorder not confirmed",
	sensorFault: "sensor at fault",
	noSensor: "sensor open",
	lags: "lags behind",
	overshoots: "too hot",
	powerLost: "power was lost",
	notKept: "readings are not kept",
};

/** How long (s) a kiln's line of some kind may be silent before nobody knows how hot it is; null for a kiln without a line. */
export const silentAfterS = (line: "modbus" | "folder" | "standIn" | null | undefined): number | null =>
	line ? (line === "folder" ? RECORDER_SILENT_S : SILENT_S) : null;

/** A kiln that nothing runs in is read once a minute: it is silent after this, s, at the soonest. */
export const IDLE_SILENT_S = 180;

export interface WatchedReading {
	/** Wall time, ms. */
	atMs: number;
	/** Null where the sensor gave nothing. */
	airC: number | null;
	setC: number | null;
	powerLost: boolean;
	/** Where in the schedule; null once the programme is done, or where none runs. */
	segment: number | null;
}

/** What the schedule is doing at a reading: falling by itself counts as neither lagging nor overshooting. */
export interface WatchedPlan {
	/** The segment is one the kiln is driven up or held in. */
	driven: boolean;
	/** The kiln is to fall there, by itself or slowed down. */
	falls: boolean;
	/** The hottest the segment ever asks for; of a kiln that does not say its segment, the whole schedule. */
	hottestC: number;
	/** How far this kiln lags there anyway, K, as simulated. */
	usualLagK: number;
}

export interface Alarm {
	kind: AlarmKind;
	sentence: Phrase;
}

/** How far (K) and how long a deviation is put up with. Common practice, no source. */
export const LAG_K = 25;
export const LAG_MIN = 10;
export const OVER_K = 15;
/** Nothing heard for so long (s of wall time) is a missing reading. */
export const SILENT_S = 60;
/** A recorder that writes files may write one line in some minutes, s. */
export const RECORDER_SILENT_S = 900;

/**
 * What is wrong now, from the last readings (oldest first) of a running firing. `perS` is how many seconds of kiln time pass
 * in one of the wall's: the stand-in's clock may run fast.
 */
export function alarmsOf(
	readings: readonly WatchedReading[],
	plan: (segment: number | null) => WatchedPlan,
	nowMs: number,
	perS = 1,
	silentAfterS = SILENT_S,
): Alarm[] {
	const last = readings.at(-1);
	if (!last) return [];
	const silentS = (nowMs - last.atMs) / 1000;
	if (silentS > silentAfterS / Math.min(perS, 6))
		return [
			{
				kind: "noReading",
				sentence: say`No reading for ${{ min: silentS / 60 }}; the last was ${last.airC === null ? "none" : { c: last.airC }}. The kiln goes on by itself: look at it.`,
			},
		];
	const alarms: Alarm[] = [];
	if (last.powerLost)
		alarms.push({
			kind: "powerLost",
			sentence: say`The kiln lost its power and waits. Nothing is resumed by itself.`,
		});
	if (last.airC === null)
		return [
			...alarms,
			{ kind: "noSensor", sentence: say`The kiln’s sensor is open: it does not know how hot it is. Look at it now.` },
		];
	const { hottestC } = plan(last.segment);
	if (last.airC > hottestC + OVER_K)
		alarms.push({
			kind: "overshoots",
			sentence: say`${{ c: last.airC }}, ${{ n: Math.round(last.airC - hottestC) }} K above the ${{ c: hottestC }} that is asked for. A relay may be stuck: switch it off at the wall.`,
		});
	const lagging = ({ airC, setC, segment }: WatchedReading) => {
		if (airC === null || setC === null || segment === null) return false;
		const { driven, usualLagK } = plan(segment);
		return driven && setC - airC > usualLagK + LAG_K;
	};
	const since = readings.findLastIndex((one) => !lagging(one));
	const first = readings[since + 1];
	const lagMin = first ? ((nowMs - first.atMs) / 60_000) * perS : 0;
	if (!last.powerLost && first && lagging(last) && lagMin >= LAG_MIN)
		alarms.push({
			kind: "lags",
			sentence: say`${{ n: Math.round((last.setC ?? 0) - last.airC) }} K behind its set point for ${{ min: lagMin }}: an element may be gone, or the lid is not shut.`,
		});
	return alarms;
}
