import { piece } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { recordStep } from "./models/record";

const OWNER = "the owner";

/** Handed over. The event says only whether it was the owner; another person's name stays on the piece, where it can be erased. */
export const collect: UseCase<"collect"> = async (context, { pieceId, eventId, seq, by }) => {
	const owner = by === OWNER;
	const { journey, repeated } = await recordStep(context, {
		pieceId,
		eventId,
		seq,
		data: { type: "collected", by: owner ? "owner" : "other" },
	});
	if (!repeated)
		await context.tx
			.update(piece)
			.set({ collectedBy: owner ? null : by })
			.where(eq(piece.id, pieceId));
	return { state: journey.state };
};
