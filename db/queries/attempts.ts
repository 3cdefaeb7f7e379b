import { eq, lt, sql } from "drizzle-orm";
import type { Database, Transaction } from "../connect";
import { attempt } from "../schema";

/** What is known of tries under a key, for as long as the transaction lasts; none are known of a new one. */
export async function lockAttempt(tx: Transaction, key: string, now: Date) {
	await tx.insert(attempt).values({ key, tries: 0, lastAt: now }).onConflictDoNothing();
	const [row] = await tx.select().from(attempt).where(eq(attempt.key, key)).for("update");
	return row as NonNullable<typeof row>;
}

export const writeAttempt = (tx: Transaction, key: string, tries: number, lastAt: Date) =>
	tx.update(attempt).set({ tries, lastAt }).where(eq(attempt.key, key));

export const forgetAttempts = (db: Database, key: string) => db.delete(attempt).where(eq(attempt.key, key));

export const takeOff = (db: Database, key: string) =>
	db
		.update(attempt)
		.set({ tries: sql`greatest(${attempt.tries} - 1, 0)` })
		.where(eq(attempt.key, key));

/** Tries older than this count for nothing any longer, ms. */
const OLD_MS = 86_400_000;

/** Forgets what nobody asks for again: a stranger can try any number of names. Returns how many. */
export async function sweepAttempts(db: Database): Promise<number> {
	const old = new Date(Date.now() - OLD_MS);
	return (await db.delete(attempt).where(lt(attempt.lastAt, old)).returning({ key: attempt.key })).length;
}
