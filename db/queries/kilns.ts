import { asc, eq, max } from "drizzle-orm";
import type { Reader, Transaction } from "../connect";
import { kiln } from "../schema";

export type KilnRow = typeof kiln.$inferSelect;

/** All kilns in the studio's order, put away or not. */
export const loadAllKilns = (reader: Reader): Promise<KilnRow[]> => reader.select().from(kiln).orderBy(asc(kiln.sort));

/** The kilns that are fired, in the studio's order. */
export const loadKilns = (reader: Reader): Promise<KilnRow[]> =>
	reader.select().from(kiln).where(eq(kiln.retired, false)).orderBy(asc(kiln.sort));

export async function loadKiln(reader: Reader, id: string): Promise<KilnRow | undefined> {
	const [row] = await reader.select().from(kiln).where(eq(kiln.id, id));
	return row;
}

/** A kiln's row for as long as the transaction lasts. Its readings, which refer to it, go on being written. */
export async function lockKiln(tx: Transaction, id: string): Promise<KilnRow | undefined> {
	const [row] = await tx.select().from(kiln).where(eq(kiln.id, id)).for("no key update");
	return row;
}

/** Place of the last kiln in the studio's order; 0 without one. */
export async function lastSort(reader: Reader): Promise<number> {
	const [last] = await reader.select({ sort: max(kiln.sort) }).from(kiln);
	return last?.sort ?? 0;
}
