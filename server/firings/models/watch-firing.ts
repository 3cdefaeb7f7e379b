import { flowIndex } from "@core/firing/flow-index";
import { viscosityOf } from "@core/glass/viscosity";
import { afterPowerCut, type CutVerdict } from "@core/kiln/after-cut";
import { isOver, type LineStatus } from "@core/kiln/line-status";
import type { Simulation } from "@core/kiln/simulate";
import { type Alarm, alarmsOf, SILENT_S, silentAfterS, type WatchedPlan } from "@core/kiln/watch";
import type { Database, Reader } from "@db/connect";
import { firingReadings, lastReadings } from "@db/queries/readings";
import { firing, kilnAlarm } from "@db/schema";
import { and, eq, isNull } from "drizzle-orm";
import { type FiringModel, firingModel, segmentAt, simulateModel, soFarOf } from "./firing-model";

/** A prediction is made anew after this much of kiln time, s, and not more often than this, ms. */
const PREDICT_EVERY_S = 300;

const PREDICT_REST_MS = 1000;

const WATCHED = 120;

interface Watched {
	model: FiringModel;
	plan: (segment: number) => WatchedPlan;
	simulation: Simulation;
	predictedAtS: number;
	predictedAtMs: number;
}

/** Looks after the running firings of one server: raises and ends alarms, corrects the predicted end. */
export class FiringWatch {
	private readonly known = new Map<string, Watched>();

	constructor(private readonly db: Database) {}

	/**
	 * @param unkept what of this round's readings could not be kept, an alarm of its own
	 * @returns whether something that screens show has changed
	 */
	async look(firingId: string, now: Date, unkept?: Alarm): Promise<boolean> {
		const watched = await this.watched(firingId);
		const { row, kiln } = watched.model;
		const recent = await lastReadings(this.db, firingId, WATCHED);
		const alarms = alarmsOf(
			recent.length > 0
				? recent.map(({ at, airC, setC, segment, status, elapsedS }) => ({
						atMs: at.getTime(),
						airC,
						setC,
						segment: isOver(status) ? null : (segment ?? segmentAt(watched.simulation, elapsedS ?? 0)),
						powerLost: status === "powerLost",
					}))
				: [{ atMs: (row.startedAt ?? now).getTime(), airC: null, setC: null, segment: null, powerLost: false }],
			watched.plan,
			now.getTime(),
			row.speedUp,
			silentAfterS(kiln.line?.driver) ?? SILENT_S,
		).filter(({ kind }) => recent.length > 0 || kind === "noReading");
		const told = await Promise.all(
			[...alarms, ...(unkept ? [unkept] : [])].map(async (alarm) =>
				alarm.kind === "powerLost" ? await this.withVerdict(alarm, watched.model) : alarm,
			),
		);
		const changed = await keepAlarms(this.db, { kilnId: kiln.id, firingId }, told, now);
		const elapsedS = recent.at(-1)?.elapsedS ?? 0;
		const due =
			elapsedS - watched.predictedAtS >= PREDICT_EVERY_S && now.getTime() - watched.predictedAtMs >= PREDICT_REST_MS;
		if (!due) return changed;
		watched.predictedAtS = elapsedS;
		watched.predictedAtMs = now.getTime();
		const predicted = await predict(this.db, watched.model);
		if (!predicted) return changed;
		await this.db
			.update(firing)
			.set({ ...endOf(recent, predicted), predictedOpenS: predicted.openS })
			.where(and(eq(firing.id, firingId), eq(firing.state, "running")));
		return true;
	}

	private async watched(firingId: string): Promise<Watched> {
		const known = this.known.get(firingId);
		if (known) return known;
		const model = await firingModel(this.db, firingId);
		const simulation = simulateModel(model);
		const made = { model, plan: watchedPlan(model, simulation), simulation, predictedAtS: 0, predictedAtMs: 0 };
		this.known.set(firingId, made);
		return made;
	}

	private async withVerdict(alarm: Alarm, model: FiringModel): Promise<Alarm> {
		const cut = await cutVerdict(this.db, model);
		return cut ? { ...alarm, sentence: [...cut.happened, " ", ...cut.next] } : alarm;
	}
}

/** When the controller is done: as predicted, or when it was; that stays, however long the kiln is still listened to. */
function endOf(recent: readonly { status: LineStatus | null; elapsedS: number | null }[], { endS }: Simulation) {
	const done = recent.findIndex(({ status }) => isOver(status));
	if (done === 0) return {};
	return { predictedEndS: recent[done]?.elapsedS ?? endS };
}

/** What each segment asks of the kiln, and how far behind it is there anyway. */
function watchedPlan(model: FiringModel, simulation: Simulation): (segment: number) => WatchedPlan {
	const { segments } = model.row.schedule;
	const lags = segments.map((_, i) => usualLagK(simulation, i));
	return (i) => {
		const segment = segments[i];
		const before = segments[i - 1]?.targetC ?? model.kiln.body.roomC;
		return {
			driven: segment !== undefined && segment.rateCPerH !== "full",
			hottestC: Math.max(before, segment?.targetC ?? 0),
			usualLagK: lags[i] ?? 0,
		};
	};
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

/** Opens alarms that are new, ends those that are over, and keeps the figures of those that go on. */
async function keepAlarms(
	db: Database,
	{ kilnId, firingId }: { kilnId: string; firingId: string },
	alarms: readonly Alarm[],
	now: Date,
): Promise<boolean> {
	const open = await db
		.select()
		.from(kilnAlarm)
		.where(and(eq(kilnAlarm.firingId, firingId), isNull(kilnAlarm.endedAt)));
	let changed = false;
	for (const { kind, sentence } of alarms) {
		const known = open.find((one) => one.kind === kind);
		if (known) {
			await db.update(kilnAlarm).set({ sentence }).where(eq(kilnAlarm.id, known.id));
			continue;
		}
		await db.insert(kilnAlarm).values({ kilnId, firingId, kind, sentence, startedAt: now }).onConflictDoNothing();
		changed = true;
	}
	for (const { id, kind } of open) {
		if (alarms.some((one) => one.kind === kind)) continue;
		await db.update(kilnAlarm).set({ endedAt: now }).where(eq(kilnAlarm.id, id));
		changed = true;
	}
	return changed;
}
