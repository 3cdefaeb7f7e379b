import type { PieceBrief } from "@contract/pieces";
import { type Journey, type JourneyState, STATES } from "@core/journey/journey";
import { bodyOfJourney } from "@core/piece/of-journey";
import { shapeOfReading } from "@core/piece/old-reading";
import { promiseState, type UsualHours } from "@core/promise/promise";
import { type KitReading, stackCode } from "@core/stack/read-kit";
import { endOfDayMs } from "@formats/wall-clock";
import { and, asc, count, eq, inArray, isNull, lt, max, ne, or, type SQL, sql } from "drizzle-orm";
import type { Reader, Transaction } from "../connect";
import { firing, glass, kitVersion, photo, piece, pieceEvent, student } from "../schema";

/** Pieces still with the studio: neither collected nor spoiled. Named one by one, so that the index on the state serves. */
export const withTheStudio = (): SQL =>
	inArray(
		piece.state,
		STATES.filter((state) => state !== "collected" && state !== "spoiled"),
	);

/** Of those, all but what lies on its pickup spot and only waits to be collected. */
export const unfinished = (): SQL | undefined => and(withTheStudio(), or(ne(piece.state, "ready"), isNull(piece.spot)));

/** Pieces as every list shows them, oldest wait first; at most `most`, where a list may grow long. */
export async function briefs(
	reader: Reader,
	where: SQL | undefined,
	when: { now: Date; timeZone: string; usualHours: UsualHours },
	most?: number,
): Promise<PieceBrief[]> {
	const glasses = new Map((await reader.select().from(glass)).map((one) => [one.id, one]));
	const found = reader
		.select({
			piece,
			student: student.name,
			kit: kitVersion.name,
			reading: sql<Omit<KitReading, "findings"> | null>`${kitVersion.reading} - '{findings,outlines,outline}'::text[]`,
			startedAt: firing.startedAt,
			openS: sql<number | null>`coalesce(${firing.predictedOpenS}, ${firing.openS})`,
			speedUp: firing.speedUp,
		})
		.from(piece)
		.leftJoin(student, eq(student.id, piece.studentId))
		.leftJoin(kitVersion, eq(kitVersion.id, piece.kitVersionId))
		.leftJoin(firing, eq(firing.id, piece.firingId))
		.where(where)
		.orderBy(asc(piece.since), asc(piece.code));
	const rows = await (most === undefined ? found : found.limit(most));
	return rows.map((row) => {
		const { journey } = row.piece;
		const made = journey.asMade;
		const column = (row.reading?.columnGlassIds ?? []).map((id, i) => ({
			colour: glasses.get(id)?.firedColour ?? "#cccccc",
			mm: row.reading?.columnMm?.[i] ?? glasses.get(id)?.thicknessMm ?? 3,
		}));
		const shape = { ...shapeOfReading(row.reading, journey.route), outlines: [] };
		const body = bodyOfJourney(shape, journey) ?? null;
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
			effectiveMm: body?.effectiveMm ?? 0,
			body,
			planned: shape.bodies[journey.step] ?? null,
			asMade: made ?? null,
			good: journey.good ?? null,
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
						when.usualHours,
					)
				: null,
			firingId: row.piece.firingId,
		};
	});
}

/** How many pieces there are of a kind, however long the list is. */
export async function countPieces(reader: Reader, where: SQL | undefined): Promise<number> {
	const [row] = await reader.select({ n: count() }).from(piece).where(where);
	return row?.n ?? 0;
}

export interface StateCount {
	state: JourneyState;
	/** Its glue is not dry yet. */
	wet: boolean;
	pieces: number;
	/** When the last of the wet ones is dry. */
	dryAt: Date | null;
}

/** Pieces still with the studio, counted by state, the wet ones of the queue apart. */
export async function countByState(reader: Reader, now: Date): Promise<StateCount[]> {
	const wet = sql<boolean>`(${piece.state} = 'queued' and coalesce(${piece.readyFrom} > ${now.toISOString()}::timestamptz, false))`;
	const rows = await reader
		.select({ state: piece.state, wet, pieces: count(), dryAt: max(piece.readyFrom) })
		.from(piece)
		.where(withTheStudio())
		.groupBy(piece.state, sql`2`);
	return rows.map((row) => ({ ...row, dryAt: row.wet ? row.dryAt : null }));
}

/** Pieces whose promised day is over though they are not ready, by state, the wet ones of the queue apart. */
export async function countLate(reader: Reader, today: string, now: Date): Promise<Omit<StateCount, "dryAt">[]> {
	const wet = sql<boolean>`(${piece.state} = 'queued' and coalesce(${piece.readyFrom} > ${now.toISOString()}::timestamptz, false))`;
	return reader
		.select({ state: piece.state, wet, pieces: count() })
		.from(piece)
		.where(and(withTheStudio(), ne(piece.state, "ready"), lt(piece.promisedDay, today)))
		.groupBy(piece.state, sql`2`);
}

/** Writes the states of several pieces in one statement. */
export async function writeStates(
	tx: Transaction,
	rows: readonly {
		id: string;
		state: JourneyState;
		seq: number;
		journey: Journey;
		readyFrom: Date | null;
		spot: string | null;
		since: Date;
	}[],
): Promise<void> {
	if (rows.length === 0) return;
	await tx.execute(sql`
		update ${piece} set state = new.state, seq = new.seq, journey = new.journey, ready_from = new.ready_from, spot = new.spot,
			since = new.since
		from jsonb_to_recordset(${JSON.stringify(
			rows.map(({ readyFrom, ...row }) => ({ ...row, ready_from: readyFrom })),
		)}::jsonb) as new(id uuid, state text, seq integer, journey jsonb, ready_from timestamptz, spot text, since timestamptz)
		where ${piece.id} = new.id`);
}

/** Pieces for as long as the transaction lasts, always locked in one order, so that two loads never wait for each other. */
export const lockPieces = (tx: Transaction, ids: readonly string[]) =>
	tx
		.select()
		.from(piece)
		.where(inArray(piece.id, [...ids]))
		.orderBy(piece.id)
		.for("no key update");

/** Events of several pieces, in their order. */
export const eventsOf = (reader: Reader, ids: readonly string[]) =>
	reader
		.select()
		.from(pieceEvent)
		.where(inArray(pieceEvent.pieceId, [...ids]))
		.orderBy(pieceEvent.pieceId, pieceEvent.seq);

/** Whose events these ids are, as far as they are there. */
export const ownersOfEvents = (reader: Reader, eventIds: readonly string[]) =>
	reader
		.select({ id: pieceEvent.id, pieceId: pieceEvent.pieceId, data: pieceEvent.data })
		.from(pieceEvent)
		.where(inArray(pieceEvent.id, [...eventIds]));

/** A photo, or its thumbnail: WebP; undefined where it is not there. */
export async function loadPhoto(reader: Reader, id: string, size: "whole" | "small"): Promise<Buffer | undefined> {
	const [row] = await reader
		.select({ image: size === "small" ? photo.thumbnail : photo.image })
		.from(photo)
		.where(eq(photo.id, id));
	return row?.image;
}

/** Codes of those of these pieces that are there, by id. */
export async function codesOf(reader: Reader, ids: readonly string[]): Promise<[string, string][]> {
	const rows = await reader
		.select({ id: piece.id, code: piece.code })
		.from(piece)
		.where(inArray(piece.id, [...ids]));
	return rows.map(({ id, code }) => [id, code]);
}

export async function pieceByCode(reader: Reader, code: string) {
	const [row] = await reader.select().from(piece).where(eq(piece.code, code));
	return row;
}
