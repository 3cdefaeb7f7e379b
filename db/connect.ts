import { drizzle, type PostgresJsDatabase } from "drizzle-orm/postgres-js";
import { migrate } from "drizzle-orm/postgres-js/migrator";
import postgres from "postgres";
import * as schema from "./schema";

export type Database = PostgresJsDatabase<typeof schema>;
export type Transaction = Parameters<Parameters<Database["transaction"]>[0]>[0];
/** What queries take: the database or a transaction of it. */
export type Reader = Database | Transaction;

export interface Connection {
	db: Database;
	/** The driver itself, for LISTEN. */
	sql: postgres.Sql;
	close(): Promise<void>;
}

export function connect(url: string, max = 10): Connection {
	const sql = postgres(url, { max, onnotice: () => {} });
	return { db: drizzle(sql, { schema }), sql, close: () => sql.end({ timeout: 5 }) };
}

export const migrateTo = (db: Database, folder: string): Promise<void> => migrate(db, { migrationsFolder: folder });
