import { createHash } from "node:crypto";
import { allParts, glassIdOf, type KitDesign } from "@core/kit/kit";
import type { PacedHours } from "@core/stack/outlook";
import type { GlassBook, KitReading } from "@core/stack/read-kit";
import { CORE_VERSION } from "@core/version";
import { inPool } from "../../heavy/in-pool";

/** A reading as it is kept: with a mark of the core and of all it looked up in the books. */
export interface KeptReading {
	reading: KitReading;
	hoursAt: PacedHours[];
	readWith: string;
}

export const makeReading = async (design: KitDesign, book: GlassBook): Promise<KeptReading> => ({
	...(await inPool("readAndTime", { design, book })),
	readWith: markOf(design, book),
});

/** The kept reading while the core and the books are those it was made with; made anew otherwise. */
export const currentReading = async (
	kept: KeptReading & { document: KitDesign },
	book: GlassBook,
): Promise<KeptReading> =>
	isCurrent(kept, book)
		? { reading: kept.reading, hoursAt: kept.hoursAt, readWith: kept.readWith }
		: makeReading(kept.document, book);

export const isCurrent = (
	{ document, readWith }: { document: KitDesign; readWith: string },
	book: GlassBook,
): boolean => readWith === markOf(document, book);

/** Changes with the core's version and with every glass, family or mould that the kit names. */
function markOf(design: KitDesign, { glasses, families, moulds, clearHeightMm }: GlassBook): string {
	const glassIds = [...new Set(allParts(design).flatMap((part) => glassIdOf(part) ?? []))].sort();
	const used = glassIds.flatMap((id) => glasses.get(id) ?? []);
	const familyIds = [...new Set(used.map(({ familyId }) => familyId))].sort();
	const mouldIds = [...design.route.flatMap(({ mouldId }) => mouldId ?? []), design.frameId ?? ""].sort();
	const lookedUp = [
		CORE_VERSION,
		used,
		familyIds.map((id) => families.get(id)),
		mouldIds.map((id) => moulds?.get(id)),
		clearHeightMm,
	];
	return createHash("sha256").update(JSON.stringify(lookedUp)).digest("base64url").slice(0, 22);
}
