import type { UseCase } from "../house/context";
import { dryFrom } from "./models/dry-from";
import { recordStep } from "./models/record";

/** The student's piece as it really is: measured, glued, and with its fuse level decided again. */
export const handIn: UseCase<"handIn"> = async (context, { pieceId, eventId, seq, asMade, glue, level }) => {
	const readyFrom = dryFrom(context, glue);
	const { journey, code } = await recordStep(context, {
		pieceId,
		eventId,
		seq,
		data: { type: "handedIn", asMade, glue, readyFrom, level },
	});
	return { code, readyFrom: journey.readyFrom ?? readyFrom };
};
