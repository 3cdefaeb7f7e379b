import { allParts, glassIdOf, type KitDesign } from "@core/kit/kit";
import type { GlassBook } from "@core/stack/lay";
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
		refuseUnknownGlass(document, book);
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

/** Every glass and mould a kit names has to be in the books. */
function refuseUnknownGlass(design: KitDesign, book: GlassBook): void {
	const problems = allParts(design).flatMap((part, i) => {
		const id = glassIdOf(part);
		if (id === undefined || book.glasses.has(id)) return [];
		const path = i < design.parts.length ? ["document", "parts", i, "glassId"] : ["document", "components"];
		return [{ path, sentence: `${part.name} is of a glass that is not in the book.` }];
	});
	const mouldIds = [
		...design.route.flatMap(({ mouldId }) => mouldId ?? []),
		...(design.frameId ? [design.frameId] : []),
	];
	if (mouldIds.some((id) => !book.moulds?.has(id)))
		problems.push({ path: ["document", "route"], sentence: "The route names a mould that is not in the book." });
	if (problems.length > 0) throw new Refusal("invalid", problems);
}
