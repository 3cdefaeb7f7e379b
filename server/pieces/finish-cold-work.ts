import type { UseCase } from "../house/context";
import { recordStep } from "./models/record";

/** Ground, washed and dried: on to the next firing of its route, or ready. */
export const finishColdWork: UseCase<"finishColdWork"> = async (context, { pieceId, eventId, seq, note }) => {
	const { journey } = await recordStep(context, { pieceId, eventId, seq, data: { type: "coldWorked", note } });
	return { state: journey.state };
};
