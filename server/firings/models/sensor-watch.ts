import { temperatureOf } from "@core/firing/curve";
import { naturalCoolingC } from "@core/kiln/kiln";
import { isOver, type LineStatus } from "@core/kiln/line-status";
import { type Distrust, SensorJudge, type SensorReading } from "@core/kiln/sensor";
import { type Simulation, seriesOf } from "@core/kiln/simulate";
import type { Reader } from "@db/connect";
import { readingsAfter } from "@db/queries/readings";
import type { FiringModel } from "./firing-model";

/** A judge of one firing's sensor, with the firing as it was simulated. */
export function sensorJudge({ kiln: { body }, loadJPerK }: FiringModel, simulation: Simulation): SensorJudge {
	const air = seriesOf(simulation, "airC");
	const end = air.at(-1) ?? { s: 0, c: body.roomC };
	return new SensorJudge({
		kiln: body,
		loadJPerK,
		plannedC: (s) => (s <= end.s ? temperatureOf(air, s) : naturalCoolingC(body, end.c, s - end.s)),
		plannedEndS: simulation.endS,
	});
}

/** Lets the judge hear what it has not heard. Returns whether something changed. */
export async function hearOut(reader: Reader, firingId: string, judge: SensorJudge): Promise<boolean> {
	let changed = false;
	for (const row of await readingsAfter(reader, firingId, judge.lastS === Number.NEGATIVE_INFINITY ? -1 : judge.lastS))
		changed = judge.take(judged(row)) || changed;
	return changed;
}

/** Off: the kiln gets no power by what its controller says, because it is through or waits after a power cut. */
function judged(row: {
	s: number | null;
	airC: number | null;
	setC: number | null;
	status: LineStatus | null;
}): SensorReading {
	const { s, airC, setC, status } = row;
	const off = status === null ? null : isOver(status) || status === "powerLost";
	return { s: s ?? 0, airC: status === "sensorOpen" ? null : airC, setC, over: off };
}

/** All that a firing's sensor did, heard from its beginning: what opening is decided by. */
export async function judgeWhole(reader: Reader, model: FiringModel, simulation: Simulation): Promise<Distrust[]> {
	const judge = sensorJudge(model, simulation);
	await hearOut(reader, model.row.id, judge);
	return judge.distrust;
}
