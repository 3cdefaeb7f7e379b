import { pickupSpot } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";
import { recordStep } from "./models/record";

export const shelve: UseCase<"shelve"> = async (context, { pieceId, eventId, seq, spot }) => {
	const [known] = await context.tx.select().from(pickupSpot).where(eq(pickupSpot.label, spot));
	if (!known) throw new Refusal("invalid", [{ path: ["spot"], sentence: `There is no pickup spot ${spot}.` }]);
	await recordStep(context, { pieceId, eventId, seq, data: { type: "shelved", spot } });
	return { spot };
};
