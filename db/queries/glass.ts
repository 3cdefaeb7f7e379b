import { byId } from "@core/by-id";
import type { GlassBook } from "@core/stack/lay";
import { and, asc, count, eq, inArray, isNotNull, isNull } from "drizzle-orm";
import type { Reader, Transaction } from "../connect";
import { componentLot, firing, glass, glassFamily, kiln, mould, piece, sample } from "../schema";

/** Families and glasses; prices only where they are asked for, so that no view shows money by accident. */
export async function loadGlass(reader: Reader, { prices = false } = {}) {
	const families = await reader.select().from(glassFamily).orderBy(glassFamily.id);
	const glasses = await reader.select().from(glass).orderBy(glass.familyId, glass.form, glass.name);
	return { families, glasses: prices ? glasses : glasses.map((one) => ({ ...one, priceMinor: null })) };
}

/** Moulds whose number in kilns must not change meanwhile. @param ids in one order for everybody */
export const lockMoulds = (tx: Transaction, ids: readonly string[]) =>
	ids.length === 0
		? Promise.resolve([])
		: tx
				.select({ id: mould.id, release: mould.release })
				.from(mould)
				.where(inArray(mould.id, [...ids]))
				.orderBy(mould.id)
				.for("update");

export const loadMoulds = (reader: Reader) => reader.select().from(mould).orderBy(mould.kind, mould.name);

/** Clear height of the tallest kiln, mm; undefined without a kiln. */
export async function loadClearHeightMm(reader: Reader): Promise<number | undefined> {
	const kilns = await reader.select({ mm: kiln.clearHeightMm }).from(kiln).where(eq(kiln.retired, false));
	return kilns.length > 0 ? Math.max(...kilns.map(({ mm }) => mm)) : undefined;
}

export async function loadGlassBook(reader: Reader): Promise<GlassBook> {
	const { families, glasses } = await loadGlass(reader);
	const clearHeightMm = await loadClearHeightMm(reader);
	return {
		families: byId(families),
		glasses: byId(glasses),
		moulds: byId(await loadMoulds(reader)),
		...(clearHeightMm !== undefined && { clearHeightMm }),
	};
}

/** A sample's picture, WebP; undefined where it has none or is not there. */
export async function loadSamplePicture(reader: Reader, id: string): Promise<Buffer | undefined> {
	const [row] = await reader.select({ picture: sample.picture }).from(sample).where(eq(sample.id, id));
	return row?.picture ?? undefined;
}

/** How many glasses of a family are in the book, those put away not counted. */
export async function glassesOf(reader: Reader, familyId: string): Promise<number> {
	const [row] = await reader
		.select({ n: count() })
		.from(glass)
		.where(and(eq(glass.familyId, familyId), eq(glass.retired, false)));
	return row?.n ?? 0;
}

/** Pieces of one family that lie in no firing are of another one. Tells how many. */
export async function movePieces(tx: Transaction, from: string, to: string): Promise<number> {
	const moved = await tx
		.update(piece)
		.set({ familyId: to })
		.where(and(eq(piece.familyId, from), inArray(piece.state, ["new", "issued", "queued"])))
		.returning({ id: piece.id });
	return moved.length;
}

/** Strain tests that nobody has read yet, the oldest first, with the firing each lies in or is planned for. */
export const openStrainTests = (reader: Reader) =>
	reader
		.select({
			...{ id: componentLot.id, glassId: componentLot.glassId, onFamilyId: componentLot.onFamilyId },
			...{ firingId: firing.id, number: firing.number, kiln: kiln.name, state: firing.state },
		})
		.from(componentLot)
		.leftJoin(firing, eq(firing.id, componentLot.firingId))
		.leftJoin(kiln, eq(kiln.id, firing.kilnId))
		.where(and(isNull(componentLot.firedAt), isNotNull(componentLot.onFamilyId)))
		.orderBy(asc(componentLot.wantedAt));

/** Moulds that are not fired: glass only lies in them on the bench. */
export async function frameIds(reader: Reader): Promise<Set<string>> {
	const rows = await reader.select({ id: mould.id }).from(mould).where(eq(mould.kind, "frame"));
	return new Set(rows.map(({ id }) => id));
}
