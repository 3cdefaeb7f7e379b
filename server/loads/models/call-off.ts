import { randomUUID } from "node:crypto";
import { freeLots } from "@db/queries/bags";
import { lockFiring, placesIn } from "@db/queries/firings";
import { firing, firingPlace } from "@db/schema";
import { eq } from "drizzle-orm";
import type { Context } from "../../house/context";
import { inTheBook, Refusal } from "../../house/refusal";
import { recordSteps } from "../../pieces/models/record";

/** Calls an announced firing off: every piece goes back to its tray. Tells which. */
export async function callOff(context: Context, firingId: string): Promise<string[]> {
	const { tx } = context;
	const row = inTheBook(await lockFiring(tx, firingId), "firing");
	if (row.state === "cancelled") return [];
	if (row.state !== "planned")
		throw new Refusal(
			"conflict",
			`Firing ${row.number} has started and cannot be called off here. Stop it at the kiln.`,
		);
	const ids = (await placesIn(tx, firingId)).map(({ pieceId }) => pieceId);
	await recordSteps(
		context,
		ids.map((pieceId) => ({ pieceId, eventId: randomUUID(), data: { type: "takenOut", firingId } })),
	);
	await tx.delete(firingPlace).where(eq(firingPlace.firingId, firingId));
	await freeLots(tx, firingId);
	await tx.update(firing).set({ state: "cancelled" }).where(eq(firing.id, firingId));
	return ids;
}
