import { usableMm2 } from "@core/loading/shelf";
import { lotRoomMm2 } from "@core/stock/lots";
import type { Reader } from "@db/connect";
import { lotsIn } from "@db/queries/bags";
import { plannedWithArea } from "@db/queries/firings";
import { loadKilns } from "@db/queries/kilns";
import { loadKilnOf } from "../../loads/models/plan-load";

/** Where lots may be fired: planned firings with a free part of their shelf, and kilns that have none planned. */
export async function roomForLots(reader: Reader) {
	const kilns = (await loadKilns(reader)).filter(({ kind }) => kind === "electric");
	const planned = await plannedWithArea(reader);
	const lots = await lotsIn(
		reader,
		planned.map(({ id }) => id),
	);
	const usable = new Map(kilns.map((row) => [row.id, usableMm2(loadKilnOf(row).shelf)]));
	return {
		fillers: planned.map(({ id, number, kilnId, familyId, level, takenMm2, shelves }) => ({
			...{ id, number, familyId, level },
			kiln: kilns.find((row) => row.id === kilnId)?.name ?? "",
			freeMm2: Math.max(
				0,
				(usable.get(kilnId) ?? 0) * shelves -
					takenMm2 -
					lots
						.filter(({ firingId }) => firingId === id)
						.reduce((sum, { count, sizeMm }) => sum + lotRoomMm2(count, sizeMm), 0),
			),
		})),
		kilns: kilns.filter(({ id }) => planned.every(({ kilnId }) => kilnId !== id)).map(({ id, name }) => ({ id, name })),
	};
}
