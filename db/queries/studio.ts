import { and, asc, eq, isNotNull, sql } from "drizzle-orm";
import type { Reader, Transaction } from "../connect";
import { pickupSpot, piece, studio } from "../schema";

export type Studio = typeof studio.$inferSelect;

export async function loadStudio(reader: Reader): Promise<Studio> {
	const [row] = await reader.select().from(studio).limit(1);
	if (!row) throw new Error("This database holds no studio yet. Run ./start to load the demo.");
	return row;
}

/** Takes the next `count` numbers that pieces' codes are made of; returns the first. */
export async function nextPieceNumbers(tx: Transaction, count: number): Promise<number> {
	const [row] = await tx
		.update(studio)
		.set({ nextPieceNumber: sql`${studio.nextPieceNumber} + ${count}` })
		.returning({ next: studio.nextPieceNumber });
	return (row?.next ?? count) - count;
}

/** Spots of the pickup shelf, in their order. */
export async function loadSpots(reader: Reader): Promise<string[]> {
	const rows = await reader.select({ label: pickupSpot.label }).from(pickupSpot).orderBy(asc(pickupSpot.sort));
	return rows.map(({ label }) => label);
}

/** Spots at which something lies. */
export async function takenSpots(reader: Reader): Promise<string[]> {
	const rows = await reader
		.selectDistinct({ label: piece.spot })
		.from(piece)
		.where(and(eq(piece.state, "ready"), isNotNull(piece.spot)));
	return rows.flatMap(({ label }) => label ?? []);
}

export async function setSpots(tx: Transaction, labels: readonly string[]): Promise<void> {
	await tx.delete(pickupSpot);
	await tx.insert(pickupSpot).values(labels.map((label, sort) => ({ label, sort })));
}

/** What numbers firings. */
const SERIES = sql.identifier("firing_number_seq");

/** The number the next firing will bear. */
export async function loadNextFiring(reader: Reader): Promise<number> {
	const rows = await reader.execute<{ next: number }>(
		sql`select (last_value + is_called::int)::int as next from ${SERIES}`,
	);
	return rows[0]?.next ?? 1;
}

/** Counting of firings goes on from here. */
export const setNextFiring = (tx: Transaction, next: number) =>
	tx.execute(sql`select setval(pg_get_serial_sequence('firing', 'number'), ${next}, false)`);
