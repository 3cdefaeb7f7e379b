import { randomUUID } from "node:crypto";
import { mayBeLoaded } from "@core/journey/journey";
import { lockFiring, placesIn } from "@db/queries/firings";
import { lockPieces } from "@db/queries/pieces";
import { firing, firingPlace } from "@db/schema";
import { and, eq } from "drizzle-orm";
import { refuseAtKiln } from "../firings/models/hands";
import type { UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";
import { recordSteps } from "../pieces/models/record";
import { planLoad } from "./models/plan-load";

/** Another piece in the place of one that is missing, all others where they lie; the load is checked and timed anew. */
export const replaceInLoad: UseCase<"replaceInLoad"> = async (context, { firingId, outId, inId, inSeq }) => {
	const { tx, now, studio } = context;
	refuseAtKiln(context, "load");
	const row = inTheBook(await lockFiring(tx, firingId), "firing");
	if (row.state !== "planned")
		throw new Refusal("conflict", `Firing ${row.number} has started: nothing is changed in it.`);
	const places = await placesIn(tx, firingId);
	if (places.some(({ pieceId }) => pieceId === inId)) return { firingId };
	const out = inTheBook(
		places.find(({ pieceId }) => pieceId === outId),
		"piece",
	);
	const [piece] = await lockPieces(tx, [inId]);
	if (!piece || piece.seq !== inSeq || !mayBeLoaded(piece.journey, now.toISOString()))
		throw new Refusal("conflict", `${piece?.code ?? "This piece"} cannot be loaded now: look at it in the trays.`);
	const laid = places.map(({ pieceId, xMm, yMm, turnDeg, shelf }) => ({
		id: pieceId === outId ? inId : pieceId,
		...{ xMm, yMm, turnDeg, shelf },
	}));
	const ids = laid.map(({ id }) => id);
	const { proposal, family } = await planLoad(tx, studio, row.kilnId, ids, { laid });
	if (family.id !== row.familyId) throw new Refusal("invalid", `${piece.code} is of another family than this load.`);
	const its = proposal.places.find(({ id }) => id === inId);
	if (!its) throw new Refusal("conflict", `${piece.code} does not fit in that place.`);
	await tx.delete(firingPlace).where(and(eq(firingPlace.firingId, firingId), eq(firingPlace.pieceId, outId)));
	const { id: _, ...lies } = its;
	await tx.insert(firingPlace).values({
		...{ firingId, pieceId: inId, ...lies, loadedAt: now },
		costHours: proposal.costHours[inId] ?? 0,
		expectedLevel: out.expectedLevel,
	});
	const { schedule, setBy, airMin, openS, kwh, flow } = proposal;
	await tx
		.update(firing)
		.set({ schedule, setBy, airMin, openS, kwh, flow, scheduleVersionId: null })
		.where(eq(firing.id, firingId));
	await recordSteps(context, [
		{ pieceId: outId, eventId: randomUUID(), data: { type: "takenOut", firingId } },
		{ pieceId: inId, eventId: randomUUID(), seq: inSeq, data: { type: "placed", firingId } },
	]);
	return { firingId };
};
