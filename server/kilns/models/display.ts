import type { Transaction } from "@db/connect";
import { displayReading } from "@db/schema";
import { eq } from "drizzle-orm";
import type { Context } from "../../house/context";
import { Refusal } from "../../house/refusal";

/** Writes down what somebody read off a kiln's display. Sent twice it stands once. */
export async function keepDisplay(
	{ tx, now, actor }: Pick<Context, "now" | "actor"> & { tx: Transaction },
	read: { id: string; kilnId: string; firingId: string | null; c: number; readBy: string },
): Promise<void> {
	const [kept] = await tx
		.insert(displayReading)
		.values({ ...read, at: now, actorId: actor.id })
		.onConflictDoNothing()
		.returning({ id: displayReading.id });
	if (kept) return;
	const [again] = await tx.select().from(displayReading).where(eq(displayReading.id, read.id));
	if (again?.kilnId !== read.kilnId || again.c !== read.c || again.readBy !== read.readBy)
		throw new Refusal("conflict", "This was sent under the number of another reading: nothing was written.");
}
