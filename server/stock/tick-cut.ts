import { cutListOf } from "@core/cutting/count";
import { cutsOf } from "@core/kit/kit";
import { cutRun, cutTick, kitVersion } from "@db/schema";
import { and, eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";

/** Says how many of one cut are done: an absolute number, so that a repeated tap counts once. */
export const tickCut: UseCase<"tickCut"> = async ({ tx, studio }, { cutRunId, lineKey, done }) => {
	const [run] = await tx
		.select({ kits: cutRun.kits, document: kitVersion.document })
		.from(cutRun)
		.innerJoin(kitVersion, eq(kitVersion.id, cutRun.kitVersionId))
		.where(eq(cutRun.id, cutRunId));
	if (!run) throw new Refusal("missing", "This cut list is gone.");
	const line = cutListOf(cutsOf(run.document), run.kits, studio.customs.spares).find(({ key }) => key === lineKey);
	if (!line) throw new Refusal("missing", "This cut is not on the list any more.");
	await tx
		.insert(cutTick)
		.values({ cutRunId, lineKey, done })
		.onConflictDoUpdate({ target: [cutTick.cutRunId, cutTick.lineKey], set: { done } });
	const [tick] = await tx
		.select()
		.from(cutTick)
		.where(and(eq(cutTick.cutRunId, cutRunId), eq(cutTick.lineKey, lineKey)));
	return { done: tick?.done ?? 0 };
};
