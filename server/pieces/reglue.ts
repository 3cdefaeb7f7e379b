import type { UseCase } from "../house/context";
import { dryFrom } from "./models/dry-from";
import { recordStep } from "./models/record";

/** Glued again after something came loose: dries anew. */
export const reglue: UseCase<"reglue"> = async (context, { pieceId, eventId, seq, glue }) => {
	const readyFrom = dryFrom(context, glue);
	const { journey } = await recordStep(context, {
		pieceId,
		eventId,
		seq,
		data: { type: "reglued", glue, readyFrom },
	});
	return { readyFrom: journey.readyFrom ?? readyFrom };
};
