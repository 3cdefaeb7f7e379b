import { isOver } from "@core/kiln/line-status";
import { isBelieved } from "@core/kiln/sensor";
import { type Simulation, type SoFar, simulateFiring } from "@core/kiln/simulate";
import { heatPlaces, shelvesUsed } from "@core/loading/tiers";
import type { Reader } from "@db/connect";
import type { FiringRow } from "@db/queries/firings";
import { frameIds } from "@db/queries/glass";
import { lyingIn } from "@db/queries/lying";
import { type FiringPoint, firingReadings, lastReadings, withoutGaps } from "@db/queries/readings";
import { firing, glassFamily, kiln } from "@db/schema";
import { eq } from "drizzle-orm";
import { Refusal } from "../../house/refusal";
import { layOf } from "./lay-of";

type Reading = Awaited<ReturnType<typeof lastReadings>>[number];

/** A firing with all that a simulation of it has to know. */
export interface FiringModel {
	row: FiringRow;
	kiln: typeof kiln.$inferSelect;
	family: typeof glassFamily.$inferSelect;
	thicknessMm: number;
	/** Thickness to anneal as, mm; that of a bare firing is its own. */
	effectiveMm: number;
	loadJPerK: number;
	/** How many shelves it lies on. */
	shelves: number;
	onMould: boolean;
}

export async function firingModel(reader: Reader, firingId: string): Promise<FiringModel> {
	const [found] = await reader
		.select({ row: firing, kiln, family: glassFamily })
		.from(firing)
		.innerJoin(kiln, eq(kiln.id, firing.kilnId))
		.innerJoin(glassFamily, eq(glassFamily.id, firing.familyId))
		.where(eq(firing.id, firingId));
	if (!found) throw new Refusal("missing", "There is no such firing in this studio.");
	const lying = await lyingIn(reader, firingId);
	const shelves = shelvesUsed(lying);
	const { thicknessMm, loadJPerK, onMould } =
		found.row.lay ??
		layOf(
			lying.map(({ journey, ...one }) => ({ ...one, mouldId: journey.route[journey.step]?.mouldId })),
			...([found.kiln, found.row.thicknessMm, await frameIds(reader)] as const),
		);
	const soak = found.row.schedule.segments.find(({ name }) => name === "drop");
	return {
		...found,
		...{ thicknessMm, loadJPerK, onMould, shelves },
		/** The soak was set by it: an hour for 6 mm. */
		effectiveMm: Math.max(thicknessMm, ((soak?.holdMin ?? 0) / 60) * 6),
	};
}

export const simulateModel = (model: FiringModel, soFar?: SoFar): Simulation =>
	simulateFiring({
		kiln: model.kiln.body,
		schedule: model.row.schedule,
		family: model.family,
		thicknessMm: model.thicknessMm,
		loadJPerK: model.loadJPerK,
		onMould: model.onMould,
		zones: heatPlaces(model.kiln, model.shelves),
		...(soFar && { soFar }),
	});

/** The segment a firing is in by its simulation, for controllers that do not say theirs; the number of segments once it is done. */
export const segmentAt = ({ segmentEndS }: Simulation, elapsedS: number): number =>
	segmentEndS.filter((end) => end <= elapsedS).length;

/** How near (K) the kiln is to a target when its controller counts the hold. */
const AT_TARGET_K = 4;

/** Points a prediction is begun with: enough for Φ to 1 %. */
const POINTS = 900;

/** Measured points that are to be believed, without gaps. */
export const believedPoints = (points: readonly FiringPoint[], { distrust }: Pick<FiringRow, "distrust">) =>
	withoutGaps(points).filter(({ s }) => isBelieved(distrust, s));

/**
 * What was measured (`points`, or read here), as the beginning of a simulation; undefined while nothing can be said: no
 * readings, a sensor that gives nothing, or a kiln that waits after a power cut. What a sensor at fault says is left out: the rest
 * goes on from the last that was believed.
 */
export async function soFarOf(
	reader: Reader,
	model: FiringModel,
	points?: readonly FiringPoint[],
): Promise<SoFar | undefined> {
	const { row } = model;
	const fault = row.distrust.find(({ toS }) => toS === null);
	const air = believedPoints(points ?? (await firingReadings(reader, row.id, POINTS)), row);
	const recent = await lastReadings(reader, row.id, 200, fault?.fromS);
	const last = recent.at(-1);
	if (!last || air.length < 2 || last.airC === null || last.status === "powerLost" || last.status === "sensorOpen")
		return undefined;
	const segments = row.schedule.segments;
	const segment = isOver(last.status)
		? segments.length
		: (last.segment ?? segmentAt(simulateModel(model), last.elapsedS ?? 0));
	if (segment >= segments.length)
		return { air, controller: { segment: segments.length, setC: last.airC, arrived: false, heldS: 0 } };
	const targetC = segments[segment]?.targetC ?? last.airC;
	const setC = last.setC ?? last.airC;
	const atTarget = (one: Reading) =>
		one.segment === last.segment &&
		one.airC !== null &&
		Math.abs(one.airC - targetC) <= AT_TARGET_K &&
		Math.abs((one.setC ?? targetC) - targetC) < 0.6;
	const since = recent[recent.findLastIndex((one) => !atTarget(one)) + 1];
	const heldS = since && atTarget(last) ? (last.elapsedS ?? 0) - (since.elapsedS ?? 0) : 0;
	return { air, controller: { segment, setC, arrived: atTarget(last), heldS } };
}
