import { eq } from "drizzle-orm";
import type { SheetStock } from "../core/cutting/plan/keep-plan";
import type { Blank } from "../core/cutting/plan/types";
import type { Transaction } from "../db/connect";
import { cutRunsOf } from "../db/queries/stock";
import { loadStock } from "../db/queries/stock-book";
import { loadStudio } from "../db/queries/studio";
import { glass } from "../db/schema";
import { wantedOf } from "../server/stock/models/lines";

/** What a class wants of a glass, and the sheets there are of it. */
export async function cutLists(
	tx: Transaction,
	sessionId: string,
	glassId: string,
): Promise<{ wanted: Blank[]; sheet: { widthMm: number; heightMm: number }; stock: SheetStock | undefined }> {
	const studio = await loadStudio(tx);
	const [its] = await tx.select().from(glass).where(eq(glass.id, glassId));
	const rows = await cutRunsOf(tx, [sessionId]);
	const item = (await loadStock(tx)).find((one) => one.glassId === glassId && one.kind === "sheet" && one.amount > 0);
	return {
		wanted: its ? wantedOf(rows, its, studio) : [],
		sheet: item ? { widthMm: item.widthMm ?? 500, heightMm: item.heightMm ?? 430 } : studio.customs.sheet,
		stock: item && { itemId: item.id, amount: item.amount },
	};
}
