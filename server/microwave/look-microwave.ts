import { microwaveRun } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { runOf } from "./models/run";

/** A look under the lid: when, and what was seen. */
export const lookMicrowave: UseCase<"lookMicrowave"> = async ({ tx, now }, { runId, s, seen }) => {
	const run = await runOf(tx, runId);
	const looks = [...run.looks, { s, seen, at: now.toISOString() }];
	await tx.update(microwaveRun).set({ looks }).where(eq(microwaveRun.id, runId));
	return { looks: looks.length };
};
