import { desc, eq, gt, inArray, ne, or, sql } from "drizzle-orm";
import type { Reader, Transaction } from "../connect";
import { glass, stockItem, stockRecord } from "../schema";

type Item = typeof stockItem.$inferSelect;
/** With what people call it, and what its records come to. */
export type LockedItem = Item & { called: string; amount: number };
type Entry = typeof stockRecord.$inferInsert;

/**
 * Everything that is kept, with what its records come to: in pieces or grams. An offcut that is used up never comes again.
 * @param and these too, used up or not
 */
export async function loadStock(
	reader: Reader,
	{ prices = false, and = [] }: { prices?: boolean; and?: readonly string[] } = {},
) {
	const amounts = reader
		.select({
			itemId: stockRecord.itemId,
			amount: sql<number>`sum(${stockRecord.change})`.as("amount"),
			countedAt: sql<Date | null>`max(${stockRecord.at}) filter (where ${stockRecord.reason} = 'counted')`.as(
				"counted_at",
			),
		})
		.from(stockRecord)
		.groupBy(stockRecord.itemId)
		.as("amounts");
	const rows = await reader
		.select({ item: stockItem, amount: amounts.amount, countedAt: amounts.countedAt })
		.from(stockItem)
		.leftJoin(amounts, eq(amounts.itemId, stockItem.id))
		.where(or(ne(stockItem.kind, "offcut"), gt(amounts.amount, 0), inArray(stockItem.id, [...and])))
		.orderBy(stockItem.kind, stockItem.glassId, stockItem.name, stockItem.id);
	return rows.map(({ item, amount, countedAt }) => ({
		...item,
		priceMinor: prices ? item.priceMinor : null,
		amount: rounded(amount ?? 0),
		countedAt: countedAt === null ? null : new Date(countedAt).toISOString(),
	}));
}

/** Sums of tenths are not: they are told to a thousandth. */
const rounded = (amount: number): number => Math.round(amount * 1000) / 1000;

export const newestRecords = (reader: Reader, most: number) =>
	reader.select().from(stockRecord).orderBy(desc(stockRecord.at), desc(stockRecord.id)).limit(most);

/** The rows for as long as the transaction lasts, in one order: nobody else takes of them meanwhile. */
export async function lockStock(tx: Transaction, ids: readonly string[]): Promise<Map<string, LockedItem>> {
	if (ids.length === 0) return new Map();
	const items = await tx
		.select()
		.from(stockItem)
		.where(inArray(stockItem.id, [...new Set(ids)]))
		.orderBy(stockItem.id)
		.for("update");
	const sums = await tx
		.select({ itemId: stockRecord.itemId, amount: sql<number>`sum(${stockRecord.change})` })
		.from(stockRecord)
		.where(inArray(stockRecord.itemId, [...new Set(ids)]))
		.groupBy(stockRecord.itemId);
	const amounts = new Map(sums.map(({ itemId, amount }) => [itemId, rounded(amount)]));
	const names = await tx
		.select({ id: glass.id, name: glass.name })
		.from(glass)
		.where(
			inArray(
				glass.id,
				items.map(({ glassId }) => glassId ?? ""),
			),
		);
	const glassOf = new Map(names.map(({ id, name }) => [id, name]));
	return new Map(
		items.map((item) => {
			const called = [glassOf.get(item.glassId ?? ""), item.name].filter(Boolean).join(", ");
			return [item.id, { ...item, called, amount: amounts.get(item.id) ?? 0 }];
		}),
	);
}

/** The record with this id, where it is there already: the same press sent twice. */
export async function recordWith(tx: Transaction, id: string) {
	const [row] = await tx.select().from(stockRecord).where(eq(stockRecord.id, id));
	return row;
}

export const writeRecords = (tx: Transaction, entries: Entry[]) =>
	entries.length === 0 ? Promise.resolve() : tx.insert(stockRecord).values(entries).onConflictDoNothing();
