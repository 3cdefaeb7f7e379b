import { writeKitFile } from "@contract/kit-file";
import { inPalette, type KitDesign } from "@core/kit/kit";
import { readKit } from "@core/stack/read-kit";
import type { Units } from "@core/units/phrase";
import type { Database } from "@db/connect";
import { loadGlass, loadGlassBook, loadMoulds } from "@db/queries/glass";
import { loadStudio } from "@db/queries/studio";
import { kitDesign, kitVersion } from "@db/schema";
import { kitDxf } from "@formats/kit-dxf";
import { kitPdf, PAPERS, type Paper } from "@formats/kit-pdf";
import { kitSvg } from "@formats/kit-svg";
import { and, eq } from "drizzle-orm";
import { Refusal } from "./refusal";

export interface OpenFile {
	body: string | Uint8Array;
	type: string;
	name: string;
}

export interface FileWish {
	kitId: string;
	file: string;
	version: number | undefined;
	palette: string | undefined;
	paper: string;
	units: Units;
}

/** A kit as a file of an open format: its draft as saved last, or a version as frozen, in one of its palettes. */
export async function kitFileOf(db: Database, wish: FileWish): Promise<OpenFile> {
	const document = await documentOf(db, wish);
	const design = inPalette(document, wish.palette);
	const { glasses, families } = await loadGlass(db);
	const moulds = await loadMoulds(db);
	const byId = new Map(glasses.map((one) => [one.id, one]));
	const name = fileName(design.name);
	switch (wish.file) {
		case "kit.json":
			return {
				body: writeKitFile(document, { glasses, families, moulds }),
				type: "application/json",
				name: `${name}.kit.json`,
			};
		case "kit.svg":
			return { body: kitSvg(design, byId), type: "image/svg+xml", name: `${name}.svg` };
		case "kit.dxf":
			return { body: kitDxf(design, byId), type: "image/vnd.dxf", name: `${name}.dxf` };
		case "kit.pdf": {
			if (!(wish.paper in PAPERS)) throw new Refusal("invalid", "Paper is a4 or letter.");
			const palette = document.palettes.find(({ id }) => id === wish.palette);
			const edition = [
				wish.version === undefined ? "draft" : `version ${wish.version}`,
				...(palette ? [palette.name] : []),
			];
			const body = await kitPdf({
				design,
				reading: readKit(design, await loadGlassBook(db)),
				glasses: byId,
				moulds: new Map(moulds.map((one) => [one.id, one])),
				studio: (await loadStudio(db)).name,
				edition: edition.join(", "),
				units: wish.units,
				paper: wish.paper as Paper,
			});
			return { body, type: "application/pdf", name: `${name}.pdf` };
		}
		default:
			throw new Refusal("missing", "There is no such file of a kit.");
	}
}

async function documentOf(db: Database, { kitId, version }: FileWish): Promise<KitDesign> {
	if (!/^[0-9a-f-]{36}$/.test(kitId)) throw new Refusal("missing", "This kit is not in the book.");
	const [row] =
		version === undefined
			? await db.select({ document: kitDesign.document }).from(kitDesign).where(eq(kitDesign.id, kitId))
			: await db
					.select({ document: kitVersion.document })
					.from(kitVersion)
					.where(and(eq(kitVersion.kitId, kitId), eq(kitVersion.version, version)));
	if (!row) throw new Refusal("missing", "This kit is not in the book.");
	return row.document;
}

/** A name every file system takes. */
const fileName = (name: string): string =>
	name
		.toLowerCase()
		.normalize("NFKD")
		.replace(/[^a-z0-9]+/g, "-")
		.replace(/^-+|-+$/g, "")
		.slice(0, 60) || "kit";
