import { randomUUID } from "node:crypto";
import { freeLots } from "@db/queries/bags";
import { lockFiring, placesIn } from "@db/queries/firings";
import { firing, firingPlace } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { recordSteps } from "../pieces/models/record";

/** Calls a planned firing off: every piece goes back to its tray. */
export const cancelFiring: UseCase<"cancelFiring"> = async (context, { firingId }) => {
	const { tx } = context;
	const row = inTheBook(await lockFiring(tx, firingId), "firing");
	if (row.state === "cancelled") return { released: 0 };
	if (row.state !== "planned")
		throw new Refusal(
			"conflict",
			`Firing ${row.number} has started and cannot be called off here. Stop it at the kiln.`,
		);
	const places = await placesIn(tx, firingId);
	await recordSteps(
		context,
		places.map(({ pieceId }) => ({ pieceId, eventId: randomUUID(), data: { type: "takenOut", firingId } })),
	);
	await tx.delete(firingPlace).where(eq(firingPlace.firingId, firingId));
	await freeLots(tx, firingId);
	await tx.update(firing).set({ state: "cancelled" }).where(eq(firing.id, firingId));
	return { released: places.length };
};
