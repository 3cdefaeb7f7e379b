import { lockImport, removeImport } from "@db/queries/readings";
import { kilnImport } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { inTheBook } from "../house/refusal";

/** A log that was brought in by mistake goes again, with every reading that came by it; one on its way ends there. */
export const takeBackImport: UseCase<"takeBackImport"> = async ({ tx, now }, { importId }) => {
	const batch = inTheBook(await lockImport(tx, importId), "log");
	if (batch.takenBackAt) return { importId, removed: batch.added };
	const removed = await removeImport(tx, batch);
	await tx.update(kilnImport).set({ takenBackAt: now }).where(eq(kilnImport.id, importId));
	return { importId, removed };
};
