import { type Journey, type JourneyState, STATES } from "@core/journey/journey";
import { and, count, eq, inArray, isNull, lt, max, ne, or, type SQL, sql } from "drizzle-orm";
import type { Reader, Transaction } from "../connect";
import { photo, piece, pieceEvent } from "../schema";

/** Pieces still with the studio: neither collected nor spoiled. Named one by one, so that the index on the state serves. */
export const withTheStudio = (): SQL =>
	inArray(
		piece.state,
		STATES.filter((state) => state !== "collected" && state !== "spoiled"),
	);

/** Of those, all but what lies on its pickup spot and only waits to be collected. */
export const unfinished = (): SQL | undefined => and(withTheStudio(), or(ne(piece.state, "ready"), isNull(piece.spot)));

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
