import { writeKitFile } from "@contract/documents/kit-file";
import { id } from "@contract/fields";
import { byId } from "@core/by-id";
import { inPalette, type KitDesign } from "@core/kit/kit";
import { PAPER_SIZES } from "@core/studio/customs";
import type { Units } from "@core/units/phrase";
import type { Database } from "@db/connect";
import { loadGlass, loadGlassBook, loadMoulds } from "@db/queries/glass";
import { loadStudio } from "@db/queries/studio";
import { kitDesign, kitVersion } from "@db/schema";
import { kitDxf } from "@formats/kit-dxf";
import { kitSvg } from "@formats/kit-svg";
import { and, eq } from "drizzle-orm";
import { inPool } from "../heavy/in-pool";
import { fileName, type OpenFile } from "../house/open-file";
import { Refusal } from "../house/refusal";
import { isCurrent, type KeptReading } from "./models/kit-reading";

export interface FileWish {
	kitId: string;
	file: string;
	version: number | undefined;
	palette: string | undefined;
	/** The studio’s own where nothing is said. */
	paper: string | undefined;
	units: Units;
}

/** A kit as a file of an open format: its draft as saved last, or a version as frozen, in one of its palettes. */
export async function kitFileOf(db: Database, wish: FileWish): Promise<OpenFile> {
	const kept = await keptOf(db, wish);
	const { document } = kept;
	const design = inPalette(document, wish.palette);
	const { glasses, families } = await loadGlass(db);
	const moulds = await loadMoulds(db);
	const glassById = byId(glasses);
	const name = fileName(design.name, "kit");
	switch (wish.file) {
		case "kit.json":
			return {
				body: writeKitFile(document, { glasses, families, moulds }),
				type: "application/json",
				name: `${name}.kit.json`,
			};
		case "kit.svg":
			return { body: kitSvg(design, glassById), type: "image/svg+xml", name: `${name}.svg` };
		case "kit.dxf":
			return { body: kitDxf(design, glassById), type: "image/vnd.dxf", name: `${name}.dxf` };
		case "kit.pdf": {
			const studio = await loadStudio(db);
			const paper = PAPER_SIZES.find((size) => size === (wish.paper ?? studio.customs.paper));
			if (!paper) throw new Refusal("invalid", "Paper is a4 or letter.");
			const palette = document.palettes.find(({ id }) => id === wish.palette);
			const edition = [
				wish.version === undefined ? "draft" : `version ${wish.version}`,
				...(palette ? [palette.name] : []),
			];
			const book = await loadGlassBook(db);
			const body = await inPool("kitPdf", {
				design,
				book,
				reading: palette || !isCurrent(kept, book) ? undefined : kept.reading,
				glasses: glassById,
				moulds: byId(moulds),
				studio: studio.name,
				edition: edition.join(", "),
				units: wish.units,
				paper,
			});
			return { body, type: "application/pdf", name: `${name}.pdf` };
		}
		default:
			throw new Refusal("missing", "There is no such file of a kit.");
	}
}

async function keptOf(db: Database, { kitId, version }: FileWish): Promise<KeptReading & { document: KitDesign }> {
	if (!id.safeParse(kitId).success) throw new Refusal("missing", "There is no such kit in this studio.");
	if (version !== undefined && !(Number.isInteger(version) && version > 0 && version < 1_000_000))
		throw new Refusal("invalid", "A version is a number from 1.");
	const [row] =
		version === undefined
			? await db.select().from(kitDesign).where(eq(kitDesign.id, kitId))
			: await db
					.select()
					.from(kitVersion)
					.where(and(eq(kitVersion.keptId, kitId), eq(kitVersion.version, version)));
	if (!row) throw new Refusal("missing", "There is no such kit in this studio.");
	return row;
}
