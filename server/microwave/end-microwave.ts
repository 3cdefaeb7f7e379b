import { increment } from "@db/queries/increment";
import { kiln, microwaveRun } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { runOf } from "./models/run";

/** The last heat is given: it stands closed and cools. The block has one use more. */
export const endMicrowave: UseCase<"endMicrowave"> = async ({ tx, now }, { runId, steps }) => {
	const run = await runOf(tx, runId);
	if (run.heatedAt) return { runId };
	await tx.update(microwaveRun).set({ steps, heatedAt: now }).where(eq(microwaveRun.id, runId));
	await tx
		.update(kiln)
		.set({ uses: increment(kiln.uses) })
		.where(eq(kiln.id, run.blockId));
	return { runId };
};
