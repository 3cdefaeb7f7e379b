import { sql } from "drizzle-orm";
import type { Transaction } from "../connect";

/** What is counted over several rows, so that a row's own lock does not do. */
const KEYS = { lines: 1, instructors: 2 } as const;
/** First half of the locks' keys. */
const SPACE = 4811;

/** Until the transaction ends nobody else counts the same. */
export async function oneAtATime(tx: Transaction, what: keyof typeof KEYS): Promise<void> {
	await tx.execute(sql`select pg_advisory_xact_lock(${SPACE}::int, ${KEYS[what]}::int)`);
}
