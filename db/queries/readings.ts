import { READ_FOR_S } from "@core/kiln/heat";
import { and, asc, desc, eq, gt, gte, inArray, isNull, lte, sql } from "drizzle-orm";
import type { Database, Reader, Transaction } from "../connect";
import { displayReading, firing, kiln, kilnImport, kilnReading, kilnReadingSpan, user } from "../schema";

export type ReadingRow = typeof kilnReading.$inferInsert;

/** Length of the stretches that months are drawn from, ms. */
export const SPAN_MS = 600_000;

/** Nothing later than this after now is live, ms: a clock that is wrong must not hide what the kiln says. */
export const AHEAD_MS = 120_000;

/**
 * Writes readings and, with them, the stretches of ten minutes they fall in. A reading that is already there changes nothing,
 * but for one from a log: there the kiln's own line counts. Returns how many were new.
 */
export async function storeReadings(db: Database | Reader, rows: readonly ReadingRow[]): Promise<number> {
	let written = 0;
	for (let i = 0; i < rows.length; i += 2000) {
		const fresh = await (db as Database)
			.insert(kilnReading)
			.values(rows.slice(i, i + 2000))
			.onConflictDoUpdate({
				target: [kilnReading.kilnId, kilnReading.at],
				set: Object.fromEntries(REPLACED.map((name) => [name, sql.raw(`excluded.${kilnReading[name].name}`)])),
				setWhere: sql`${kilnReading.importId} is not null and excluded.import_id is null`,
			})
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

/** Rows that waited for the book, without firings that it does not know: it may have been read back from an older copy meanwhile. */
export async function ofKnownFirings(reader: Reader, rows: readonly ReadingRow[]): Promise<readonly ReadingRow[]> {
	const ids = [...new Set(rows.flatMap(({ firingId }) => firingId ?? []))];
	if (ids.length === 0) return rows;
	const known = await reader.select({ id: firing.id }).from(firing).where(inArray(firing.id, ids));
	const isKnown = new Set(known.map(({ id }) => id));
	return rows.map((row) =>
		row.firingId && !isKnown.has(row.firingId) ? { ...row, firingId: null, elapsedS: null } : row,
	);
}

export async function loadImport(reader: Reader, id: string) {
	const [row] = await reader.select().from(kilnImport).where(eq(kilnImport.id, id));
	return row;
}

/** A log's batch, held until the transaction ends: who writes it and who takes it back wait for each other. */
export async function lockImport(tx: Transaction, id: string) {
	const [row] = await tx.select().from(kilnImport).where(eq(kilnImport.id, id)).for("no key update");
	return row;
}

/**
 * Writes the lines of a log that follow the first `from`, and says how far it is. Returns whether that may go on: not where it was
 * taken back, nor where somebody else wrote these already.
 */
export async function storeLines(
	tx: Transaction,
	importId: string,
	from: number,
	lines: readonly Omit<ReadingRow, "kilnId" | "importId">[],
	now: Date,
): Promise<boolean> {
	const batch = await lockImport(tx, importId);
	if (!batch || batch.takenBackAt || batch.written !== from) return false;
	const added = await storeReadings(
		tx,
		lines.map((line) => ({ ...line, kilnId: batch.kilnId, importId })),
	);
	await tx
		.update(kilnImport)
		.set({ added: batch.added + added, written: batch.written + lines.length, wroteAt: now })
		.where(eq(kilnImport.id, importId));
	return true;
}

/** Logs that were brought into a kiln's record and are still in it, newest first, with who did it. */
export const importsOf = (reader: Reader, kilnId: string, most = 20) =>
	reader
		.select({
			id: kilnImport.id,
			at: kilnImport.at,
			from: kilnImport.from,
			to: kilnImport.to,
			added: kilnImport.added,
			lines: kilnImport.lines,
			written: kilnImport.written,
			wroteAt: kilnImport.wroteAt,
			by: user.name,
		})
		.from(kilnImport)
		.leftJoin(user, eq(user.id, kilnImport.actorId))
		.where(and(eq(kilnImport.kilnId, kilnId), isNull(kilnImport.takenBackAt)))
		.orderBy(desc(kilnImport.at))
		.limit(most);

/** Removes what came by an import, and makes the stretches it fell in anew. Returns how many readings that were. */
export async function removeImport(tx: Transaction, batch: typeof kilnImport.$inferSelect): Promise<number> {
	const gone = await tx.delete(kilnReading).where(eq(kilnReading.importId, batch.id)).returning({ at: kilnReading.at });
	const from = new Date(Math.floor(batch.from.getTime() / SPAN_MS) * SPAN_MS);
	const { kilnId, at } = kilnReadingSpan;
	await tx.delete(kilnReadingSpan).where(and(eq(kilnId, batch.kilnId), gte(at, from), lte(at, batch.to)));
	const span = sql`to_timestamp(floor(extract(epoch from ${kilnReading.at}) / ${SPAN_MS / 1000}::int) * ${SPAN_MS / 1000}::int)`;
	await tx.execute(sql`
		insert into ${kilnReadingSpan} (kiln_id, at, n, low_c, high_c)
		select kiln_id, ${span}, count(*), min(air_c), max(air_c) from ${kilnReading}
		where kiln_id = ${batch.kilnId} and air_c is not null
			and at >= ${from.toISOString()}::timestamptz and ${span} <= ${batch.to.toISOString()}::timestamptz
		group by 1, 2
		on conflict (kiln_id, at) do update set n = excluded.n, low_c = excluded.low_c, high_c = excluded.high_c`);
	return gone.length;
}

const REPLACED = [
	"firingId",
	"elapsedS",
	"airC",
	"setC",
	"duty",
	"kwh",
	"segment",
	"status",
	"importId",
] as const satisfies (keyof ReadingRow)[];

/** What the line of a kiln said; logs that were brought in are its past, whatever they are dated. */
const isLive = (now: Date) =>
	and(isNull(kilnReading.importId), lte(kilnReading.at, new Date(now.getTime() + AHEAD_MS)));

/** What a kiln's line said last. */
export async function latestLive(reader: Reader, kilnId: string, now: Date) {
	const [row] = await reader
		.select()
		.from(kilnReading)
		.where(and(eq(kilnReading.kilnId, kilnId), isLive(now)))
		.orderBy(desc(kilnReading.at))
		.limit(1);
	return row;
}

type NewestReading = NonNullable<Awaited<ReturnType<typeof latestLive>>>;

/** What the line of each kiln said last, in one question: one step down the index a kiln. */
export async function latestLives(
	reader: Reader,
	kilnIds: readonly string[],
	now: Date,
): Promise<Map<string, NewestReading>> {
	if (kilnIds.length === 0) return new Map();
	const newest = reader
		.select()
		.from(kilnReading)
		.where(and(eq(kilnReading.kilnId, kiln.id), isLive(now)))
		.orderBy(desc(kilnReading.at))
		.limit(1)
		.as("newest");
	const rows = await reader
		.select()
		.from(kiln)
		.innerJoinLateral(newest, sql`true`)
		.where(inArray(kiln.id, [...kilnIds]));
	return new Map(rows.map((row) => [row.newest.kilnId, row.newest]));
}

export type DisplayReading = typeof displayReading.$inferSelect;

/** What was last read off each kiln's own display by a person, as long as it stands. */
export async function latestLooks(
	reader: Reader,
	kilnIds: readonly string[],
	now: Date,
): Promise<Map<string, DisplayReading>> {
	const since = new Date(now.getTime() - READ_FOR_S * 1000);
	const rows = await reader
		.selectDistinctOn([displayReading.kilnId])
		.from(displayReading)
		.where(
			and(inArray(displayReading.kilnId, [...kilnIds]), gte(displayReading.at, since), lte(displayReading.at, now)),
		)
		.orderBy(displayReading.kilnId, desc(displayReading.at));
	return new Map(rows.map((row) => [row.kilnId, row]));
}

/** A firing's last readings, oldest first. @param untilS of those up to then, seconds since its start */
export async function lastReadings(reader: Reader, firingId: string, most: number, untilS?: number) {
	const rows = await reader
		.select()
		.from(kilnReading)
		.where(
			and(eq(kilnReading.firingId, firingId), untilS === undefined ? undefined : lte(kilnReading.elapsedS, untilS)),
		)
		.orderBy(desc(kilnReading.elapsedS))
		.limit(most);
	return rows.reverse();
}

/** A firing's readings after some second of it, oldest first, as its sensor is judged by them. */
export const readingsAfter = (reader: Reader, firingId: string, afterS: number) =>
	reader
		.select({
			s: kilnReading.elapsedS,
			airC: kilnReading.airC,
			setC: kilnReading.setC,
			status: kilnReading.status,
		})
		.from(kilnReading)
		.where(and(eq(kilnReading.firingId, firingId), gt(kilnReading.elapsedS, afterS)))
		.orderBy(asc(kilnReading.elapsedS));

/** What the line of a kiln said since then, oldest first. */
export const livesSince = (reader: Reader, kilnId: string, since: Date, now: Date) =>
	reader
		.select({ at: kilnReading.at, airC: kilnReading.airC })
		.from(kilnReading)
		.where(and(eq(kilnReading.kilnId, kilnId), gte(kilnReading.at, since), isLive(now)))
		.orderBy(asc(kilnReading.at));

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

/** A kiln is learned from so many readings at most: more tell nothing more, and take seconds to go through. */
const MOST_LEARNED = 20_000;

/**
 * Readings of a stretch of time, oldest first, as a log to learn from: thinned evenly where there are very many. What a sensor at fault
 * said in a firing is not among them.
 */
export async function logOf(
	reader: Reader,
	kilnId: string,
	from: Date,
	to: Date,
): Promise<{ at: Date; airC: number | null; setC: number | null; duty: number | null; kwh: number | null }[]> {
	const { at, airC, setC, duty, kwh, elapsedS } = kilnReading;
	const rows = await reader.execute<{
		ms: number;
		airC: number | null;
		setC: number | null;
		duty: number | null;
		kwh: number | null;
	}>(sql`
		with asked as (
			select ${at} as at, ${airC} as air_c, ${setC} as set_c, ${duty} as duty, ${kwh} as kwh, ${elapsedS} as s, ${firing.distrust} as distrust
			from ${kilnReading} left join ${firing} on ${firing.id} = ${kilnReading.firingId}
			where ${kilnReading.kilnId} = ${kilnId} and ${at} >= ${from.toISOString()}::timestamptz and ${at} <= ${to.toISOString()}::timestamptz
		), believed as (
			select * from asked where distrust is null or distrust = '[]'::jsonb or not exists (
				select 1 from jsonb_array_elements(distrust) as stretch
				where s > (stretch->>'fromS')::float8 and s < coalesce((stretch->>'toS')::float8, 'infinity')
			)
		), counted as (
			select *, row_number() over (order by at) as n, count(*) over () as total from believed
		)
		select extract(epoch from at)::float8 * 1000 as ms, air_c as "airC", set_c as "setC", duty::float8 as duty, kwh::float8 as kwh
		from counted where n % greatest(1, ceil(total / ${MOST_LEARNED}::float8)::int) = 0 order by at`);
	return rows.map(({ ms, ...values }) => ({ at: new Date(ms), ...values }));
}
