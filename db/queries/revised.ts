import { isDeepStrictEqual } from "node:util";
import { and, eq, getTableColumns, max } from "drizzle-orm";
import type { PgColumn, PgTable } from "drizzle-orm/pg-core";
import type { Transaction } from "../connect";
import type { kitVersion, scheduleVersion } from "../schema";

type Revised = PgTable & { id: PgColumn; revision: PgColumn };

/**
 * Writes what a person typed of one row, on the revision it was typed on (0: it is new). Columns that are not given stay as
 * they are. Returns the row's new revision; undefined where somebody saved it meanwhile. The same save sent twice counts once.
 */
export async function writeRevised<T extends Revised>(
	tx: Transaction,
	table: T,
	row: Record<string, unknown> & { id: string | number },
	revision: number,
): Promise<number | undefined> {
	const next = revision + 1;
	const values = { ...row, revision: next } as unknown as T["$inferInsert"];
	const answer = { revision: table.revision };
	const written: unknown[] =
		revision === 0
			? await tx.insert(table).values(values).onConflictDoNothing().returning(answer)
			: await tx
					.update(table)
					.set(values)
					.where(and(eq(table.id, row.id), eq(table.revision, revision)))
					.returning(answer);
	if (written[0]) return next;
	const columns = getTableColumns(table);
	const compared = Object.fromEntries(
		["revision", ...Object.keys(row)]
			.filter((key) => key !== "updatedAt")
			.map((key) => [key, columns[key] as PgColumn]),
	);
	const [present] = await tx
		.select(compared)
		.from(table as PgTable)
		.where(eq(table.id, row.id));
	const { updatedAt: _, ...wished } = values as Record<string, unknown>;
	return isDeepStrictEqual(plain(present), plain(wished)) ? next : undefined;
}

/** As it comes back from the database: without what is undefined. */
const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value ?? null));

type VersionTable = typeof kitVersion | typeof scheduleVersion;
type Frozen<T extends VersionTable> = T["$inferSelect"];

/** The frozen version of a kept document at its present revision: the one that exists, or a new one. Its row has to be locked. */
export async function freeze<T extends VersionTable>(
	tx: Transaction,
	versions: T,
	kept: { id: string; revision: number },
	values: Omit<T["$inferInsert"], "id" | "keptId" | "version" | "revision" | "name">,
): Promise<Frozen<T>> {
	const table = versions as typeof kitVersion;
	const [same] = await tx
		.select()
		.from(table)
		.where(and(eq(table.keptId, kept.id), eq(table.revision, kept.revision)));
	if (same) return same as Frozen<T>;
	const [last] = await tx
		.select({ version: max(table.version) })
		.from(table)
		.where(eq(table.keptId, kept.id));
	const row = { ...values, keptId: kept.id, revision: kept.revision, version: (last?.version ?? 0) + 1 };
	const [made] = await tx
		.insert(table)
		.values(row as unknown as (typeof kitVersion)["$inferInsert"])
		.returning();
	return made as Frozen<T>;
}
