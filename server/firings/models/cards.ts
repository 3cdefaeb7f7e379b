import type { FiringCard, FiringPiece } from "@contract/firings";
import type { PieceBrief } from "@contract/pieces";
import { fallsShort } from "@core/firing/falls-short";
import { toFire } from "@core/piece/to-fire";
import { lotsIn } from "@db/queries/bags";
import { frameIds } from "@db/queries/glass";
import { firing, firingPlace, glassFamily, kiln, piece, scheduleVersion } from "@db/schema";
import { desc, eq, inArray, type SQL } from "drizzle-orm";
import type { ViewContext } from "../../house/view";
import { kilnCard } from "../../kilns/models/cards";
import { briefs } from "../../pieces/models/briefs";
import { houseHoursOf } from "../../studio/models/house-hours";
import { costFor, endOf } from "./costs";
import { layOf } from "./lay-of";
import { openInstant } from "./open-instant";

async function namesOfSchedules(db: ViewContext["db"], ids: string[]): Promise<Map<string, string>> {
	if (ids.length === 0) return new Map();
	const rows = await db
		.select({ id: scheduleVersion.id, version: scheduleVersion.version, document: scheduleVersion.document })
		.from(scheduleVersion)
		.where(inArray(scheduleVersion.id, ids));
	return new Map(rows.map(({ id, version, document }) => [id, `${document.name}, version ${version}`]));
}

/** Pieces of a firing that is planned or hot whose figures ask for more than its schedule holds: read anew, or measured since. */
const shortIn = (
	{ state, schedule }: typeof firing.$inferSelect,
	family: typeof glassFamily.$inferSelect,
	pieces: readonly PieceBrief[],
) =>
	state === "planned" || state === "running"
		? fallsShort(
				schedule,
				family,
				pieces.flatMap(({ code, body }) => (body ? [toFire(code, body)] : [])),
			)
		: [];

/** Of firings with pieces of two families, by their id, the one that is not the firing's own. */
async function otherFamilies(
	db: ViewContext["db"],
	rows: readonly { firing: { id: string; familyId: string } }[],
	places: readonly { firingId: string; pieceId: string }[],
	pieces: readonly PieceBrief[],
) {
	const familyOf = new Map(pieces.map(({ id, familyId }) => [id, familyId]));
	const other = rows.flatMap(({ firing: { id, familyId } }) => {
		const its = places.find((place) => place.firingId === id && (familyOf.get(place.pieceId) ?? familyId) !== familyId);
		return its ? [[id, familyOf.get(its.pieceId) as string] as const] : [];
	});
	if (other.length === 0) return new Map<string, typeof glassFamily.$inferSelect>();
	const ids = [...new Set(other.map(([, familyId]) => familyId))];
	const families = await db.select().from(glassFamily).where(inArray(glassFamily.id, ids));
	return new Map(
		other.flatMap(([id, familyId]) => families.filter((one) => one.id === familyId).map((one) => [id, one])),
	);
}

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
	const pieces = pieceIds.length > 0 ? await briefs(context, inArray(piece.id, pieceIds)) : [];
	const scheduleNames = await namesOfSchedules(
		db,
		rows.flatMap((one) => one.firing.scheduleVersionId ?? []),
	);
	const lots = await lotsIn(db, ids);
	const { studio, now } = context;
	const frames = await frameIds(db);
	const others = await otherFamilies(db, rows, places, pieces);
	const lyingIn = (firingId: string) =>
		pieces.filter(({ id }) => places.some((place) => place.firingId === firingId && place.pieceId === id));
	return rows.map(({ firing: row, kiln: kilnRow, family }) => ({
		house: houseHoursOf(
			studio,
			row.startedAt ?? now,
			endOf(row.startedAt ?? now, row.schedule, row.speedUp),
			openInstant(row) ?? new Date(now.getTime() + row.openS * 1000),
		),
		cost: costFor(context, { kwh: row.kwh, hours: row.openS / 3600 }),
		id: row.id,
		number: row.number,
		state: row.state,
		kiln: kilnCard(kilnRow, row, context),
		family,
		otherFamily: others.get(row.id) ?? null,
		level: row.level,
		schedule: row.schedule,
		setBy: row.setBy,
		airMin: row.airMin,
		plannedAt: row.plannedAt.toISOString(),
		startsAt: row.startsAt?.toISOString() ?? null,
		startedAt: row.startedAt?.toISOString() ?? null,
		speedUp: row.speedUp,
		openAt: openInstant(row)?.toISOString() ?? null,
		openS: row.openS,
		kwh: row.kwh,
		flow: row.flow,
		predictedEndS: row.predictedEndS,
		predictedOpenS: row.predictedOpenS,
		what: row.what,
		lots: lots
			.filter(({ firingId }) => firingId === row.id)
			.map(({ id, count, name, glass, sizeMm }) => ({
				id,
				count,
				sizeMm,
				name: [glass, name].filter(Boolean).join(" "),
			})),
		short: shortIn(row, family, lyingIn(row.id)),
		note: row.note,
		scheduleName: scheduleNames.get(row.scheduleVersionId ?? "") ?? null,
		heat:
			row.lay ??
			layOf(
				places.flatMap(({ firingId, pieceId, shelf }) => {
					const its = firingId === row.id ? pieces.find(({ id }) => id === pieceId) : undefined;
					return its?.body ? [{ body: its.body, shelf, mouldId: its.route[its.step]?.mouldId }] : [];
				}),
				...([kilnRow, row.thicknessMm, frames] as const),
			),
		pieces: places
			.filter(({ firingId }) => firingId === row.id)
			.flatMap((place): FiringPiece[] => {
				const brief = pieces.find(({ id }) => id === place.pieceId);
				if (!brief) return [];
				const { xMm, yMm, widthMm, heightMm, turnDeg, outline, shelf } = place;
				return [
					{
						...brief,
						place: { id: brief.id, xMm, yMm, widthMm, heightMm, turnDeg, outline, shelf },
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
