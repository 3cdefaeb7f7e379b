import { refuseAtKiln } from "../firings/models/hands";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";
import { announce } from "./models/announce";

/** Announces several loads of a plan: each is checked by itself; what is refused says why and takes none of the others with it. */
export const acceptPlan: UseCase<"acceptPlan"> = async (context, { loads }) => {
	refuseAtKiln(context, "load");
	const accepted: { firingId: string; number: number }[] = [];
	const refused: { firingId: string; sentence: string }[] = [];
	for (const load of loads)
		try {
			// A part of its own: a load that is refused half way leaves nothing behind.
			accepted.push(await context.tx.transaction((tx) => announce({ ...context, tx }, load)));
		} catch (error) {
			if (!(error instanceof Refusal)) throw error;
			refused.push({ firingId: load.firingId, sentence: error.message });
		}
	return { accepted, refused };
};
