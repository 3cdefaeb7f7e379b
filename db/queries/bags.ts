import { and, asc, eq, inArray, isNotNull, isNull, sql } from "drizzle-orm";
import type { Reader, Transaction } from "../connect";
import { componentLot, firing, glass, kiln, kitBag, kitBagLine, kitVersion } from "../schema";

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

/** Lots that are not fired yet, the oldest first, with the firing each lies in or is planned for. */
export const openLots = (reader: Reader) =>
	reader
		.select({
			...{ lot: componentLot, number: firing.number, state: firing.state, kiln: kiln.name },
			glass: glass.name,
			/** Of a strain test the family it is fired on. */
			familyId: sql<
				string | null
			>`coalesce(${componentLot.onFamilyId}, ${glass.familyId}, ${kitVersion.reading}->>'familyId')`,
		})
		.from(componentLot)
		.leftJoin(glass, eq(glass.id, componentLot.glassId))
		.leftJoin(kitVersion, eq(kitVersion.id, componentLot.kitVersionId))
		.leftJoin(firing, eq(firing.id, componentLot.firingId))
		.leftJoin(kiln, eq(kiln.id, firing.kilnId))
		.where(isNull(componentLot.firedAt))
		.orderBy(asc(componentLot.wantedAt));

/** Strain tests of a glass that nobody has read. */
export const openTests = (reader: Reader, glassId: string) =>
	reader
		.select({ id: componentLot.id, onFamilyId: componentLot.onFamilyId })
		.from(componentLot)
		.where(and(isNull(componentLot.firedAt), eq(componentLot.glassId, glassId), isNotNull(componentLot.onFamilyId)));

/** Lots that lie in firings, with their glass's name. */
export const lotsIn = (reader: Reader, firingIds: readonly string[]) =>
	firingIds.length === 0
		? Promise.resolve([])
		: reader
				.select({
					...{ id: componentLot.id, firingId: componentLot.firingId, name: componentLot.name },
					...{ count: componentLot.count, sizeMm: componentLot.sizeMm, glass: glass.name },
				})
				.from(componentLot)
				.leftJoin(glass, eq(glass.id, componentLot.glassId))
				.where(inArray(componentLot.firingId, [...firingIds]));

export const lockLots = (tx: Transaction, ids: readonly string[]) =>
	tx
		.select()
		.from(componentLot)
		.where(inArray(componentLot.id, [...ids]))
		.orderBy(asc(componentLot.id))
		.for("update");

/** Into a firing, or out of it. */
export const moveLots = (tx: Transaction, ids: readonly string[], firingId: string | null) =>
	tx
		.update(componentLot)
		.set({ firingId })
		.where(inArray(componentLot.id, [...ids]));

/** A firing that is called off lets its lots go. */
export const freeLots = (tx: Transaction, firingId: string) =>
	tx.update(componentLot).set({ firingId: null }).where(eq(componentLot.firingId, firingId));

export async function lockLot(tx: Transaction, id: string) {
	const [row] = await tx.select().from(componentLot).where(eq(componentLot.id, id)).for("update");
	return row;
}

export const writeLot = (tx: Transaction, lot: typeof componentLot.$inferInsert) =>
	tx.insert(componentLot).values(lot).onConflictDoNothing();

export const finishLot = (tx: Transaction, id: string, firedAt: Date, made: number) =>
	tx.update(componentLot).set({ firedAt, made }).where(eq(componentLot.id, id));
