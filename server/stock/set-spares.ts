import { cutRun } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { inTheBook } from "../house/refusal";

/** More spares of a cut that breaks easily, or fewer of one that never does. */
export const setSpares: UseCase<"setSpares"> = async ({ tx }, { cutRunId, lineKey, spares }) => {
	const [row] = await tx.select().from(cutRun).where(eq(cutRun.id, cutRunId)).for("update");
	const { [lineKey]: _, ...others } = inTheBook(row, "cut list").spares;
	const next = spares === null ? others : { ...others, [lineKey]: spares };
	await tx.update(cutRun).set({ spares: next }).where(eq(cutRun.id, cutRunId));
	return { spares };
};
