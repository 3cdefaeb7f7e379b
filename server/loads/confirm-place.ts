import { readCode } from "@core/journey/code";
import { mayBeLoaded, STATE_WORDS } from "@core/journey/journey";
import { lockFiring, placesIn } from "@db/queries/firings";
import { pieceByCode } from "@db/queries/pieces";
import { firingPlace } from "@db/schema";
import { and, eq } from "drizzle-orm";
import { refuseAtKiln } from "../firings/models/hands";
import type { UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";

/** Somebody scanned a piece while laying a load: it lies in its place, or it does not belong here. */
export const confirmPlace: UseCase<"confirmPlace"> = async (context, { firingId, code: typed }) => {
	const { tx, now } = context;
	refuseAtKiln(context, "load");
	const code = readCode(typed);
	if (!code) throw new Refusal("invalid", [{ path: ["code"], sentence: `“${typed}” is no piece’s code: look again.` }]);
	const row = inTheBook(await lockFiring(tx, firingId), "firing");
	if (row.state !== "planned")
		throw new Refusal("conflict", `Firing ${row.number} has started: nothing is laid in it.`);
	const piece = await pieceByCode(tx, code);
	const places = await placesIn(tx, firingId);
	const place = places.find(({ pieceId }) => pieceId === piece?.id);
	if (!piece || !place) {
		const mayReplace =
			piece !== undefined &&
			piece.familyId === row.familyId &&
			piece.level === row.level &&
			mayBeLoaded(piece.journey, now.toISOString());
		const sentence = piece
			? `${code} is not in this load: it is ${STATE_WORDS[piece.state]}.`
			: `${code} is no piece of this studio.`;
		return { is: "extra", pieceId: piece?.id ?? null, code, sentence, mayReplace };
	}
	if (!place.loadedAt)
		await tx
			.update(firingPlace)
			.set({ loadedAt: now })
			.where(and(eq(firingPlace.firingId, firingId), eq(firingPlace.pieceId, piece.id)));
	const left = places.filter(({ pieceId, loadedAt }) => !loadedAt && pieceId !== piece.id).length;
	return { is: "placed", pieceId: piece.id, code, left };
};
