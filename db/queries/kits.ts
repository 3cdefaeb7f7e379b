import { groupBy } from "@core/group-by";
import type { PacedHours } from "@core/stack/outlook";
import type { KitReading } from "@core/stack/read-kit";
import { and, asc, count, eq, gt, inArray, isNotNull, max, sql, sum } from "drizzle-orm";
import { union } from "drizzle-orm/pg-core";
import type { Database, Reader, Transaction } from "../connect";
import { classSession, course, cutRun, kitDesign, kitVersion, piece } from "../schema";

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
	const [row] = await reader.select({ n: count() }).from(kitDesign).where(eq(kitDesign.retired, false));
	return row?.n ?? 0;
}

/** Kits that can be chosen, by name. */
export const kitNames = (reader: Reader): Promise<{ id: string; name: string }[]> =>
	reader
		.select({ id: kitDesign.id, name: kitDesign.name })
		.from(kitDesign)
		.where(eq(kitDesign.retired, false))
		.orderBy(asc(kitDesign.name));

/** Names of kits with those of their colours. */
export const kitColours = (reader: Reader) =>
	reader
		.select({
			id: kitDesign.id,
			name: kitDesign.name,
			palettes: sql<{ id: string; name: string }[]>`jsonb_path_query_array(${kitDesign.document}, '$.palettes[*]')`,
		})
		.from(kitDesign)
		.where(eq(kitDesign.retired, false))
		.orderBy(asc(kitDesign.name));

/** Kits with how many pieces were issued of each and when it was used last, all or one. */
export async function kitsWithIssued(reader: Reader, id?: string) {
	const issued = sql<number>`coalesce(${sum(kitVersion.issued)}, 0)::int`;
	const usedAt =
		sql`greatest(${kitDesign.updatedAt}, ${max(kitVersion.frozenAt)}, ${max(kitVersion.issuedAt)})`.mapWith(
			kitDesign.updatedAt,
		);
	return reader
		.select({ kit: kitDesign, issued, usedAt })
		.from(kitDesign)
		.leftJoin(kitVersion, eq(kitVersion.keptId, kitDesign.id))
		.where(id === undefined ? undefined : eq(kitDesign.id, id))
		.groupBy(kitDesign.id)
		.orderBy(asc(kitDesign.name));
}

/** The courses that each kit was cut or issued for, by the kit's id. */
export async function coursesByKit(reader: Reader): Promise<Map<string, { id: string; title: string }[]>> {
	const cut = reader.select({ versionId: cutRun.kitVersionId, sessionId: cutRun.sessionId }).from(cutRun);
	const issued = reader
		.select({ versionId: sql<string>`${piece.kitVersionId}`, sessionId: sql<string>`${piece.sessionId}` })
		.from(piece)
		.where(and(isNotNull(piece.kitVersionId), isNotNull(piece.sessionId)));
	const used = union(cut, issued).as("used");
	const rows = await reader
		.selectDistinct({ kitId: kitVersion.keptId, id: course.id, title: course.title })
		.from(used)
		.innerJoin(kitVersion, eq(kitVersion.id, used.versionId))
		.innerJoin(classSession, eq(classSession.id, used.sessionId))
		.innerJoin(course, eq(course.id, classSession.courseId))
		.orderBy(asc(course.title));
	return new Map(
		[...groupBy(rows, ({ kitId }) => kitId)].map(([kitId, its]) => [
			kitId,
			its.map(({ id, title }) => ({ id, title })),
		]),
	);
}

/** Pieces that were just issued of a version. */
export const countIssued = (tx: Transaction, versionId: string, pieces: number, now: Date) =>
	tx
		.update(kitVersion)
		.set({ issued: sql`${kitVersion.issued} + ${pieces}`, issuedAt: now })
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
	reading: { reading: KitReading; hoursAt: PacedHours[]; readWith: string },
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
