import { loadFiring, loadNote } from "@db/queries/firings";
import { latestLive } from "@db/queries/readings";
import { firingNote } from "@db/schema";
import type { UseCase } from "../house/context";
import { inTheBook, Refusal } from "../house/refusal";

/** A note in a firing's log, with the time the kiln itself counts. */
export const noteFiring: UseCase<"noteFiring"> = async ({ tx, now, actor }, { noteId, firingId, text }) => {
	const row = inTheBook(await loadFiring(tx, firingId), "firing");
	const again = await loadNote(tx, noteId);
	if (again && (again.firingId !== firingId || again.text !== text))
		throw new Refusal("conflict", "This was sent under the number of another note: nothing was written.");
	const reading = await latestLive(tx, row.kilnId, now);
	const elapsedS = reading?.firingId === firingId ? reading.elapsedS : null;
	await tx
		.insert(firingNote)
		.values({ id: noteId, firingId, at: now, elapsedS, text, actorId: actor.id })
		.onConflictDoNothing();
	return { noteId };
};
