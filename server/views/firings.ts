import type { FiringCard, FiringPiece } from "@contract/views";
import { briefs } from "@db/queries/pieces";
import { firing, firingPlace, glassFamily, kiln, piece } from "@db/schema";
import { desc, eq, inArray, type SQL } from "drizzle-orm";
import { openInstant } from "../may-open";
import { type ViewContext, when } from "./context";
import { kilnCard } from "./kilns";

/** Firings with their kiln, schedule and the pieces on their shelf, newest first. */
export async function firingCards(context: ViewContext, where: SQL | undefined, most = 20): Promise<FiringCard[]> {
	const { db } = context;
	const rows = await db
		.select({ firing, kiln, family: glassFamily })
		.from(firing)
		.innerJoin(kiln, eq(kiln.id, firing.kilnId))
		.innerJoin(glassFamily, eq(glassFamily.id, firing.familyId))
		.where(where)
		.orderBy(desc(firing.number))
		.limit(most);
	const ids = rows.map((row) => row.firing.id);
	const places = ids.length > 0 ? await db.select().from(firingPlace).where(inArray(firingPlace.firingId, ids)) : [];
	const pieceIds = [...new Set(places.map(({ pieceId }) => pieceId))];
	const pieces = pieceIds.length > 0 ? await briefs(db, inArray(piece.id, pieceIds), when(context)) : [];
	return rows.map(({ firing: row, kiln: kilnRow, family }) => ({
		id: row.id,
		number: row.number,
		state: row.state,
		kiln: kilnCard(kilnRow, row, context),
		family,
		level: row.level,
		schedule: row.schedule,
		setBy: row.setBy,
		airMin: row.airMin,
		plannedAt: row.plannedAt.toISOString(),
		startedAt: row.startedAt?.toISOString() ?? null,
		speedUp: row.speedUp,
		openAt: openInstant(row)?.toISOString() ?? null,
		openS: row.openS,
		kwh: row.kwh,
		flow: row.flow,
		pieces: places
			.filter(({ firingId }) => firingId === row.id)
			.flatMap((place): FiringPiece[] => {
				const brief = pieces.find(({ id }) => id === place.pieceId);
				if (!brief) return [];
				const { xMm, yMm, widthMm, heightMm, turned } = place;
				return [
					{
						...brief,
						place: { id: brief.id, xMm, yMm, widthMm, heightMm, turned },
						costHours: place.costHours,
						expectedLevel: place.expectedLevel,
						judgedLevel: place.judgedLevel,
						faults: place.faults ?? [],
						next: place.next,
					},
				];
			}),
	}));
}
