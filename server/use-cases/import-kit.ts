import type { KitFile } from "@contract/kit-file";
import { inPalette, type KitDesign } from "@core/kit/kit";
import { readKit } from "@core/stack/read-kit";
import type { Transaction } from "@db/connect";
import { loadGlass, loadGlassBook, loadMoulds } from "@db/queries/glass";
import { glass, glassFamily, kitDesign, mould } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../perform";
import { Refusal } from "../refusal";

/** Takes a kit from a file into the book. Glass the studio does not have comes along; a family it does not know is untested. */
export const importKit: UseCase<"importKit"> = {
	role: "instructor",
	async run({ tx, now }, { kitId, file }) {
		const [taken] = await tx.select({ id: kitDesign.id }).from(kitDesign).where(eq(kitDesign.id, kitId));
		if (taken) throw new Refusal("conflict", "This kit is in the book already.");
		const { added, renamed } = await addMissing(tx, file);
		const document = inOwnGlass(file.design, renamed);
		const reading = readKit(document, await loadGlassBook(tx));
		await tx.insert(kitDesign).values({ id: kitId, revision: 1, document, reading, updatedAt: now });
		return { kitId, added };
	},
};

/** Adds what the books lack. A glass whose id means another glass here gets a new id. */
async function addMissing(
	tx: Transaction,
	file: KitFile,
): Promise<{ added: string[]; renamed: Record<string, string> }> {
	const { glasses, families } = await loadGlass(tx);
	const added: string[] = [];
	const renamed: Record<string, string> = {};
	for (const family of file.families) {
		if (families.some(({ id }) => id === family.id)) continue;
		await tx.insert(glassFamily).values({ ...family, tested: false });
		added.push(`family ${family.label}, untested`);
	}
	for (const one of file.glasses) {
		const here = glasses.find(({ id }) => id === one.id);
		if (here && here.familyId === one.familyId && here.form === one.form && here.thicknessMm === one.thicknessMm)
			continue;
		const id = here ? `${one.id.slice(0, 30)}-${added.length + 2}` : one.id;
		if (here) renamed[one.id] = id;
		await tx.insert(glass).values({ ...one, id, priceMinor: null });
		added.push(one.name);
	}
	const moulds = await loadMoulds(tx);
	for (const one of file.moulds) {
		if (moulds.some(({ id }) => id === one.id)) continue;
		await tx.insert(mould).values(one);
		added.push(one.name);
	}
	return { added, renamed };
}

/** The design with this studio's ids for its glasses. */
function inOwnGlass(design: KitDesign, renamed: Record<string, string>): KitDesign {
	const own = { id: "own", name: "own", glass: renamed };
	return { ...inPalette({ ...design, palettes: [own] }, own.id), palettes: design.palettes };
}
