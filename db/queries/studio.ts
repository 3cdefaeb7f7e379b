import { sql } from "drizzle-orm";
import type { Reader, Transaction } from "../connect";
import { studio } from "../schema";

export type Studio = typeof studio.$inferSelect;

export async function loadStudio(reader: Reader): Promise<Studio> {
	const [row] = await reader.select().from(studio).limit(1);
	if (!row) throw new Error("This database holds no studio yet. Run ./start to load the demo.");
	return row;
}

/** Takes the next `count` numbers that pieces' codes are made of; returns the first. */
export async function nextPieceNumbers(tx: Transaction, count: number): Promise<number> {
	const [row] = await tx
		.update(studio)
		.set({ nextPieceNumber: sql`${studio.nextPieceNumber} + ${count}` })
		.returning({ next: studio.nextPieceNumber });
	return (row?.next ?? count) - count;
}
