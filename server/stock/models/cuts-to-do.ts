import { cutRunsOf } from "@db/queries/stock";
import type { ViewContext } from "../../house/view";
import { linesOf } from "./lines";

/** How many parts of a class, spares counted, nobody has cut yet. */
export async function cutsToDo({ db, studio }: ViewContext, sessionId: string): Promise<number> {
	const rows = await cutRunsOf(db, [sessionId]);
	return rows
		.flatMap((row) => linesOf(row, studio))
		.reduce((total, { needed, spares, done }) => total + Math.max(0, needed + spares - done), 0);
}
