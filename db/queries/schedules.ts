import { eq } from "drizzle-orm";
import type { Transaction } from "../connect";
import { schedule } from "../schema";

/** A kept schedule's row for as long as the transaction lasts. */
export async function lockSchedule(tx: Transaction, id: string) {
	const [row] = await tx.select().from(schedule).where(eq(schedule.id, id)).for("no key update");
	return row;
}
