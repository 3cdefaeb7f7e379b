import type { KilnCommand } from "@core/kiln/register-map";
import { steerText } from "@core/kiln/steer";
import { and, asc, count, desc, eq, inArray, isNotNull, isNull, lt, sql } from "drizzle-orm";
import type { Database, Reader, Transaction } from "../connect";
import { type FiringState, firing, firingNote, firingPlace, kiln, mould, piece } from "../schema";

export type FiringRow = typeof firing.$inferSelect;

export async function loadFiring(reader: Reader, id: string): Promise<FiringRow | undefined> {
	const [row] = await reader.select().from(firing).where(eq(firing.id, id));
	return row;
}

/** A firing's row for as long as the transaction lasts; its readings go on being written. */
export async function lockFiring(tx: Transaction, id: string): Promise<FiringRow | undefined> {
	const [row] = await tx.select().from(firing).where(eq(firing.id, id)).for("no key update");
	return row;
}

/** The firing that a kiln has in a state, if any. */
export async function firingOf(reader: Reader, kilnId: string, state: FiringState): Promise<FiringRow | undefined> {
	const [row] = await reader
		.select()
		.from(firing)
		.where(and(eq(firing.kilnId, kilnId), eq(firing.state, state)));
	return row;
}

/** Pieces that lie, or lay, in a firing. */
export const placesIn = (reader: Reader, firingId: string) =>
	reader.select().from(firingPlace).where(eq(firingPlace.firingId, firingId));

/** Planned firings with the area of the pieces on their shelf, mm². */
export const plannedWithArea = (reader: Reader) =>
	reader
		.select({
			...{ id: firing.id, number: firing.number, kilnId: firing.kilnId },
			...{ familyId: firing.familyId, level: firing.level },
			takenMm2: sql<number>`coalesce(sum(${firingPlace.widthMm} * ${firingPlace.heightMm}), 0)`.mapWith(Number),
			shelves: sql<number>`coalesce(max(${firingPlace.shelf}), 0) + 1`.mapWith(Number),
		})
		.from(firing)
		.leftJoin(firingPlace, eq(firingPlace.firingId, firing.id))
		.where(eq(firing.state, "planned"))
		.groupBy(firing.id);

/** Pieces out of an opened kiln that nobody has judged. */
export async function countUnjudged(reader: Reader): Promise<number> {
	const [row] = await reader
		.select({ n: count() })
		.from(firingPlace)
		.innerJoin(firing, eq(firing.id, firingPlace.firingId))
		.where(and(eq(firing.state, "opened"), isNull(firingPlace.judgedLevel)));
	return row?.n ?? 0;
}

/** Firings that are planned or run, those to start first first, with how many pieces lie in each. */
export async function activeFirings(reader: Reader): Promise<(FiringRow & { pieces: number })[]> {
	const active = inArray(firing.state, ["planned", "running"]);
	const rows = await reader
		.select()
		.from(firing)
		.where(active)
		.orderBy(sql`${firing.startsAt} nulls first`, asc(firing.number));
	const counts = await reader
		.select({ id: firingPlace.firingId, pieces: count() })
		.from(firingPlace)
		.innerJoin(firing, eq(firing.id, firingPlace.firingId))
		.where(active)
		.groupBy(firingPlace.firingId);
	const pieces = new Map(counts.map((one) => [one.id, one.pieces]));
	return rows.map((row) => ({ ...row, pieces: pieces.get(row.id) ?? 0 }));
}

/** Moulds under the pieces of a firing. */
export async function mouldsIn(reader: Reader, firingId: string): Promise<(typeof mould.$inferSelect)[]> {
	const rows = await reader
		.select({ journey: piece.journey })
		.from(firingPlace)
		.innerJoin(piece, eq(piece.id, firingPlace.pieceId))
		.where(eq(firingPlace.firingId, firingId));
	const ids = [...new Set(rows.flatMap(({ journey }) => journey.route[journey.step]?.mouldId ?? []))];
	return ids.length > 0 ? reader.select().from(mould).where(inArray(mould.id, ids)) : [];
}

/** Moulds that lie in firings that are planned or run: how many of each. */
export const mouldsOfActive = (reader: Reader) => {
	const mouldId = sql<string | null>`${piece.journey}->'route'->(${piece.journey}->>'step')::int->>'mouldId'`;
	return reader
		.select({ firingId: firingPlace.firingId, mouldId, n: count() })
		.from(firingPlace)
		.innerJoin(firing, eq(firing.id, firingPlace.firingId))
		.innerJoin(piece, eq(piece.id, firingPlace.pieceId))
		.where(and(inArray(firing.state, ["planned", "running"]), isNotNull(mouldId)))
		.groupBy(firingPlace.firingId, mouldId);
};

/** Promised pieces in firings that are planned or run and have no firing after it, with their days. */
export const duesOfActive = (reader: Reader) =>
	reader
		.select({ firingId: firingPlace.firingId, code: piece.code, promisedDay: piece.promisedDay })
		.from(firingPlace)
		.innerJoin(firing, eq(firing.id, firingPlace.firingId))
		.innerJoin(piece, eq(piece.id, firingPlace.pieceId))
		.where(
			and(
				inArray(firing.state, ["planned", "running"]),
				isNotNull(piece.promisedDay),
				sql`jsonb_array_length(${piece.journey}->'route') <= (${piece.journey}->>'step')::int + 1`,
			),
		);

/** When each kiln was started last: one step down the index a kiln. */
export async function lastStarts(reader: Reader): Promise<Map<string, Date>> {
	const last = reader
		.select({ at: firing.startedAt })
		.from(firing)
		.where(and(eq(firing.kilnId, kiln.id), isNotNull(firing.startedAt)))
		.orderBy(desc(firing.number))
		.limit(1)
		.as("last");
	const rows = await reader.select({ id: kiln.id, at: last.at }).from(kiln).innerJoinLateral(last, sql`true`);
	return new Map(rows.flatMap(({ id, at }) => (at ? [[id, at] as const] : [])));
}

export async function loadNote(reader: Reader, id: string) {
	const [row] = await reader.select().from(firingNote).where(eq(firingNote.id, id));
	return row;
}

/** Writes a note of a firing, or what it says now. */
export const keepNote = (reader: Reader, note: typeof firingNote.$inferInsert) =>
	(reader as Transaction)
		.insert(firingNote)
		.values(note)
		.onConflictDoUpdate({ target: firingNote.id, set: { text: note.text, outcome: note.outcome } });

/** Whoever sent this and does not say so by then has ended, ms: a line answers or is given up within seconds. */
const SENT_BY_MS = 60_000;

/** Commands whose sender ended before an answer came: nobody knows of them. Returns how many. */
export async function settleSteering(db: Database, now: Date): Promise<number> {
	const left = await db
		.select()
		.from(firingNote)
		.where(and(eq(firingNote.outcome, "asked"), lt(firingNote.at, new Date(now.getTime() - SENT_BY_MS))));
	for (const { id, command } of left)
		await db
			.update(firingNote)
			.set({ outcome: "unknown", text: steerText(command as KilnCommand, "unknown") })
			.where(and(eq(firingNote.id, id), eq(firingNote.outcome, "asked")));
	return left.length;
}
