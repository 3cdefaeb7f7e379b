import { flowIndex } from "@core/firing/flow-index";
import { peakOf } from "@core/firing/schedule";
import { viscosityOf } from "@core/glass/viscosity";
import { afterPowerCut, type CutVerdict } from "@core/kiln/after-cut";
import { isOver, isSettled, type LineStatus } from "@core/kiln/line-status";
import { type SensorJudge, sensorSentence } from "@core/kiln/sensor";
import type { Simulation } from "@core/kiln/simulate";
import { type Alarm, alarmsOf, SILENT_S, silentAfterS, type WatchedPlan } from "@core/kiln/watch";
import type { HeardHeat, IdleBecause } from "@core/kiln/watch-always";
import type { Database, Reader } from "@db/connect";
import { firingReadings, lastReadings } from "@db/queries/readings";
import { firing } from "@db/schema";
import { and, eq } from "drizzle-orm";
import { type FiringModel, firingModel, segmentAt, simulateModel, soFarOf } from "./firing-model";
import { hearOut, sensorJudge } from "./sensor-watch";

/** A prediction is made anew after this much of kiln time, s. */
const PREDICT_EVERY_S = 300;
/** However fast the kiln's clock runs: rest after a prediction, ms, and so many times what it took. */
const PREDICT_REST_MS = 1000;
const PREDICT_SHARE = 20;

/** The last readings that a firing is judged by. */
const WATCHED = 120;

interface Watched {
	model: FiringModel;
	simulation: Simulation;
	judge: SensorJudge;
	predictedAtS: number;
	/** By the wall's clock, ms: no prediction is made before. */
	restsUntilMs: number;
	/** It was predicted from a kiln that is through and cold: there is nothing more to say. */
	settled: boolean;
}

/** What is wrong with a firing, what its kiln said last, and whether something that screens show has changed. */
export interface Looked {
	alarms: Alarm[];
	heard: HeardHeat[];
	because: IdleBecause;
	perS: number;
	changed: boolean;
}

/** Looks after the running firings of one server: says what is wrong, judges their sensors, corrects the predicted end. */
export class FiringWatch {
	private readonly known = new Map<string, Watched>();

	constructor(private readonly db: Database) {}

	async look(firingId: string, now: Date): Promise<Looked> {
		const watched = await this.watched(firingId);
		const { model, simulation, judge } = watched;
		const { row, kiln } = model;
		const recent = await lastReadings(this.db, firingId, WATCHED);
		const heardOut = await hearOut(this.db, firingId, judge);
		if (heardOut) await this.keepDistrust(watched);
		const own = recent.some(({ segment, status }) => segment !== null || isOver(status));
		const readings = recent.map(({ at, airC, setC, segment, status, elapsedS }) => ({
			atMs: at.getTime(),
			airC,
			setC,
			segment: isOver(status) ? null : (segment ?? segmentAt(simulation, elapsedS ?? 0)),
			powerLost: status === "powerLost",
			elapsedS: elapsedS ?? 0,
		}));
		const started = { atMs: (row.startedAt ?? now).getTime(), airC: null, setC: null, segment: null, powerLost: false };
		const plan = watchedPlan(model, simulation, own);
		const alarms = alarmsOf(
			recent.length > 0 ? readings : [started],
			plan,
			now.getTime(),
			row.speedUp,
			silentAfterS(kiln.line?.driver) ?? SILENT_S,
		).filter(({ kind }) => recent.length > 0 || kind === "noReading");
		const told = await Promise.all(
			alarms.map((alarm) => (alarm.kind === "powerLost" ? this.withVerdict(alarm, model) : alarm)),
		);
		const { fault } = judge;
		const falls = (one: (typeof readings)[number]) =>
			own ? plan(one.segment).falls : fallsByClock(model, simulation, one.elapsedS);
		const last = readings.at(-1);
		return {
			alarms: fault
				? [...told.filter(({ kind }) => kind !== "lags"), { kind: "sensorFault", sentence: sensorSentence(fault) }]
				: told,
			heard: readings.map((one) => ({ atMs: one.atMs, airC: one.airC, idle: falls(one) && !isDriven(one) })),
			because: last?.segment === null || (last?.segment ?? 0) >= row.schedule.segments.length ? "over" : "falls",
			perS: row.speedUp,
			changed: (await this.predictAgain(watched, recent, now)) || heardOut,
		};
	}

	private async keepDistrust(watched: Watched): Promise<void> {
		const { judge, model } = watched;
		model.row.distrust = [...judge.distrust];
		watched.predictedAtS = Number.NEGATIVE_INFINITY; // what was predicted rested on it
		watched.settled = false;
		await this.db.update(firing).set({ distrust: model.row.distrust }).where(eq(firing.id, model.row.id));
	}

	/** Whether it was time to. */
	private async predictAgain(
		watched: Watched,
		recent: Awaited<ReturnType<typeof lastReadings>>,
		now: Date,
	): Promise<boolean> {
		const last = recent.at(-1);
		const elapsedS = last?.elapsedS ?? 0;
		const settled = last !== undefined && isSettled(last);
		const due = elapsedS - watched.predictedAtS >= PREDICT_EVERY_S && now.getTime() >= watched.restsUntilMs;
		if (watched.settled || !(due || settled)) return false;
		watched.predictedAtS = elapsedS;
		const fromMs = performance.now();
		const predicted = await predict(this.db, watched.model);
		const tookMs = performance.now() - fromMs;
		watched.restsUntilMs = now.getTime() + Math.max(PREDICT_REST_MS, PREDICT_SHARE * tookMs);
		if (!predicted) return false;
		watched.settled = settled;
		await this.db
			.update(firing)
			.set({ ...endOf(recent, predicted), predictedOpenS: predicted.openS })
			.where(and(eq(firing.id, watched.model.row.id), eq(firing.state, "running")));
		return true;
	}

	private async watched(firingId: string): Promise<Watched> {
		const known = this.known.get(firingId);
		if (known) return known;
		const model = await firingModel(this.db, firingId);
		const simulation = simulateModel(model);
		const judge = sensorJudge(model, simulation);
		const made = { model, simulation, judge, predictedAtS: 0, restsUntilMs: 0, settled: false };
		this.known.set(firingId, made);
		return made;
	}

	private async withVerdict(alarm: Alarm, model: FiringModel): Promise<Alarm> {
		const cut = await cutVerdict(this.db, model);
		return cut ? { ...alarm, sentence: [...cut.happened, " ", ...cut.next] } : alarm;
	}
}

/** Its controller asks for more than it has: after a skip, or a hold that it fell through, it heats on purpose. */
const isDriven = ({ segment, airC, setC }: { segment: number | null; airC: number | null; setC: number | null }) =>
	segment !== null && airC !== null && setC !== null && setC > airC;

/** When the controller is done: as predicted, or when it was; that stays, however long the kiln is still listened to. */
function endOf(recent: readonly { status: LineStatus | null; elapsedS: number | null }[], { endS }: Simulation) {
	const done = recent.findIndex(({ status }) => isOver(status));
	if (done === 0) return {};
	return { predictedEndS: recent[done]?.elapsedS ?? endS };
}

/**
 * What each segment asks of the kiln, and how far behind it is there anyway; null once it is through.
 * @param own the kiln says its segment; else it may be anywhere in its schedule, and only the hottest of all is too hot
 */
function watchedPlan(
	model: FiringModel,
	simulation: Simulation,
	own: boolean,
): (segment: number | null) => WatchedPlan {
	const { segments } = model.row.schedule;
	const lags = segments.map((_, i) => usualLagK(simulation, i));
	const peakC = peakOf(model.row.schedule);
	return (i) => {
		const segment = i === null ? undefined : segments[i];
		if (i === null || !segment) return { driven: false, falls: true, hottestC: peakC, usualLagK: 0 };
		const before = segments[i - 1]?.targetC ?? model.kiln.body.roomC;
		return {
			driven: segment.rateCPerH !== "full",
			falls: segment.targetC < before,
			hottestC: own ? Math.max(before, segment.targetC) : peakC,
			usualLagK: lags[i] ?? 0,
		};
	};
}

/** A kiln may be so much before or after its plan, s. */
const PLAN_SLACK_S = 3600;

/** Whether a kiln that does not say its segment should be falling by the clock, were it an hour early or late. */
function fallsByClock(model: FiringModel, simulation: Simulation, elapsedS: number): boolean {
	const plan = watchedPlan(model, simulation, true);
	return [-PLAN_SLACK_S, 0, PLAN_SLACK_S].every((by) => plan(segmentAt(simulation, Math.max(0, elapsedS + by))).falls);
}

function usualLagK({ samples, segmentEndS }: Simulation, segment: number): number {
	const [from, to] = [segmentEndS[segment - 1] ?? 0, segmentEndS[segment] ?? Number.POSITIVE_INFINITY];
	return samples.reduce((most, { s, setC, airC }) => (s >= from && s <= to ? Math.max(most, setC - airC) : most), 0);
}

/** The rest of a firing from what was measured; undefined where nothing can be said. */
export async function predict(reader: Reader, model: FiringModel): Promise<Simulation | undefined> {
	const soFar = await soFarOf(reader, model);
	return soFar && simulateModel(model, soFar);
}

/** What the last power cut of a firing did; undefined where there was none, or it goes on. */
export async function cutVerdict(reader: Reader, model: FiringModel): Promise<CutVerdict | undefined> {
	const recent = await lastReadings(reader, model.row.id, 2000);
	const lastGood = recent.findLastIndex(({ status }) => status === "running" || status === "held");
	const after = recent.slice(recent.findIndex(({ status }, i) => i > lastGood && status === "powerLost"));
	const [before, first, last] = [recent[lastGood], after[0], after.at(-1)];
	if (!before || !first || !last || first.status !== "powerLost") return undefined;
	const temperatures = after.flatMap(({ airC }) => airC ?? []);
	if (before.airC === null || temperatures.length === 0) return undefined;
	const points = (await firingReadings(reader, model.row.id)).flatMap(({ s, c }) =>
		c === null || s > (before.elapsedS ?? 0) ? [] : [{ s, c }],
	);
	return afterPowerCut(
		{
			beforeC: before.airC,
			coldestC: Math.min(...temperatures),
			nowC: temperatures.at(-1) ?? 0,
			minutes: ((last.elapsedS ?? 0) - (before.elapsedS ?? 0)) / 60,
			flow: flowIndex(viscosityOf(model.family), points),
			effectiveMm: model.effectiveMm,
		},
		model.family,
	);
}
