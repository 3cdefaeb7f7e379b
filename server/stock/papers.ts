import { id } from "@contract/fields";
import type { Units } from "@core/units/phrase";
import type { Database } from "@db/connect";
import { loadStudio } from "@db/queries/studio";
import { cutPlan, glass } from "@db/schema";
import { eq } from "drizzle-orm";
import { inPool } from "../heavy/in-pool";
import type { Asking } from "../house/context";
import { fileName, type OpenFile } from "../house/open-file";
import { inTheBook, Refusal } from "../house/refusal";
import { see } from "../house/see";

interface MapWish {
	planId: string;
	/** "0.pdf": the sheet, counted from 0. */
	file: string;
	scale: "full" | "fit";
	units: Units;
}

/** A kept plan's sheet as a map on the studio's paper. */
export async function cutMapOf(db: Database, { planId, file, scale, units }: MapWish): Promise<OpenFile> {
	const index = /^(\d{1,3})\.pdf$/.exec(file)?.[1];
	if (!id.safeParse(planId).success || index === undefined) throw new Refusal("missing", "There is no such cut map.");
	const [row] = await db
		.select({ document: cutPlan.document, name: glass.name })
		.from(cutPlan)
		.innerJoin(glass, eq(glass.id, cutPlan.glassId))
		.where(eq(cutPlan.id, planId));
	const { document, name } = inTheBook(row, "plan");
	const plan = inTheBook(document.sheets[Number(index)], "sheet");
	const { name: studio, customs } = await loadStudio(db);
	const title = `${name}, sheet ${Number(index) + 1}`;
	const body = await inPool("cutMapPdf", {
		...{ plan, blanks: document.blanks, kerfMm: document.rules.kerfMm, title, studio },
		...{ scale, units, paper: customs.paper },
	});
	return { body, type: "application/pdf", name: `${fileName(title, "sheet")}.pdf` };
}

/** The shopping list of a class, and of others with it, as whoever asks may see it. */
export async function shoppingPaperOf(
	db: Database,
	asking: Asking,
	params: Record<string, string>,
	units: Units,
): Promise<OpenFile> {
	const { lines, glasses, session } = await see(db, "shopping", params, asking);
	const { name: studio, customs } = await loadStudio(db);
	const title = session ? `${session.title}, ${session.day}` : "";
	const body = await inPool("shoppingPdf", { lines, glasses, title, studio, units, paper: customs.paper });
	return { body, type: "application/pdf", name: "to-buy.pdf" };
}
