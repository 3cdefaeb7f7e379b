import { otherTrays } from "@core/loading/other-trays";
import { lockPieces } from "@db/queries/pieces";
import { loadWaiting } from "@db/queries/waiting";
import type { UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { recordStep } from "./models/record";

/** The instructor lets a waiting piece go with the next hotter or cooler tray. */
export const changeLevel: UseCase<"changeLevel"> = async (context, { pieceId, eventId, seq, level }) => {
	const [row] = await lockPieces(context.tx, [pieceId]);
	const { journey, code } = inTheBook(row, "piece");
	const [waiting] = await loadWaiting(context.tx, [pieceId]);
	const may = waiting ? otherTrays(waiting.body) : [];
	// Sent twice it is there already: the event's own id says so.
	if (journey.level !== level && !may.some((one) => one.level === level))
		throw new Refusal("invalid", [
			{ path: ["level"], sentence: `${code} waits for ${journey.level}: it goes one tray up or down, no further.` },
		]);
	const recorded = await recordStep(context, { pieceId, eventId, seq, data: { type: "levelled", level } });
	return { level: recorded.journey.level };
};
