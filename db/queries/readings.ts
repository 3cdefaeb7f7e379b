import { asc, desc, eq, sql } from "drizzle-orm";
import type { Reader } from "../connect";
import { kilnReading } from "../schema";

export async function latestReading(reader: Reader, kilnId: string) {
	const [row] = await reader
		.select()
		.from(kilnReading)
		.where(eq(kilnReading.kilnId, kilnId))
		.orderBy(desc(kilnReading.at))
		.limit(1);
	return row;
}

/** A firing's measured curve, thinned on the server to about `most` points: every n-th reading and the last. */
export async function firingReadings(reader: Reader, firingId: string, most = 600) {
	const numbered = reader
		.select({
			s: kilnReading.elapsedS,
			c: kilnReading.airC,
			n: sql<number>`row_number() over (order by ${kilnReading.elapsedS})`.as("n"),
			total: sql<number>`count(*) over ()`.as("total"),
		})
		.from(kilnReading)
		.where(eq(kilnReading.firingId, firingId))
		.as("numbered");
	const rows = await reader
		.select({ s: numbered.s, c: numbered.c })
		.from(numbered)
		.where(
			sql`${numbered.n} % greatest(1, ${numbered.total} / ${most}) = 0 or ${numbered.n} = ${numbered.total} or ${numbered.n} = 1`,
		)
		.orderBy(asc(numbered.s));
	return rows.map(({ s, c }) => ({ s: s ?? 0, c }));
}
