import { firingOf } from "@db/queries/firings";
import { loadKiln } from "@db/queries/kilns";
import type { UseCase } from "../house/context";
import { inTheBook } from "../house/refusal";
import { keepDisplay } from "./models/display";

/** A temperature that somebody read off a kiln's own display: shown as read, by whom, for a quarter of an hour. */
export const readDisplay: UseCase<"readDisplay"> = async (context, { readingId, kilnId, c, readBy }) => {
	const { id } = inTheBook(await loadKiln(context.tx, kilnId), "kiln");
	const running = await firingOf(context.tx, id, "running");
	await keepDisplay(context, { id: readingId, kilnId: id, firingId: running?.id ?? null, c, readBy });
	return { readingId };
};
