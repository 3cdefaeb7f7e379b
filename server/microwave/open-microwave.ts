import { LEAST_COOLING_MIN } from "@core/microwave/suggest";
import { microwaveRun } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { Refusal } from "../house/refusal";
import { runOf } from "./models/run";

/** It is open: where it could be touched, how long it stood closed becomes part of the record; opened early it is a warning. */
export const openMicrowave: UseCase<"openMicrowave"> = async ({ tx, now }, { runId, outcome, note, cool = true }) => {
	const run = await runOf(tx, runId);
	if (!run.heatedAt) throw new Refusal("conflict", "It is still being heated. End the heat first.");
	const min = Math.round(((run.openedAt ?? now).getTime() - run.heatedAt.getTime()) / 60_000);
	const early = !cool || min < LEAST_COOLING_MIN;
	if (!run.openedAt)
		await tx.update(microwaveRun).set({ outcome, note, early, openedAt: now }).where(eq(microwaveRun.id, runId));
	return { coolingMin: min };
};
