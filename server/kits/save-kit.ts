import { allParts, glassIdOf, type KitDesign } from "@core/kit/kit";
import type { GlassBook } from "@core/stack/lay";
import { loadGlassBook } from "@db/queries/glass";
import { kitDesign } from "@db/schema";
import { afterPreparing } from "../house/context";
import { Refusal } from "../house/refusal";
import { saved } from "../house/saved";
import { type KeptReading, makeReading } from "./models/kit-reading";

/** Saves the draft of a kit, new or known, with its reading; who saves on an older revision is told. */
export const saveKit = afterPreparing<"saveKit", KeptReading>(
	async ({ db }, { document }) => {
		const book = await loadGlassBook(db);
		refuseUnknownGlass(document, book);
		return makeReading(document, book);
	},
	async ({ tx, now }, { kitId, revision, document }, reading) => {
		const row = { id: kitId, document, ...reading, updatedAt: now };
		return { kitId, revision: await saved(document.name, tx, kitDesign, row, revision) };
	},
);

/** Every glass and mould a kit names has to be in the books. */
function refuseUnknownGlass(design: KitDesign, book: GlassBook): void {
	const problems = allParts(design).flatMap((part, i) => {
		const id = glassIdOf(part);
		if (id === undefined || book.glasses.has(id)) return [];
		const path = i < design.parts.length ? ["document", "parts", i, "glassId"] : ["document", "components"];
		return [{ path, sentence: `${part.name} is cut from a glass this studio does not have.` }];
	});
	const mouldIds = [
		...design.route.flatMap(({ mouldId }) => mouldId ?? []),
		...(design.frameId ? [design.frameId] : []),
	];
	if (mouldIds.some((id) => !book.moulds?.has(id)))
		problems.push({ path: ["document", "route"], sentence: "The route uses a mould this studio does not have." });
	if (problems.length > 0) throw new Refusal("invalid", problems);
}
