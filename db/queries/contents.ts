import type { Sql, TransactionSql } from "postgres";

/** Of every table how many rows it has and a sum over all of their values: two books of the same contents have the same. */
export type Contents = Record<string, { rows: number; sum: string }>;

type Asked = Sql | TransactionSql;

/** What a book holds, and the number of its newest migration. The order of rows does not matter; any changed value does. */
export async function contentsOf(sql: Asked): Promise<{ schema: number; contents: Contents }> {
	const tables = await sql<{ name: string }[]>`
		select format('%I.%I', schemaname, tablename) as name from pg_tables
		where schemaname in ('public', 'drizzle') order by 1`;
	const contents: Contents = {};
	for (const { name } of tables) {
		const [row] = await sql.unsafe<{ rows: number; sum: string }[]>(
			`select count(*)::int as rows, coalesce(sum(hashtextextended(t::text, 0)), 0)::text as sum from ${name} t`,
		);
		if (row) contents[name] = row;
	}
	return { schema: await schemaNumber(sql), contents };
}

/** When the newest migration that was made in this book was written (ms since 1970); 0 for an empty one. */
export async function schemaNumber(sql: Asked): Promise<number> {
	const [known] = await sql`select to_regclass('drizzle.__drizzle_migrations') is not null as there`;
	if (!known?.there) return 0;
	const [row] = await sql<
		{ newest: string | null }[]
	>`select max(created_at)::text as newest from drizzle.__drizzle_migrations`;
	return Number(row?.newest ?? 0);
}

/** What differs between two books, in words. */
export function differences(held: Contents, found: Contents): string[] {
	const names = [...new Set([...Object.keys(held), ...Object.keys(found)])].sort();
	return names.flatMap((name) => {
		const [a, b] = [held[name], found[name]];
		if (!a || !b) return [`${name} is ${a ? "missing" : "not of it"}`];
		if (a.rows !== b.rows) return [`${name} has ${b.rows} rows instead of ${a.rows}`];
		return a.sum === b.sum ? [] : [`${name} has other values`];
	});
}
