import { lastUndoable } from "@core/journey/journey";
import { eventsOf, lockPieces } from "@db/queries/pieces";
import { firingPlace } from "@db/schema";
import { and, eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";
import { eventOf, recordStep } from "./models/record";

/** Takes back the last step of one piece. The record keeps both. */
export const undo: UseCase<"undo"> = async (context, { pieceId, eventId, seq }) => {
	const { tx } = context;
	await lockPieces(tx, [pieceId]);
	const seen = (await eventsOf(tx, [pieceId])).map(eventOf).filter((event) => event.seq <= seq);
	const target = lastUndoable(seen);
	if (!target) throw new Refusal("conflict", "There is nothing here that can be undone.");
	const data = { type: "undone" as const, undoes: target.seq };
	const { journey, repeated } = await recordStep(context, { pieceId, eventId, seq, data });
	if (!repeated && target.type === "judged") {
		await tx
			.update(firingPlace)
			.set({ judgedLevel: null, faults: null, next: null })
			.where(and(eq(firingPlace.pieceId, pieceId), eq(firingPlace.firingId, target.firingId)));
	}
	return { state: journey.state };
};
