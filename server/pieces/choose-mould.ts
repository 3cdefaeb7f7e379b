import { mouldTrouble } from "@core/loading/mould-problem";
import { lockPieces } from "@db/queries/pieces";
import { loadWaiting } from "@db/queries/waiting";
import { mould } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { recordStep } from "./models/record";

/** A waiting piece is fired on another mould than its kit says: its own is too small, cracked or put away. */
export const chooseMould: UseCase<"chooseMould"> = async (context, { pieceId, eventId, seq, mouldId }) => {
	const { tx } = context;
	const [row] = await lockPieces(tx, [pieceId]);
	const { journey, code } = inTheBook(row, "piece");
	const refused = (sentence: string) => new Refusal("invalid", [{ path: ["mouldId"], sentence }]);
	if (!journey.route[journey.step]?.mouldId) throw refused(`${code} is fired on the shelf, on no mould.`);
	const [its] = await tx.select().from(mould).where(eq(mould.id, mouldId));
	const chosen = inTheBook(its, "mould");
	if (chosen.kind === "frame") throw refused(`“${chosen.name}” is a frame to lay up in: it is not fired.`);
	const [waiting] = await loadWaiting(tx, [pieceId]);
	const trouble = mouldTrouble(chosen, waiting?.body);
	if (trouble === "putAway") throw refused(`“${chosen.name}” is put away: bring it back first.`);
	if (trouble === "tooSmall") throw refused(`${code} is larger than the opening of “${chosen.name}”.`);
	const recorded = await recordStep(context, { pieceId, eventId, seq, data: { type: "remoulded", mouldId } });
	return { seq: recorded.journey.seq };
};
