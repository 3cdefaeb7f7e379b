import type { KitFile } from "@contract/documents/kit-file";
import { inPalette, type KitDesign } from "@core/kit/kit";
import type { Mould } from "@core/kit/mould";
import type { GlassBook } from "@core/stack/read-kit";
import { loadGlassBook } from "@db/queries/glass";
import { writeRevised } from "@db/queries/revised";
import { glass, glassFamily, kitDesign, mould } from "@db/schema";
import { afterPreparing } from "../house/context";
import { Refusal } from "../house/refusal";
import { type KeptReading, makeReading } from "./models/kit-reading";

/** Takes a kit from a file into the book. Glass the studio does not have comes along; a family it does not know is untested. */
export const importKit = afterPreparing<"importKit", Missing & { document: KitDesign; kept: KeptReading }>(
	async ({ db }, { file }) => {
		const book = await loadGlassBook(db);
		const missing = missingIn(book, file);
		const document = inOwnGlass(file.design, missing.renamed);
		return { ...missing, document, kept: await makeReading(document, withMissing(book, missing)) };
	},
	async ({ tx, now }, { kitId }, { families, glasses, moulds, document, kept }) => {
		for (const one of families) await tx.insert(glassFamily).values(one).onConflictDoNothing();
		for (const one of glasses) await tx.insert(glass).values(one).onConflictDoNothing();
		for (const one of moulds) await tx.insert(mould).values(one).onConflictDoNothing();
		const row = { id: kitId, document, ...kept, updatedAt: now };
		const written = await writeRevised(tx, kitDesign, row, 0);
		if (written === undefined) throw new Refusal("conflict", "This kit is in the book already.");
		const added = [
			...families.map(({ label }) => `family ${label}, untested`),
			...[...glasses, ...moulds].map(({ name }) => name),
		];
		return { kitId, added };
	},
);

interface Missing {
	families: KitFile["families"];
	glasses: KitFile["glasses"];
	moulds: Mould[];
	/** New ids of glasses whose id means another glass here. */
	renamed: Record<string, string>;
}

/** What a file names that the books lack. */
function missingIn(book: GlassBook, file: KitFile): Missing {
	const renamed: Record<string, string> = {};
	const glasses = file.glasses.flatMap((one, i) => {
		const here = book.glasses.get(one.id);
		if (here?.familyId === one.familyId && here.form === one.form && here.thicknessMm === one.thicknessMm) return [];
		const id = here ? `${one.id.slice(0, 30)}-${i + 2}` : one.id;
		if (here) renamed[one.id] = id;
		return [{ ...one, id, priceMinor: null }];
	});
	return {
		families: file.families.filter(({ id }) => !book.families.has(id)).map((one) => ({ ...one, tested: false })),
		glasses,
		// How many there are of it here is not in the file.
		moulds: file.moulds.filter(({ id }) => !book.moulds?.has(id)).map((one) => ({ ...one, count: 1 })),
		renamed,
	};
}

const withMissing = (book: GlassBook, { families, glasses, moulds }: Missing): GlassBook => ({
	...book,
	families: new Map([...book.families, ...families.map((one) => [one.id, one] as const)]),
	glasses: new Map([...book.glasses, ...glasses.map((one) => [one.id, one] as const)]),
	moulds: new Map([...(book.moulds ?? []), ...moulds.map((one) => [one.id, one] as const)]),
});

/** The design with this studio's ids for its glasses. */
function inOwnGlass(design: KitDesign, renamed: Record<string, string>): KitDesign {
	const own = { id: "own", name: "own", glass: renamed };
	return { ...inPalette({ ...design, palettes: [own] }, own.id), palettes: design.palettes };
}
