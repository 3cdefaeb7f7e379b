import { lockFiring } from "@db/queries/firings";
import { firingPlace, piece } from "@db/schema";
import { and, eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { recordStep } from "../pieces/models/record";

/** What came out, piece by piece, and where it goes next. */
export const judge: UseCase<"judge"> = async (
	context,
	{ pieceId, eventId, seq, firingId, level, faults, next, note, good },
) => {
	const { tx } = context;
	const row = inTheBook(await lockFiring(tx, firingId), "firing");
	if (row.state !== "opened") throw new Refusal("conflict", `Firing ${row.number} has not been opened yet.`);
	const [held] = await tx.select().from(piece).where(eq(piece.id, pieceId));
	if (held?.journey.firingId !== firingId && held?.seq === seq)
		throw new Refusal("conflict", "This piece was not in that firing.");
	if (next === "nextFiring" && held?.seq === seq && !held.journey.route[held.journey.step + 1]) {
		throw new Refusal("invalid", [
			{ path: ["next"], sentence: "The route has no further firing: choose ready, cold work, refire or spoiled." },
		]);
	}
	if (good === 0 && next !== "refire" && next !== "spoiled")
		throw new Refusal("invalid", [{ path: ["next"], sentence: "None of them is good: choose refire or spoiled." }]);
	const { journey, repeated } = await recordStep(context, {
		pieceId,
		eventId,
		seq,
		data: { type: "judged", firingId, level, faults, next, note, ...(good !== undefined && { good }) },
	});
	if (!repeated) {
		await tx
			.update(firingPlace)
			.set({ judgedLevel: level, faults, next })
			.where(and(eq(firingPlace.firingId, firingId), eq(firingPlace.pieceId, pieceId)));
	}
	return { state: journey.state };
};
