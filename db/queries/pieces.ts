import type { PieceBrief } from "@contract/views";
import { STATES } from "@core/journey/journey";
import { effectiveOf } from "@core/loading/propose";
import { promiseState } from "@core/promise/promise";
import { type KitReading, stackCode } from "@core/stack/read-kit";
import { endOfDayMs } from "@formats/time";
import { asc, eq, inArray, type SQL, sql } from "drizzle-orm";
import type { Reader } from "../connect";
import { firing, glass, kitVersion, piece, student } from "../schema";

/** Pieces still with the studio: neither collected nor spoiled. Named one by one, so that the index on the state serves. */
export const withTheStudio = (): SQL =>
	inArray(
		piece.state,
		STATES.filter((state) => state !== "collected" && state !== "spoiled"),
	);

/** Pieces as every list shows them, oldest wait first. */
export async function briefs(
	reader: Reader,
	where: SQL | undefined,
	when: { now: Date; timeZone: string },
	most = 500,
): Promise<PieceBrief[]> {
	const glasses = new Map((await reader.select().from(glass)).map((one) => [one.id, one]));
	const rows = await reader
		.select({
			piece,
			student: student.name,
			kit: sql<string | null>`${kitVersion.document}->>'name'`,
			reading: sql<Omit<KitReading, "findings"> | null>`${kitVersion.reading} - 'findings'`,
			startedAt: firing.startedAt,
			openS: sql<number | null>`coalesce(${firing.predictedOpenS}, ${firing.openS})`,
			speedUp: firing.speedUp,
		})
		.from(piece)
		.leftJoin(student, eq(student.id, piece.studentId))
		.leftJoin(kitVersion, eq(kitVersion.id, piece.kitVersionId))
		.leftJoin(firing, eq(firing.id, sql`(${piece.journey}->>'firingId')::uuid`))
		.where(where)
		.orderBy(asc(piece.since), asc(piece.code))
		.limit(most);
	return rows.map((row) => {
		const { journey } = row.piece;
		const made = journey.asMade;
		const column = (row.reading?.columnGlassIds ?? []).map((id, i) => ({
			colour: glasses.get(id)?.firedColour ?? "#cccccc",
			mm: row.reading?.columnMm?.[i] ?? glasses.get(id)?.thicknessMm ?? 3,
		}));
		const thickest = made?.thickestMm ?? row.reading?.thickestMm ?? 0;
		const effectiveMm = made
			? effectiveOf(made, journey.level, journey.hadLevel)
			: (row.reading?.effectiveMm ?? thickest);
		const firingOpensMs = row.startedAt
			? row.startedAt.getTime() + ((row.openS ?? 0) / (row.speedUp ?? 1)) * 1000
			: undefined;
		return {
			id: row.piece.id,
			kitVersionId: row.piece.kitVersionId,
			code: row.piece.code,
			student: row.student,
			kit: row.kit,
			familyId: row.piece.familyId,
			state: row.piece.state,
			level: journey.level,
			hadLevel: journey.hadLevel ?? null,
			seq: row.piece.seq,
			step: journey.step,
			route: journey.route,
			stack: column,
			stackCode: stackCode(
				row.piece.familyId,
				column.map(({ mm }) => mm),
				journey.level,
			),
			effectiveMm,
			asMade: made ?? null,
			readyFrom: row.piece.readyFrom?.toISOString() ?? null,
			spot: row.piece.spot,
			since: row.piece.since.toISOString(),
			promisedDay: row.piece.promisedDay,
			promise: row.piece.promisedDay
				? promiseState(
						{
							state: row.piece.state,
							firingsLeft: Math.max(0, journey.route.length - journey.step),
							readyFromMs: row.piece.readyFrom?.getTime(),
							firingOpensMs,
						},
						endOfDayMs(row.piece.promisedDay, when.timeZone),
						when.now.getTime(),
					)
				: null,
			firingId: journey.firingId ?? null,
		};
	});
}
