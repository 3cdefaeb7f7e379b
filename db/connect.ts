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

interface Options {
	/** Hears of every question, for tests that count them. */
	debug?: (connection: number, query: string, parameters: unknown[]) => void;
	/** For what somebody waits: nothing runs, waits for a lock or sits in a transaction for long. */
	limited?: boolean;
}

/** ms; what waits in a transaction may wait for the pool of threads, which has limits of its own. */
const LIMITS = { statement_timeout: 30_000, lock_timeout: 8000, idle_in_transaction_session_timeout: 60_000 };

export function connect(url: string, max = 10, { debug, limited = false }: Options = {}): Connection {
	const sql = postgres(url, {
		max,
		onnotice: () => {},
		connection: { application_name: "zephyr-flats", ...(limited && LIMITS) },
		...(debug && { debug }),
	});
	return { db: drizzle(sql, { schema }), sql, close: () => sql.end({ timeout: 5 }) };
}

export const migrateTo = (db: Database, folder: string): Promise<void> => migrate(db, { migrationsFolder: folder });
