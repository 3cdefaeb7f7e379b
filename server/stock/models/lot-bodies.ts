import type { PieceToFire } from "@core/firing/demand";
import { inPalette } from "@core/kit/kit";
import { componentStack } from "@core/stack/firing-stacks";
import type { GlassBook } from "@core/stack/lay";
import { mainFamily, pieceToFire } from "@core/stack/outlook";
import { lotToFire } from "@core/stock/lots";
import type { Reader } from "@db/connect";
import type { lockLots } from "@db/queries/bags";
import { loadGlassBook } from "@db/queries/glass";
import { kitVersion } from "@db/schema";
import { inArray } from "drizzle-orm";

export type LotRow = Awaited<ReturnType<typeof lockLots>>[number];

/** One of a lot, as a schedule has to know it, and the family it is of; none where nobody knows its glass. */
interface LotBody {
	toFire: PieceToFire;
	familyId: string | undefined;
}

/** What lots ask of a firing: parts of a kit as the kit is laid up, dots as dots. */
export async function lotBodies(reader: Reader, lots: readonly LotRow[]): Promise<Map<string, LotBody>> {
	const book = await loadGlassBook(reader);
	const ids = [...new Set(lots.flatMap(({ kitVersionId }) => kitVersionId ?? []))];
	const kits = ids.length > 0 ? await reader.select().from(kitVersion).where(inArray(kitVersion.id, ids)) : [];
	return new Map(
		lots.map((lot) => {
			const kit = kits.find(({ id }) => id === lot.kitVersionId);
			const drawn =
				kit && lot.componentId
					? componentStack(inPalette(kit.document, lot.paletteId), lot.componentId, book)
					: undefined;
			return [lot.id, drawn ? { toFire: pieceToFire(drawn), familyId: mainFamily(drawn) } : plain(lot, book)];
		}),
	);
}

const plain = ({ name, sizeMm, level, glassId, onFamilyId }: LotRow, { glasses }: GlassBook): LotBody => ({
	toFire: lotToFire(name, sizeMm, level),
	familyId: onFamilyId ?? glasses.get(glassId ?? "")?.familyId,
});
