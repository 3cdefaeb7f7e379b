import { loadGlassBook } from "@db/queries/glass";
import { kiln, sample } from "@db/schema";
import { eq } from "drizzle-orm";
import { inPool } from "../heavy/in-pool";
import { afterPreparing } from "../house/context";
import { Refusal } from "../house/refusal";
import { saved } from "../house/saved";

/** Keeps what was tried and what came of it; its stack code is read, not typed. */
export const saveSample = afterPreparing<"saveSample", { stackCode: string }>(
	async ({ db }, { document }) => inPool("readKit", { design: document, book: await loadGlassBook(db) }),
	async ({ tx }, { sampleId, revision, ...fields }, { stackCode }) => {
		if (fields.kilnId) {
			const [known] = await tx.select({ id: kiln.id }).from(kiln).where(eq(kiln.id, fields.kilnId));
			if (!known) throw new Refusal("invalid", "There is no such kiln in this studio.");
		}
		const row = { id: sampleId, ...fields, stackCode };
		return { sampleId, revision: await saved(row.name, tx, sample, row, revision) };
	},
);
