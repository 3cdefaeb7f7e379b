import { and, asc, eq, inArray, isNull } from "drizzle-orm";
import type { Reader, Transaction } from "../connect";
import { componentLot, kitBag, kitBagLine } from "../schema";

/** Bags that were begun for some cuts, with what is in each. */
export async function bagsOf(reader: Reader, runIds: readonly string[]) {
	if (runIds.length === 0) return [];
	const bags = await reader
		.select()
		.from(kitBag)
		.where(inArray(kitBag.cutRunId, [...runIds]))
		.orderBy(asc(kitBag.number));
	if (bags.length === 0) return [];
	const lines = await reader
		.select({ bagId: kitBagLine.bagId, lineKey: kitBagLine.lineKey })
		.from(kitBagLine)
		.where(
			inArray(
				kitBagLine.bagId,
				bags.map(({ id }) => id),
			),
		);
	return bags.map((bag) => ({
		...bag,
		inIt: lines.filter(({ bagId }) => bagId === bag.id).map(({ lineKey }) => lineKey),
	}));
}

/** A cut's bag by its number, made where it was not begun; for as long as the transaction lasts. */
export async function lockBag(tx: Transaction, cutRunId: string, number: number) {
	await tx.insert(kitBag).values({ cutRunId, number }).onConflictDoNothing();
	const [row] = await tx
		.select()
		.from(kitBag)
		.where(and(eq(kitBag.cutRunId, cutRunId), eq(kitBag.number, number)))
		.for("update");
	return row as NonNullable<typeof row>;
}

/** Bags of a cut from 1 to so many, made where they were not begun: their labels have codes. */
export const makeBags = (tx: Transaction, cutRunId: string, kits: number) =>
	tx
		.insert(kitBag)
		.values(Array.from({ length: kits }, (_, i) => ({ cutRunId, number: i + 1 })))
		.onConflictDoNothing();

export async function linesInBag(tx: Transaction, bagId: string): Promise<string[]> {
	const rows = await tx.select({ key: kitBagLine.lineKey }).from(kitBagLine).where(eq(kitBagLine.bagId, bagId));
	return rows.map(({ key }) => key);
}

export const putIn = (tx: Transaction, bagId: string, keys: readonly string[], at: Date, actorName: string) =>
	keys.length === 0
		? Promise.resolve()
		: tx
				.insert(kitBagLine)
				.values(keys.map((lineKey) => ({ bagId, lineKey, at, actorName })))
				.onConflictDoNothing();

export const takeOut = (tx: Transaction, bagId: string, lineKey: string) =>
	tx.delete(kitBagLine).where(and(eq(kitBagLine.bagId, bagId), eq(kitBagLine.lineKey, lineKey)));

/** Closes a bag, or opens it where `packedAt` is null. @param taken what the stock gave for it */
export const closeBag = (
	tx: Transaction,
	bagId: string,
	state: { packedAt: Date | null; packedBy: string | null; taken: Record<string, number> },
) => tx.update(kitBag).set(state).where(eq(kitBag.id, bagId));

/** Lots that are not fired yet, the oldest first. */
export const openLots = (reader: Reader) =>
	reader.select().from(componentLot).where(isNull(componentLot.firedAt)).orderBy(asc(componentLot.wantedAt));

export async function lockLot(tx: Transaction, id: string) {
	const [row] = await tx.select().from(componentLot).where(eq(componentLot.id, id)).for("update");
	return row;
}

export const writeLot = (tx: Transaction, lot: typeof componentLot.$inferInsert) =>
	tx.insert(componentLot).values(lot).onConflictDoNothing();

export const finishLot = (tx: Transaction, id: string, firedAt: Date, made: number) =>
	tx.update(componentLot).set({ firedAt, made }).where(eq(componentLot.id, id));
