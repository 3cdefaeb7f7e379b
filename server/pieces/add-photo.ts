import { photo } from "@db/schema";
import type { UseCase } from "../house/context";
import { kept } from "../house/uploads";
import { recordStep } from "./models/record";

/** Keeps a photo of a piece as one step of its journey. */
export const addPhoto: UseCase<"addPhoto"> = async (context, { pieceId, eventId }) => {
	const step = { pieceId, eventId, data: { type: "photographed" as const, photoId: eventId } };
	const { repeated } = await recordStep(context, step);
	if (!repeated)
		await context.tx.insert(photo).values({ id: eventId, pieceId, takenAt: context.now, ...kept(context) });
	return { photoId: eventId };
};
