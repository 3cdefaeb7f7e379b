import type { GlassBook } from "@core/stack/read-kit";
import type { Reader } from "../connect";
import { glass, glassFamily } from "../schema";

export async function loadGlass(reader: Reader) {
	const families = await reader.select().from(glassFamily).orderBy(glassFamily.id);
	const glasses = await reader.select().from(glass).orderBy(glass.familyId, glass.name);
	return { families, glasses };
}

export async function loadGlassBook(reader: Reader): Promise<GlassBook> {
	const { families, glasses } = await loadGlass(reader);
	return {
		families: new Map(families.map((one) => [one.id, one])),
		glasses: new Map(glasses.map((one) => [one.id, one])),
	};
}
