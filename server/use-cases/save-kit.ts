import { readKit } from "@core/stack/read-kit";
import { loadGlassBook } from "@db/queries/glass";
import { kitDesign } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../perform";
import { Refusal } from "../refusal";

/** Saves the draft of a kit, new or known, with its reading; who saves on an older revision is told. */
export const saveKit: UseCase<"saveKit"> = {
	role: "instructor",
	async run({ tx, now }, { kitId, revision, document }) {
		const book = await loadGlassBook(tx);
		document.parts.forEach((part, i) => {
			if (!book.glasses.has(part.glassId)) {
				throw new Refusal("invalid", [
					{
						path: ["document", "parts", i, "glassId"],
						sentence: `${part.name} is of a glass that is not in the book.`,
					},
				]);
			}
		});
		const [present] = await tx.select().from(kitDesign).where(eq(kitDesign.id, kitId)).for("update");
		if ((present?.revision ?? 0) !== revision) {
			throw new Refusal(
				"conflict",
				`Somebody saved “${present?.document.name ?? document.name}” meanwhile. Open it again in another tab and compare; what you drew is still here.`,
			);
		}
		const row = { id: kitId, revision: revision + 1, document, reading: readKit(document, book), updatedAt: now };
		await tx.insert(kitDesign).values(row).onConflictDoUpdate({ target: kitDesign.id, set: row });
		return { kitId, revision: row.revision };
	},
};
