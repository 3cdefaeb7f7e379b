import type { UseCase } from "../house/context";
import { recordStep } from "./models/record";

/** A waiting piece as somebody measured it now, with what was added to it since. */
export const measure: UseCase<"measure"> = async (context, { pieceId, eventId, seq, asMade }) => {
	const { journey } = await recordStep(context, { pieceId, eventId, seq, data: { type: "measured", asMade } });
	return { seq: journey.seq };
};
