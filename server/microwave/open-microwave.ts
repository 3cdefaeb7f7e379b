import { microwaveRun } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";
import { runOf } from "./models/run";

/** It was cool enough to touch: the cooling time becomes part of the record. */
export const openMicrowave: UseCase<"openMicrowave"> = async ({ tx, now }, { runId, outcome, note }) => {
	const run = await runOf(tx, runId);
	if (!run.heatedAt) throw new Refusal("conflict", "It is still being heated. End the heat first.");
	if (!run.openedAt)
		await tx.update(microwaveRun).set({ outcome, note, openedAt: now }).where(eq(microwaveRun.id, runId));
	return { coolingMin: Math.round(((run.openedAt ?? now).getTime() - run.heatedAt.getTime()) / 60_000) };
};
