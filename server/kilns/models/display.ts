import type { Transaction } from "@db/connect";
import { displayReading } from "@db/schema";
import type { Context } from "../../house/context";

/** Writes down what somebody read off a kiln's display. Sent twice it stands once. */
export async function keepDisplay(
	{ tx, now, actor }: Pick<Context, "now" | "actor"> & { tx: Transaction },
	read: { id: string; kilnId: string; firingId: string | null; c: number; readBy: string },
): Promise<void> {
	await tx
		.insert(displayReading)
		.values({ ...read, at: now, actorId: actor.id })
		.onConflictDoNothing();
}
