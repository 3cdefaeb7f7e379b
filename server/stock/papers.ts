import { id } from "@contract/fields";
import type { Units } from "@core/units/phrase";
import type { Database } from "@db/connect";
import { loadStudio } from "@db/queries/studio";
import { cutPlan, glass } from "@db/schema";
import { eq } from "drizzle-orm";
import { inPool } from "../heavy/in-pool";
import { fileName, type OpenFile } from "../house/open-file";
import { inTheBook, Refusal } from "../house/refusal";

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
		...{ plan, blanks: document.blanks, title, studio },
		...{ scale, units, paper: customs.paper },
	});
	return { body, type: "application/pdf", name: `${fileName(title, "sheet")}.pdf` };
}
