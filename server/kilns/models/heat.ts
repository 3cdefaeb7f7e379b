import { plannedAirC } from "@core/firing/planned-air";
import { heatOf, type KilnHeat } from "@core/kiln/heat";
import { IDLE_SILENT_S, silentAfterS } from "@core/kiln/watch";
import type { Reader } from "@db/connect";
import type { KilnRow } from "@db/queries/kilns";
import { latestLives, latestLooks } from "@db/queries/readings";
import { type firing, kilnAlarm } from "@db/schema";
import { and, eq, inArray, isNull } from "drizzle-orm";
import { confirmedForm } from "../../devices/kiln-line";

type Running = Pick<
	typeof firing.$inferSelect,
	"id" | "kilnId" | "state" | "startedAt" | "speedUp" | "schedule" | "distrust"
>;
type Kiln = Pick<KilnRow, "id" | "line" | "recorder" | "body">;

/** What is known of how hot each kiln is, in a few questions for all of them. @param firings those that run among them count */
export async function kilnHeats(
	reader: Reader,
	kilns: readonly Kiln[],
	firings: readonly Running[],
	now: Date,
): Promise<Map<string, KilnHeat>> {
	const ids = kilns.map(({ id }) => id);
	if (ids.length === 0) return new Map();
	const [readings, looks, changed] = await Promise.all([
		latestLives(reader, ids, now),
		latestLooks(reader, ids, now),
		reader
			.select({ id: kilnAlarm.kilnId })
			.from(kilnAlarm)
			.where(and(inArray(kilnAlarm.kilnId, ids), eq(kilnAlarm.kind, "unconfirmed"), isNull(kilnAlarm.endedAt))),
	]);
	return new Map(
		kilns.map((its) => {
			const hot = firings.find(({ kilnId, state }) => kilnId === its.id && state === "running");
			const reading = readings.get(its.id);
			const looked = looks.get(its.id);
			const recorder = its.line?.driver === "folder";
			const heat = heatOf({
				nowMs: now.getTime(),
				lineLimitS: lineLimitS(its, hot !== undefined),
				reading: reading && {
					atMs: reading.at.getTime(),
					airC: reading.airC,
					ofThis: hot !== undefined && reading.firingId === hot.id,
				},
				looked: looked && { atMs: looked.at.getTime(), c: looked.c, readBy: looked.readBy },
				unconfirmed: recorder && (!confirmedForm(its) || changed.some(({ id }) => id === its.id)),
				fault: hot?.distrust.find(({ toS }) => toS === null)?.kind,
				plannedC: hot?.startedAt
					? plannedAirC(hot.schedule, its.body, elapsedS(hot.startedAt, hot.speedUp, now))
					: null,
			});
			return [its.id, heat];
		}),
	);
}

function lineLimitS({ line }: Kiln, isHot: boolean): number | null {
	const limit = silentAfterS(line?.driver);
	return limit === null || isHot ? limit : Math.max(limit, IDLE_SILENT_S);
}

const elapsedS = (startedAt: Date, speedUp: number, now: Date) =>
	((now.getTime() - startedAt.getTime()) / 1000) * speedUp;
