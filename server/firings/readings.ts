import type { ReadingsView } from "@contract/firings";
import { flowIndex } from "@core/firing/flow-index";
import { feltCurve } from "@core/firing/plan-flow";
import { viscosityOf } from "@core/glass/viscosity";
import { firingReadings, lastReadings } from "@db/queries/readings";
import { firingNote, kilnAlarm, user } from "@db/schema";
import { desc, eq } from "drizzle-orm";
import type { View } from "../house/view";
import { alarmBriefs } from "../kilns/models/alarms";
import { briefReading } from "../kilns/models/brief-reading";
import { kilnHeats } from "../kilns/models/heat";
import { believedPoints, firingModel, soFarOf } from "./models/firing-model";
import { cutVerdict } from "./models/watch-firing";

/** A firing as it runs. Asked again with every reading: the drawing of the rest is the page's own work. */
export const readings: View<"readings"> = async ({ db, now }, params) => {
	const model = await firingModel(db, params.firing);
	const { row, family, kiln } = model;
	const points = await firingReadings(db, row.id);
	const measured = believedPoints(points, row);
	const [latest] = await lastReadings(db, row.id, 1);
	const running = row.state === "running";
	const waits = latest?.status === "powerLost";
	return {
		firingId: row.id,
		points,
		flowSoFar: flowIndex(viscosityOf(family), feltCurve(measured, kiln.body)),
		latest: latest ? briefReading(latest) : null,
		controller: running ? ((await soFarOf(db, model, points))?.controller ?? null) : null,
		notes: await notesOf(db, row.id),
		alarms: await alarmBriefs(db, eq(kilnAlarm.firingId, row.id), 50),
		distrust: row.distrust,
		kilnHeat: running ? ((await kilnHeats(db, [kiln], [row], now)).get(kiln.id) ?? null) : null,
		cut: waits ? ((await cutVerdict(db, model)) ?? null) : null,
	};
};

async function notesOf(db: Parameters<typeof lastReadings>[0], firingId: string): Promise<ReadingsView["notes"]> {
	const rows = await db
		.select({ note: firingNote, by: user.name })
		.from(firingNote)
		.leftJoin(user, eq(user.id, firingNote.actorId))
		.where(eq(firingNote.firingId, firingId))
		.orderBy(desc(firingNote.at))
		.limit(100);
	return rows.map(({ note: { id, at, elapsedS, text }, by }) => ({ id, at: at.toISOString(), elapsedS, text, by }));
}
