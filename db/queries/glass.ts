import type { GlassBook } from "@core/stack/lay";
import { eq, inArray } from "drizzle-orm";
import type { Reader, Transaction } from "../connect";
import { glass, glassFamily, kiln, mould, sample } from "../schema";

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
				.select({ id: mould.id })
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
		families: new Map(families.map((one) => [one.id, one])),
		glasses: new Map(glasses.map((one) => [one.id, one])),
		moulds: new Map((await loadMoulds(reader)).map((one) => [one.id, one])),
		...(clearHeightMm !== undefined && { clearHeightMm }),
	};
}

/** A sample's picture, WebP; undefined where it has none or is not there. */
export async function loadSamplePicture(reader: Reader, id: string): Promise<Buffer | undefined> {
	const [row] = await reader.select({ picture: sample.picture }).from(sample).where(eq(sample.id, id));
	return row?.picture ?? undefined;
}
