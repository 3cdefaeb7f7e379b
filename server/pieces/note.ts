import type { UseCase } from "../house/context";
import { recordStep } from "./models/record";

export const note: UseCase<"note"> = async (context, { pieceId, eventId, note: text }) => {
	const { journey } = await recordStep(context, { pieceId, eventId, data: { type: "noted", note: text } });
	return { seq: journey.seq };
};
