import { glass, glassFamily } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";
import { saved } from "../house/saved";

/** Writes one glass into the book, new or known. */
export const saveGlass: UseCase<"saveGlass"> = async ({ tx }, { glass: row, revision }) => {
	const [family] = await tx.select().from(glassFamily).where(eq(glassFamily.id, row.familyId));
	if (!family)
		throw new Refusal("invalid", [
			{ path: ["glass", "familyId"], sentence: "There is no such family in this studio." },
		]);
	return { glassId: row.id, revision: await saved(row.name, tx, glass, row, revision) };
};
