import type { LineStatus } from "@contract/kiln";
import { and, asc, desc, eq, gte, lte, sql } from "drizzle-orm";
import type { Database, Reader } from "../connect";
import { kilnReading, kilnReadingSpan } from "../schema";

export type ReadingRow = typeof kilnReading.$inferInsert;

/** Length of the stretches that months are drawn from, ms. */
export const SPAN_MS = 600_000;

/**
 * Writes readings and, with them, the stretches of ten minutes they fall in. A reading that is already there changes nothing.
 * Returns how many were new.
 */
export async function storeReadings(db: Database | Reader, rows: readonly ReadingRow[]): Promise<number> {
	let written = 0;
	for (let i = 0; i < rows.length; i += 2000) {
		const fresh = await (db as Database)
			.insert(kilnReading)
			.values(rows.slice(i, i + 2000))
			.onConflictDoNothing()
			.returning({ kilnId: kilnReading.kilnId, at: kilnReading.at, airC: kilnReading.airC });
		written += fresh.length;
		const spans = new Map<string, { kilnId: string; at: Date; n: number; lowC: number; highC: number }>();
		for (const { kilnId, at, airC } of fresh) {
			if (airC === null) continue;
			const start = Math.floor(at.getTime() / SPAN_MS) * SPAN_MS;
			const known = spans.get(`${kilnId}/${start}`);
			if (known) {
				known.n++;
				known.lowC = Math.min(known.lowC, airC);
				known.highC = Math.max(known.highC, airC);
			} else spans.set(`${kilnId}/${start}`, { kilnId, at: new Date(start), n: 1, lowC: airC, highC: airC });
		}
		if (spans.size === 0) continue;
		await (db as Database)
			.insert(kilnReadingSpan)
			.values([...spans.values()])
			.onConflictDoUpdate({
				target: [kilnReadingSpan.kilnId, kilnReadingSpan.at],
				set: {
					n: sql`${kilnReadingSpan.n} + excluded.n`,
					lowC: sql`least(${kilnReadingSpan.lowC}, excluded.low_c)`,
					highC: sql`greatest(${kilnReadingSpan.highC}, excluded.high_c)`,
				},
			});
	}
	return written;
}

export async function latestReading(reader: Reader, kilnId: string) {
	const [row] = await reader
		.select()
		.from(kilnReading)
		.where(eq(kilnReading.kilnId, kilnId))
		.orderBy(desc(kilnReading.at))
		.limit(1);
	return row;
}

/** A firing's last readings, oldest first. */
export async function lastReadings(reader: Reader, firingId: string, most: number) {
	const rows = await reader
		.select()
		.from(kilnReading)
		.where(eq(kilnReading.firingId, firingId))
		.orderBy(desc(kilnReading.elapsedS))
		.limit(most);
	return rows.reverse();
}

export interface FiringPoint {
	s: number;
	/** Null where the sensor gave nothing, and between points that are too far apart to be joined. */
	c: number | null;
}

/** Readings further apart than this many times their usual distance leave a gap, and never less than this, s. */
const GAP_TIMES = 4;
const LEAST_GAP_S = 180;

/**
 * A firing's measured curve, thinned on the server to about `most` points: every n-th reading, and all that are beside a gap.
 * Gaps stay gaps: a null stands where readings are missing.
 */
export async function firingReadings(reader: Reader, firingId: string, most = 600): Promise<FiringPoint[]> {
	const rows = await reader.execute<{ s: number; c: number | null; gap: boolean }>(sql`
		with apart as (
			select ${kilnReading.elapsedS} as s, ${kilnReading.airC} as c,
				row_number() over w as n, count(*) over () as total,
				${kilnReading.elapsedS} - lag(${kilnReading.elapsedS}) over w as before,
				lead(${kilnReading.elapsedS}) over w - ${kilnReading.elapsedS} as after
			from ${kilnReading} where ${kilnReading.firingId} = ${firingId}
			window w as (order by ${kilnReading.elapsedS})
		), far as (
			select greatest(${LEAST_GAP_S}::float8, ${GAP_TIMES} * percentile_cont(0.5) within group (order by before)) as s from apart
		)
		select apart.s, apart.c, coalesce(apart.before > far.s, false) as gap from apart, far
		where n % greatest(1, total / ${most}::int) = 0 or n = 1 or n = total or before > far.s or after > far.s or c is null
		order by apart.s`);
	return rows.flatMap(({ s, c, gap }) => [...(gap ? [{ s: s - 0.5, c: null }] : []), { s, c }]);
}

/** Measured points without their gaps, for what needs a curve. */
export const withoutGaps = (points: readonly FiringPoint[]): { s: number; c: number }[] =>
	points.flatMap(({ s, c }) => (c === null ? [] : [{ s, c }]));

export interface RecordPoint {
	at: string;
	lowC: number;
	highC: number;
}

/** Above this many days a record is drawn from stretches of ten minutes, below from the readings themselves. */
const FROM_SPANS_DAYS = 2;

/** A kiln's record between two instants in at most `most` stretches, each with its lowest and highest; none where nothing was read. */
export async function kilnRecord(
	reader: Reader,
	kilnId: string,
	from: Date,
	to: Date,
	most = 700,
): Promise<RecordPoint[]> {
	const lengthMs = Math.max(1, to.getTime() - from.getTime());
	const stepS = Math.max(1, Math.ceil(lengthMs / most / 1000));
	if (lengthMs > FROM_SPANS_DAYS * 86_400_000) {
		const bucket = sql`floor(extract(epoch from ${kilnReadingSpan.at}) / ${sql.raw(String(stepS))})`;
		const rows = await reader
			.select({
				at: sql<number>`${bucket}::float8 * ${sql.raw(String(stepS))}`,
				lowC: sql<number>`min(${kilnReadingSpan.lowC})`,
				highC: sql<number>`max(${kilnReadingSpan.highC})`,
			})
			.from(kilnReadingSpan)
			.where(and(eq(kilnReadingSpan.kilnId, kilnId), gte(kilnReadingSpan.at, from), lte(kilnReadingSpan.at, to)))
			.groupBy(bucket)
			.orderBy(bucket);
		return rows.map((row) => ({ ...row, at: new Date(row.at * 1000).toISOString() }));
	}
	const bucket = sql`floor(extract(epoch from ${kilnReading.at}) / ${sql.raw(String(stepS))})`;
	const rows = await reader
		.select({
			at: sql<number>`${bucket}::float8 * ${sql.raw(String(stepS))}`,
			lowC: sql<number>`min(${kilnReading.airC})`,
			highC: sql<number>`max(${kilnReading.airC})`,
		})
		.from(kilnReading)
		.where(
			and(
				eq(kilnReading.kilnId, kilnId),
				gte(kilnReading.at, from),
				lte(kilnReading.at, to),
				sql`${kilnReading.airC} is not null`,
			),
		)
		.groupBy(bucket)
		.orderBy(bucket);
	return rows.map((row) => ({ ...row, at: new Date(row.at * 1000).toISOString() }));
}

/** Readings of a firing or of a stretch of time, oldest first, as a log to learn from. */
export async function logOf(
	reader: Reader,
	kilnId: string,
	from: Date,
	to: Date,
): Promise<
	{
		at: Date;
		airC: number | null;
		setC: number | null;
		duty: number | null;
		kwh: number | null;
		status: LineStatus | null;
	}[]
> {
	return reader
		.select({
			at: kilnReading.at,
			airC: kilnReading.airC,
			setC: kilnReading.setC,
			duty: kilnReading.duty,
			kwh: kilnReading.kwh,
			status: kilnReading.status,
		})
		.from(kilnReading)
		.where(and(eq(kilnReading.kilnId, kilnId), gte(kilnReading.at, from), lte(kilnReading.at, to)))
		.orderBy(asc(kilnReading.at))
		.limit(200_000);
}
