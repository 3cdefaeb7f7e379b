import { lt, or, sql } from "drizzle-orm";
import type { Database } from "../connect";
import { kilnLease } from "../schema";

/** Takes or keeps kilns for a holder, by the database's clock, for so many seconds. Returns those it has. */
export async function takeLeases(
	db: Database,
	holder: string,
	kilnIds: readonly string[],
	forS: number,
): Promise<string[]> {
	if (kilnIds.length === 0) return [];
	const until = sql`now() + make_interval(secs => ${forS})`;
	const rows = await db
		.insert(kilnLease)
		.values(kilnIds.toSorted().map((kilnId) => ({ kilnId, holder, until })))
		.onConflictDoUpdate({
			target: kilnLease.kilnId,
			set: { holder, until },
			setWhere: or(sql`${kilnLease.holder} = ${holder}`, lt(kilnLease.until, sql`now()`)),
		})
		.returning({ kilnId: kilnLease.kilnId });
	return rows.map(({ kilnId }) => kilnId);
}
