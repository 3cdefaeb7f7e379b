import type { KitReading } from "@core/stack/read-kit";
import { and, asc, count, eq, gt, inArray, sql, sum } from "drizzle-orm";
import type { Database, Reader, Transaction } from "../connect";
import { kitDesign, kitVersion } from "../schema";

export async function loadKit(reader: Reader, id: string) {
	const [row] = await reader.select().from(kitDesign).where(eq(kitDesign.id, id));
	return row;
}

/** A kit's draft for as long as the transaction lasts. */
export async function lockKit(tx: Transaction, id: string) {
	const [row] = await tx.select().from(kitDesign).where(eq(kitDesign.id, id)).for("no key update");
	return row;
}

export async function loadKitVersion(reader: Reader, kitId: string, version: number) {
	const [row] = await reader
		.select()
		.from(kitVersion)
		.where(and(eq(kitVersion.keptId, kitId), eq(kitVersion.version, version)));
	return row;
}

export async function countKits(reader: Reader): Promise<number> {
	const [row] = await reader.select({ n: count() }).from(kitDesign);
	return row?.n ?? 0;
}

/** All kits by name. */
export const kitNames = (reader: Reader): Promise<{ id: string; name: string }[]> =>
	reader.select({ id: kitDesign.id, name: kitDesign.name }).from(kitDesign).orderBy(asc(kitDesign.name));

/** Kits with how many pieces were issued of each, all or one. */
export async function kitsWithIssued(reader: Reader, id?: string) {
	const issued = sql<number>`coalesce(${sum(kitVersion.issued)}, 0)::int`;
	return reader
		.select({ kit: kitDesign, issued })
		.from(kitDesign)
		.leftJoin(kitVersion, eq(kitVersion.keptId, kitDesign.id))
		.where(id === undefined ? undefined : eq(kitDesign.id, id))
		.groupBy(kitDesign.id)
		.orderBy(asc(kitDesign.name));
}

/** Pieces that were just issued of a version. */
export const countIssued = (tx: Transaction, versionId: string, pieces: number) =>
	tx
		.update(kitVersion)
		.set({ issued: sql`${kitVersion.issued} + ${pieces}` })
		.where(eq(kitVersion.id, versionId));

/** Where a kit's document is kept with its reading. */
export type ReadTable = typeof kitDesign | typeof kitVersion;

/** Documents with the mark of what they were read with, in the order of their ids. */
export const readRows = (reader: Reader, table: ReadTable, afterId: string | undefined, most: number) => {
	const of = table as typeof kitDesign;
	return reader
		.select({ id: of.id, revision: of.revision, document: of.document, readWith: of.readWith })
		.from(of)
		.where(afterId === undefined ? undefined : gt(of.id, afterId))
		.orderBy(of.id)
		.limit(most);
};

/** The reading of a document that nobody changed meanwhile, nor is changing just now. Returns whether it was written. */
export async function writeReading(
	db: Database,
	table: ReadTable,
	{ id, revision }: { id: string; revision: number },
	reading: { reading: KitReading; readWith: string },
): Promise<boolean> {
	const of = table as typeof kitDesign;
	const free = db
		.select({ id: of.id })
		.from(of)
		.where(and(eq(of.id, id), eq(of.revision, revision)))
		.for("no key update", { skipLocked: true });
	const written = await db.update(of).set(reading).where(inArray(of.id, free)).returning({ id: of.id });
	return written.length > 0;
}
