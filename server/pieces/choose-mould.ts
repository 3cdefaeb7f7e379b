import { mouldsFor } from "@core/kit/moulds-for";
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
	const { journey: before, code } = inTheBook(row, "piece");
	const { journey, repeated } = await recordStep(context, {
		...{ pieceId, eventId, seq },
		data: { type: "remoulded", mouldId },
	});
	// Sent twice it is there already, whatever became of piece and mould since.
	if (repeated) return { seq: journey.seq };
	const refused = (sentence: string) => new Refusal("invalid", [{ path: ["mouldId"], sentence }]);
	if (!before.route[before.step]?.mouldId) throw refused(`${code} is fired on the shelf, on no mould.`);
	const [its] = await tx.select().from(mould).where(eq(mould.id, mouldId));
	const chosen = inTheBook(its, "mould");
	const [waiting] = await loadWaiting(tx, [pieceId]);
	const trouble = mouldTrouble(chosen, waiting?.body);
	if (trouble === "putAway") throw refused(`“${chosen.name}” is put away: bring it back first.`);
	if (mouldsFor([chosen], before.level).length === 0)
		throw refused(`“${chosen.name}” does not serve the firing that ${code} waits for.`);
	if (trouble === "tooSmall") throw refused(`${code} is larger than the opening of “${chosen.name}”.`);
	return { seq: journey.seq };
};
