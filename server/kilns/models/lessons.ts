import { temperatureOf } from "@core/firing/curve";
import { curveOf } from "@core/firing/schedule";
import { type Learned, type Misfit, misfitOf } from "@core/kiln/learn";
import type { LogPoint } from "@core/kiln/log";
import { type JudgedFiring, type OffsetProposal, proposeOffset } from "@core/kiln/offset";
import { seriesOf } from "@core/kiln/simulate";
import type { Reader } from "@db/connect";
import type { KilnRow } from "@db/queries/kilns";
import { firingReadings, logOf } from "@db/queries/readings";
import { firing, firingPlace, glassFamily, kilnLesson } from "@db/schema";
import { and, desc, eq, gt, inArray, isNotNull } from "drizzle-orm";
import { believedPoints, type FiringModel, simulateModel } from "../../firings/models/firing-model";
import { inPool } from "../../heavy/in-pool";

/** What a stretch of a kiln's record teaches. */
export async function learnedFrom(reader: Reader, row: KilnRow, from: Date, to: Date): Promise<Learned> {
	const rows = await logOf(reader, row.id, from, to);
	const firstMs = rows[0]?.at.getTime() ?? 0;
	const log: LogPoint[] = rows.map(({ at, ...values }) => ({
		s: (at.getTime() - firstMs) / 1000,
		...values,
	}));
	return inPool("learnKiln", { log, known: { roomC: row.body.roomC, ...(row.plateW && { plateW: row.plateW }) } });
}

/** The kiln's model as it would be after a lesson; undefined where the log did not tell enough. */
export function bodyAfter(row: KilnRow, learned: Learned): KilnRow["body"] | undefined {
	const { climbKPerS, coolPerS, capacityJPerK, lossWPerK, powerW } = learned;
	if (capacityJPerK && lossWPerK && powerW)
		return { ...row.body, powerW, capacityJPerK: capacityJPerK.value, lossWPerK: lossWPerK.value };
	const capacity = row.body.capacityJPerK;
	if (Number.isFinite(climbKPerS.value) && Number.isFinite(coolPerS.value))
		return { ...row.body, powerW: climbKPerS.value * capacity, lossWPerK: coolPerS.value * capacity };
	if (Number.isFinite(coolPerS.value)) return { ...row.body, lossWPerK: coolPerS.value * capacity };
	return undefined;
}

/** Judged firings that say something about where a kiln is hotter than it shows: since its offset was last changed. */
export async function offsetFor(reader: Reader, row: KilnRow): Promise<OffsetProposal | undefined> {
	const [changed] = await reader
		.select({ at: kilnLesson.at })
		.from(kilnLesson)
		.where(and(eq(kilnLesson.kilnId, row.id), eq(kilnLesson.what, "offset")))
		.orderBy(desc(kilnLesson.at))
		.limit(1);
	const firings = await reader
		.select({ firing, family: glassFamily })
		.from(firing)
		.innerJoin(glassFamily, eq(glassFamily.id, firing.familyId))
		.where(
			and(
				eq(firing.kilnId, row.id),
				eq(firing.state, "opened"),
				isNotNull(firing.startedAt),
				...(changed ? [gt(firing.startedAt, changed.at)] : []),
			),
		)
		.orderBy(desc(firing.startedAt))
		.limit(12);
	if (firings.length === 0) return undefined;
	const places = await reader
		.select()
		.from(firingPlace)
		.where(
			and(
				inArray(
					firingPlace.firingId,
					firings.map((one) => one.firing.id),
				),
				isNotNull(firingPlace.judgedLevel),
			),
		);
	const judged: JudgedFiring[] = [];
	for (const { firing: one, family } of firings) {
		const its = places.filter(({ firingId }) => firingId === one.id);
		if (its.length === 0) continue;
		const measured = believedPoints(await firingReadings(reader, one.id, 300), one);
		const curve = measured.length > 30 ? measured : curveOf(one.schedule, row.body);
		for (const judgedLevel of new Set(its.map((place) => place.judgedLevel))) {
			const same = its.filter((place) => place.judgedLevel === judgedLevel);
			if (!judgedLevel || same.length < its.length / 2) continue;
			judged.push({ label: String(one.number), family, curve, expected: one.level, judged: judgedLevel });
		}
	}
	return proposeOffset(judged, row.body.offsetK ?? 0);
}

/** How far a firing's measured air was from what was simulated for it before. */
export async function misfitFor(reader: Reader, model: FiringModel): Promise<Misfit | undefined> {
	const measured = believedPoints(await firingReadings(reader, model.row.id, 300), model.row);
	if (measured.length < 10) return undefined;
	const air = seriesOf(simulateModel(model), "airC");
	return misfitOf(measured, (s) => temperatureOf(air, s));
}
